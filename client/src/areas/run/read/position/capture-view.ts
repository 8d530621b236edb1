import { registerName } from '@pine/core/address'
import type { Nanometres, WrittenLength } from '@pine/core/length'
import { capturedReading, type Capture } from '@pine/core/plan'
import { axisOfQuantity, type QuantityName } from '@pine/core/quantities'
import { describeActiveLength, describeKeyMode, typographic } from '@pine/core/words'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { NewReading } from '../reading-draft'

/** What is keyed at the touch itself, and where the axis stands by what the row shows then. */
export interface CaptureView {
  /** `G54 X`. */
  readonly name: string
  readonly label: string
  /** What the key does that takes the number, and which one it is not. */
  readonly does: string
  readonly not: string
  /** What to type, as the control shows it. */
  readonly type: string
  readonly unit: string
  /** What goes before it. */
  readonly first: string | undefined
  /** Where the axis stands by what was typed; undefined until a number can be read. */
  readonly axisAt: string | undefined
}

/** @param shown what the row was read to show, once it can be read. */
export function captureView(
  capture: Capture,
  quantity: QuantityName,
  shown: Nanometres | undefined,
): CaptureView {
  const { address, mode, type, unit, activeLength } = capture
  const name = registerName(address)
  const { does, not } = describeKeyMode(mode)
  const at = shown === undefined ? undefined : capturedReading(capture, shown)
  return {
    name,
    label: `What ${name} shows then`,
    does,
    not,
    type: mode === 'stored' ? '' : typographic(type),
    unit,
    first:
      mode === 'stored'
        ? `Let the control’s cycle store ${name}. Nothing is typed.`
        : mode === 'copy'
          ? `Copy the machine position into ${name},`
          : mode === 'copy-counter'
            ? `Copy the relative counter into ${name},`
            : activeLength === undefined
              ? undefined
              : `${describeActiveLength(activeLength)} While it stands there,`,
    axisAt:
      at === undefined
        ? undefined
        : `${axisOfQuantity(quantity)} ${typographic(at.text)} ${at.unit}`,
  }
}

/**
 * The touch, its key-in and its read-back, which were one moment.
 *
 * @param via `captured` where the row told the touch; `typed` where the position was read beside it, and the row is to be compared.
 */
export const capturedFacts = (
  { address, mode, type, unit }: Capture,
  via: 'captured' | 'typed',
  body: NewReading,
  shown: WrittenLength,
): readonly FactDraft[] => [
  { kind: 'reading', via, body },
  { kind: 'key-in', body: { address, mode, typed: { text: type, unit } } },
  { kind: 'read-back', body: { address, moment: 'after', shown } },
]
