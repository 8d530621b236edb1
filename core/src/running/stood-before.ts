import { valueOf } from '../chain/chain'
import type { OffsetRow } from '../address/row'
import type { SetupDocument } from '../facts/document'
import { formatLength } from '../length/format-length'
import type { Nanometres, WrittenLength } from '../length/length'
import type { SetupSheet, StoodBefore } from '../sheet/sheet'
import { quantityKey } from '../quantities/quantities'
import type { Solution } from '../solve/solution'
import { facesTouched } from '../sheet/zero-place'

/** An earlier set-up: what was moved in it is not where it was read any more. */
type Was = Pick<SetupDocument, 'sheet' | 'events'>

/** Where the setting plane stood, for another job on the same machine; undefined where the bare nose never met it. */
export function planeStood(
  { sheet, events }: Was,
  { heights }: Pick<Solution, 'heights'>,
): StoodBefore | undefined {
  const { noseOnPlane } = heights
  const gone = events.some(({ kind }) => kind === 'home-lost' || kind === 'plane-moved')
  return noseOnPlane && !gone ? { plane: written(sheet, valueOf(noseOnPlane)) } : undefined
}

/** Where the plane and the faces that are touched stood, for the same job again. */
export function allStood(
  { sheet, events }: Was,
  solution: Pick<Solution, 'heights' | 'faces'>,
): StoodBefore | undefined {
  const gone = (row: OffsetRow) =>
    events.some(
      (event) => event.kind === 'home-lost' || (event.kind === 'part-changed' && event.row === row),
    )
  const faces = sheet.offsets.flatMap(({ row, ...offset }) =>
    gone(row)
      ? []
      : (['X', 'Y'] as const)
          .flatMap((axis) => facesTouched(offset[axis], axis))
          .flatMap((face) => {
            const chain = solution.faces[quantityKey({ of: 'face', row, face })]
            return chain === undefined ? [] : [{ row, face, at: written(sheet, valueOf(chain)) }]
          }),
  )
  const plane = planeStood({ sheet, events }, solution)
  if (plane === undefined && faces.length === 0) return undefined
  return { ...plane, ...(faces.length > 0 && { faces }) }
}

const written = ({ unit, machine }: SetupSheet, nm: Nanometres): WrittenLength => ({
  text: formatLength(nm, unit, machine.control.decimals[unit]),
  unit,
})
