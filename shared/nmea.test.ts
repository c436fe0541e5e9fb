import { describe, expect, it } from 'vitest'
import { checksum, readSentence, sentence } from './nmea'

describe('NMEA 0183', () => {
  it("has the checksum of the standard's own example", () =>
    expect(checksum('GPGLL,5057.970,N,00146.110,E,142451,A')).toBe('27'))
  it.each([
    ['SDDPT,3.4,0.0', { depthM: 3.4 }],
    ['SDDPT,3.4,0.5', { depthM: 3.9 }],
    ['SDDPT,3.4,-0.5', { depthM: 3.4 }],
    ['SDDBT,11.2,f,3.4,M,1.9,F', { depthM: 3.4 }],
    ['SDMTW,14.6,C', { temperatureC: 14.6 }],
    ['GPGLL,5057.970,N,00146.110,E,142451,A', {}],
  ])('reads %s', (body, says) => expect(readSentence(sentence(body))).toEqual(says))
  it.each([
    '',
    'SDDPT,3.4,0.0',
    '$SDDPT,3.4,0.0*00',
    '$SDDPT,9x.9*ZZ',
    sentence('SDDPT,deep,0.0'),
    sentence('SDDPT,-2,0'),
    `${sentence('SDDPT,3.4,0.0')}junk`,
  ])('skips %s', line => expect(readSentence(line)).toBeUndefined())
  it('never fails, whatever comes', () => {
    let state = 5
    for (let k = 0; k < 3000; k++) {
      const text = Array.from({ length: 20 }, () =>
        String.fromCharCode(32 + ((state = (state * 1103515245 + 12345) % 2147483648) % 95)),
      ).join('')
      expect(() => readSentence(text)).not.toThrow()
      expect(() => readSentence(`$SDDPT,${text}`)).not.toThrow()
    }
  })
})
