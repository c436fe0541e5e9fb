import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { afterEach, describe, expect, it } from 'vitest'
import { DataFolderInUse, lockFolder } from '../../server/db/lock'
import { dataFolder } from './support'

const folder = dataFolder()
const lock = `${folder.path}.lock`
afterEach(() => existsSync(lock) && writeFileSync(lock, ''))

describe('the lock beside a data folder', () => {
  it('holds this process while it is held and is gone when it is given back', () => {
    const unlock = lockFolder(folder.path)
    expect(readFileSync(lock, 'utf8')).toBe(String(process.pid))
    unlock()
    expect(existsSync(lock)).toBe(false)
  })
  it('is refused while another process lives, by name and number', () => {
    writeFileSync(lock, String(process.ppid))
    expect(() => lockFolder(folder.path)).toThrow(DataFolderInUse)
    expect(() => lockFolder(folder.path)).toThrow(new RegExp(`${folder.path} is in use by another Dunecrest \\(process ${process.ppid}\\)`))
    expect(readFileSync(lock, 'utf8')).toBe(String(process.ppid))
  })
  it.each(['', 'nonsense', '-4', '99999999'])('is taken over where it holds "%s", which nobody is', (text) => {
    writeFileSync(lock, text)
    lockFolder(folder.path)()
    expect(existsSync(lock)).toBe(false)
  })
  it('gives back only its own', () => {
    const unlock = lockFolder(folder.path)
    writeFileSync(lock, String(process.ppid))
    unlock()
    expect(existsSync(lock)).toBe(true)
    folder.clear()
  })
})
