import type { Plugin } from 'vite'

export function compiledCore(): Promise<{ readonly folder: string; readonly plugin: Plugin }>
