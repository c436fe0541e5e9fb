export const ROOT: string
export function installDependencies(): void
export function build(): void
