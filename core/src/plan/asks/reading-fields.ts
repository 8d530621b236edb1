import { readingFields } from '../../quantities/quantities'
import type { FieldKey } from '../../quantities/fields'
import { FACES } from '../../touch/touch'
import type { WrittenLength } from '../../length/length'
import { isToolByTool } from '../../sheet/tool-rows'
import type { SetupDocument } from '../../facts/document'
import type { QuantityName } from '../../quantities/quantities'

/** The numbers of a reading beside the first one, as its quantity has them. */
export function readingBody(
  quantity: QuantityName,
  written: (key: FieldKey) => WrittenLength,
): {
  readonly readY?: WrittenLength
  readonly dial?: Record<'left' | 'right' | 'front' | 'back', WrittenLength>
} {
  const fields = readingFields(quantity)
  const [left, right, front, back] = FACES
  return {
    ...(fields.includes('readY') && { readY: written('readY') }),
    ...(FACES.every((face) => fields.includes(face)) && {
      dial: {
        left: written(left),
        right: written(right),
        front: written(front),
        back: written(back),
      },
    }),
  }
}

/**
 * Whether a fixed setter's cycle is to be started for this touch: then its contact is pressed by hand just before, and the control
 * has to show it (docs/domain.md, “How it goes at the machine”: a dead contact lets the tool go through it).
 */
export const asksForContact = (
  { sheet }: Pick<SetupDocument, 'sheet'>,
  using: readonly string[],
): boolean => sheet.gauges.some(({ id, kind }) => kind === 'fixed-setter' && using.includes(id))

/** Whether Z of a work offset is set by this touch: then the tool in the spindle is asked for, and the control’s. */
export function asksForSpindle({ sheet }: SetupDocument, quantity: QuantityName): boolean {
  // A control that keeps no lengths has none active.
  if (isToolByTool(sheet)) return false
  if (quantity.of === 'nose-on-part') return true
  return (
    quantity.of === 'tip-on-part' &&
    sheet.offsets.some(({ row, Z }) => row === quantity.row && Z.by === 'tool-on-part')
  )
}
