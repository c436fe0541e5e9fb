/** What a depth sounder says in one sentence. Metres, °C. */
export interface SounderReading {
  readonly depthM?: number
  readonly temperatureC?: number
}

/** Exclusive-or of all characters between $ and *, two hexadecimal digits (NMEA 0183). */
export function checksum(body: string): string {
  let sum = 0
  for (let i = 0; i < body.length; i++) sum ^= body.charCodeAt(i)
  return sum.toString(16).toUpperCase().padStart(2, '0')
}

export const sentence = (body: string): string => `$${body}*${checksum(body)}`

const number = (text: string | undefined): number | undefined => {
  const value = text === undefined || text.trim() === '' ? NaN : Number(text)
  return Number.isFinite(value) ? value : undefined
}

/**
 * Reads a sentence: depth from DPT (depth under the transducer and its offset) or DBT (metres), water
 * temperature from MTW.
 * @returns what it says; nothing but an empty reading for other sentences; undefined where it is malformed or
 * its checksum is wrong
 */
export function readSentence(line: string): SounderReading | undefined {
  const found = /^\$([A-Z]{2}[A-Z]{3}(?:,[^*]*)?)\*([0-9A-F]{2})$/i.exec(line.trim())
  if (!found || checksum(found[1]!) !== found[2]!.toUpperCase()) return undefined
  const [head = '', ...fields] = found[1]!.split(',')
  const kind = head.slice(2)
  if (kind === 'DPT') {
    const depth = number(fields[0])
    return depth === undefined || depth < 0
      ? undefined
      : { depthM: depth + Math.max(0, number(fields[1]) ?? 0) }
  }
  if (kind === 'DBT') {
    const depth = number(fields[2])
    return depth === undefined || depth < 0 ? undefined : { depthM: depth }
  }
  if (kind === 'MTW') {
    const temperatureC = number(fields[0])
    return temperatureC === undefined ? undefined : { temperatureC }
  }
  return {}
}
