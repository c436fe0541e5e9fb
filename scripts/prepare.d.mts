export const ROOT: string
export function installDependencies(): void
export function build(): void
export function findBrowser(): string
export function findPostgres(): string
