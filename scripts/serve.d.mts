import type { ChildProcess } from 'node:child_process'

export function freePort(first: number): Promise<number>
export function startServer(options: {
  port: number
  folder: string
  demo?: boolean
  stdio?: 'inherit' | 'ignore'
  patienceMs?: number
  env?: Readonly<Record<string, string>>
}): Promise<{ url: string; child: ChildProcess }>
