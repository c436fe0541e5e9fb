import type { ChildProcess, StdioOptions } from 'node:child_process'

export function freePort(first: number): Promise<number>
export function startServer(options: { port: number, folder: string, demo: boolean, stdio?: StdioOptions }): Promise<{ url: string, child: ChildProcess }>
