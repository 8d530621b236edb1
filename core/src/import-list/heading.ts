import type { LengthUnit } from '../length/length'
import { columnsOfList, type ColumnRole, type ImportList, type ImportMapping } from './columns'

/** A unit behind a heading: `DC [mm]`, `Length (in)`, `Height, inch`. */
const UNIT_BEHIND = /[\s,]*[[(]?\s*\b(mm|millimet(?:er|re)s?|in|inch|inches)\b\s*[\])]?\s*$/i

/** The unit that a heading names for the numbers below it; undefined where it names none. */
export function unitOfHeading(heading: string): LengthUnit | undefined {
  const [, unit] = UNIT_BEHIND.exec(heading) ?? []
  if (unit === undefined) return undefined
  return unit.toLowerCase().startsWith('mm') || unit.toLowerCase().startsWith('milli') ? 'mm' : 'in'
}

const plain = (heading: string): string =>
  heading
    .replace(UNIT_BEHIND, '')
    .trim()
    .toLowerCase()
    .replace(/[_\s]+/g, ' ')

/**
 * Which column probably holds what, by its heading. Where two columns have such a heading, the first counts; a person looks
 * at it before anything is written.
 *
 * @example guessMapping('gauges', ['Gauge', 'Kind', 'Size [mm]']) // { name: 0, kind: 1, size: 2 }
 */
export function guessMapping(list: ImportList, header: readonly string[]): ImportMapping {
  const headings = header.map(plain)
  const found = columnsOfList(list).flatMap(([role, column]) => {
    const index = column.headings
      .map((heading) => headings.indexOf(heading))
      .find((place) => place >= 0)
    return index === undefined ? [] : [[role, index] as const]
  })
  // One column is one thing: `diameter` of a gauge is its size, and nothing else besides.
  const taken = new Set<number>()
  return Object.fromEntries(
    found.filter(([, index]) => !taken.has(index) && taken.add(index)),
  ) as Partial<Record<ColumnRole, number>>
}
