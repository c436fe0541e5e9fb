import { createHash, randomInt, timingSafeEqual } from 'node:crypto'

/** Letters and figures that are not taken for one another. */
const ALPHABET = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ'
const LENGTH = 8
/** How long a code is good for, ms. */
export const CODE_MS = 5 * 60_000
/** Wrong codes that lock pairing, and for how long, ms. */
export const MOST_WRONG = 10
export const LOCKED_MS = 15 * 60_000

export type Claim = 'paired' | 'wrong' | 'expired' | 'locked'

const hashed = (code: string): Buffer => createHash('sha256').update(code).digest()
/** A code as it is compared: typed with or without its gap, in small letters or large. */
const plain = (code: string): string => code.toUpperCase().replace(/[^0-9A-Z]/g, '')

/**
 * Codes that pair a device once. One is good at a time: a new one ends the one before. Nothing of a code is kept
 * but its hash.
 * @param now ms since 1970
 */
export function makePairing(now: () => number = Date.now) {
  let open: { readonly hash: Buffer; readonly until: number } | undefined
  let wrong = 0
  let lockedUntil = 0

  return {
    /** A new code, and until when it is good; undefined while pairing is locked. */
    issue(): { readonly code: string; readonly until: number } | undefined {
      if (now() < lockedUntil) return undefined
      const code = Array.from({ length: LENGTH }, () => ALPHABET[randomInt(ALPHABET.length)]!).join('')
      open = { hash: hashed(code), until: now() + CODE_MS }
      return { code: `${code.slice(0, 4)} ${code.slice(4)}`, until: open.until }
    },
    /** Tries a code; a right one is used up by it. */
    claim(code: string): Claim {
      if (now() < lockedUntil) return 'locked'
      const right = open !== undefined && timingSafeEqual(open.hash, hashed(plain(code)))
      if (right && now() <= open!.until) {
        open = undefined
        wrong = 0
        return 'paired'
      }
      if (right) return 'expired'
      if (++wrong < MOST_WRONG) return 'wrong'
      wrong = 0
      open = undefined
      lockedUntil = now() + LOCKED_MS
      return 'locked'
    },
    /** until when no code is taken, ms since 1970; past where any is */
    lockedUntil: (): number => lockedUntil,
  }
}
