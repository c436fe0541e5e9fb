import { PARAMETER_IDS, PARAMETERS, type Parameter } from '#core'

const BEGIN = '<!-- table: from the code -->'
const END = '<!-- end of table -->'

/** The register of what is uncertain as a table, in its order. */
export function registerTable(): string {
  const rows = PARAMETER_IDS.map(id => {
    const { scope, words, kind, middle, low, high, source, assumed }: Parameter = PARAMETERS[id]
    const range =
      middle === 0 && kind === 'value'
        ? 'by its own range'
        : `${round(middle)} (${round(low)}–${round(high)})`
    return `| \`${id}\` | ${words} | ${scope} | ${range} | ${source}${assumed ? '; *assumed*' : ''} |`
  })
  return [
    '| id | words | shared by | middle (nine in ten) | source |',
    '| --- | --- | --- | --- | --- |',
    ...rows,
  ].join('\n')
}

const round = (x: number): string => String(Number(x.toPrecision(3)))

/** A document with its table put in. @throws RangeError where it has no place for one */
export function withTable(text: string, table: string): string {
  const [from, to] = [text.indexOf(BEGIN), text.indexOf(END)]
  if (from < 0 || to < from) throw new RangeError('withTable: expected a place for the table')
  return `${text.slice(0, from + BEGIN.length)}\n${table}\n${text.slice(to)}`
}
