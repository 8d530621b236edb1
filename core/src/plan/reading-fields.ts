import type { WrittenLength } from '../length/length'
import type { SetupDocument } from '../setup/document'
import type { QuantityName } from '../setup/quantity'

/** The numbers that one reading is made of, in the order in which they are read. */
export const FIELD_KEYS = ['read', 'readY', 'right', 'back', 'left', 'front'] as const

export type FieldKey = (typeof FIELD_KEYS)[number]

/** Most readings are one number; a touch in a plane is two, a swept dial six. */
export function readingFields({ of }: QuantityName): readonly FieldKey[] {
  if (of === 'sweep') return FIELD_KEYS
  return of === 'circle-point' || of === 'edge-point' ? ['read', 'readY'] : ['read']
}

/** The numbers of a reading beside the first one, as its quantity has them. */
export function readingBody(
  { of }: QuantityName,
  written: (key: FieldKey) => WrittenLength,
): {
  readonly readY?: WrittenLength
  readonly dial?: Record<'left' | 'right' | 'front' | 'back', WrittenLength>
} {
  if (of === 'sweep')
    return {
      readY: written('readY'),
      dial: {
        left: written('left'),
        right: written('right'),
        front: written('front'),
        back: written('back'),
      },
    }
  return of === 'circle-point' || of === 'edge-point' ? { readY: written('readY') } : {}
}

/** Whether Z of a work offset is set by this touch: then the tool in the spindle is asked for, and the control’s. */
export function asksForSpindle({ sheet }: SetupDocument, quantity: QuantityName): boolean {
  if (quantity.of === 'nose-on-part') return true
  return (
    quantity.of === 'tip-on-part' &&
    sheet.offsets.some(({ row, Z }) => row === quantity.row && Z.by === 'tool-on-part')
  )
}
