import type { OffsetRow } from '../address/row'
import type { PartStays } from '../facts/bodies/event'
import type { SetupSheet } from '../sheet/sheet'
import { liesAgainst } from '../sheet/check/against'
import { facesTouched } from '../sheet/zero-place'

/** How another part came in: held anew, against the same stop with another height, or just as the one before. */
export const ANOTHER_PARTS = ['anew', 'stop', 'stop-and-height'] as const

export type AnotherPart = (typeof ANOTHER_PARTS)[number]

/**
 * What another part shares with the one before it. Only an axis that one face gives holds against a stop: the middle of two moves
 * by half of what the parts differ. Where the sheet says which faces of the first part lie against jaw and stop, those alone hold.
 * Undefined where nothing is shared.
 */
export function partStays(
  sheet: Pick<SetupSheet, 'offsets' | 'holding'>,
  row: OffsetRow,
  how: AnotherPart,
): PartStays | undefined {
  const { offsets, holding } = sheet
  const offset = offsets.find((one) => one.row === row)
  if (how === 'anew' || offset === undefined) return undefined
  const faces = (['X', 'Y'] as const).flatMap((axis) => {
    const touched = facesTouched(offset[axis], axis)
    const isDeclared = holding?.against !== undefined && row === offsets[0]?.row
    return touched.length === 1
      ? touched.filter((face) => !isDeclared || liesAgainst(sheet, face) !== undefined)
      : []
  })
  return { faces, top: how === 'stop-and-height' }
}
