export function findBrowser(): string
export function findPostgres(): string
