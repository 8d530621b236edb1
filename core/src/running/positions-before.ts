import { hasUnknown, valueOf } from '../chain/chain'
import type { OffsetRow } from '../address/row'
import type { SetupDocument } from '../facts/document'
import { formatLength } from '../length/format-length'
import type { Nanometres, WrittenLength } from '../length/length'
import type { SetupSheet, EarlierPositions } from '../sheet/sheet'
import { quantityKey } from '../quantities/quantities'
import type { Solution } from '../solve/solution'
import { liesAgainst } from '../sheet/check/against'
import { facesTouched } from '../sheet/zero-place'

/** An earlier set-up: what was moved in it is not where it was read any more. */
type Was = Pick<SetupDocument, 'sheet' | 'events'>

/** Where the setting plane stood, for another job on the same machine; undefined where the bare nose never met it. */
export function planeBefore(
  { sheet, events }: Was,
  { heights }: Pick<Solution, 'heights'>,
): EarlierPositions | undefined {
  const { noseOnPlane } = heights
  const gone = events.some(({ kind }) => kind === 'home-lost' || kind === 'plane-moved')
  // On a counter it stood nowhere that another job could find again.
  return noseOnPlane && !gone && !hasUnknown(noseOnPlane)
    ? { plane: written(sheet, valueOf(noseOnPlane)) }
    : undefined
}

/**
 * Where what stays on the machine stood, for another job on it: the setting plane, and the fixed jaw and the stop by the faces of the
 * first part that lay against them.
 */
export function machineBefore(
  was: Was,
  solution: Pick<Solution, 'heights' | 'faces'>,
): EarlierPositions | undefined {
  const [first] = was.sheet.offsets
  const faces = facesBefore(was, solution).filter(
    ({ row, against }) => row === first?.row && against !== undefined,
  )
  return stoodOf(planeBefore(was, solution), faces)
}

/** Where the plane and the faces that are touched stood, for the same job again. */
export function positionsBefore(
  was: Was,
  solution: Pick<Solution, 'heights' | 'faces'>,
): EarlierPositions | undefined {
  return stoodOf(planeBefore(was, solution), facesBefore(was, solution))
}

type FaceBefore = NonNullable<EarlierPositions['faces']>[number]

function stoodOf(
  plane: EarlierPositions | undefined,
  faces: readonly FaceBefore[],
): EarlierPositions | undefined {
  if (plane === undefined && faces.length === 0) return undefined
  return { ...plane, ...(faces.length > 0 && { faces }) }
}

/** The faces that were touched and are still where they were read. */
function facesBefore(
  { sheet, events }: Was,
  { faces }: Pick<Solution, 'faces'>,
): readonly FaceBefore[] {
  const gone = (row: OffsetRow) =>
    events.some(
      (event) => event.kind === 'home-lost' || (event.kind === 'part-changed' && event.row === row),
    )
  const [first] = sheet.offsets
  return sheet.offsets.flatMap(({ row, ...offset }) =>
    gone(row)
      ? []
      : (['X', 'Y'] as const)
          .flatMap((axis) => facesTouched(offset[axis], axis))
          .flatMap((face): readonly FaceBefore[] => {
            const chain = faces[quantityKey({ of: 'face', row, face })]
            if (chain === undefined) return []
            const against = row === first?.row ? liesAgainst(sheet, face) : undefined
            const at = written(sheet, valueOf(chain))
            return [{ row, face, at, ...(against && { against }) }]
          }),
  )
}

const written = ({ unit, machine }: SetupSheet, nm: Nanometres): WrittenLength => ({
  text: formatLength(nm, unit, machine.control.decimals[unit]),
  unit,
})
