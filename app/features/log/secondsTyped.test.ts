import { expect, it } from 'vitest'
import { secondsTyped } from './secondsTyped'

it.each([
  ['3.2', [3.2]],
  ['3.2 3.4  3.1', [3.2, 3.4, 3.1]],
  ['3,2; 3,4', [3.2, 3.4]],
  ['3.2, 3.4, 12', [3.2, 3.4, 12]],
  ['', undefined],
  ['soon', undefined],
  ['3.2 x', undefined],
  ['0.1', undefined],
  ['-3', undefined],
  ['700', undefined],
])('"%s" is %s', (text, times) => expect(secondsTyped(text)).toEqual(times))
