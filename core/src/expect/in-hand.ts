import type { SetupDocument } from '../facts/document'
import { readLength } from '../length/read-length'
import type { WrittenLength } from '../length/length'
import { axisOfQuantity } from '../quantities/quantities'
import { knownSizes } from '../slips/explain'
import type { Belief } from './believe'
import type { ReadingToBe } from './expect-reading'
import { surpriseAt, type Surprise } from './surprise'

/** Whether a number that was typed is a surprise; a number that cannot be read is none of ours. */
export function surpriseOf(
  { sheet }: Pick<SetupDocument, 'sheet'>,
  toBe: ReadingToBe,
  expected: Belief,
  typed: WrittenLength,
): Surprise | undefined {
  const read = readLength(typed)
  if (!read.ok) return undefined
  const { unit, gauges, machine } = sheet
  // Half of a tip in X and Y goes one way or the other: its slips are told by the size of the part.
  const inZ = axisOfQuantity(toBe) === 'Z'
  const sizes = (isMeant: (id: string) => boolean) =>
    inZ
      ? knownSizes(
          gauges.filter(({ id }) => isMeant(id)),
          'Z',
        )
      : []
  return surpriseAt(expected, read.value, {
    unit,
    decimals: machine.control.decimals[unit],
    said: sizes((id) => toBe.with.includes(id)),
    others: sizes((id) => !toBe.with.includes(id)),
  })
}
