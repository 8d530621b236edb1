import { lengthAddressOf, type SetupSheet } from '@pine/core/sheet'
import type { WrittenLength } from '@pine/core/length'
import { axesRead, type DisplayedPosition, type QuantityName } from '@pine/core/quantities'
import type { NewReading } from '@/areas/run/read/reading-draft'
import type { FactDraft } from '@/data/outbox/fact-draft'
import { ModelControl } from '../../../core/test/model/control'
import type { Axis } from '../../../core/test/model/world'
import type { Chance } from '../../../core/test/random'

interface AtTheDisplay {
  readonly control: ModelControl
  readonly chance: Chance
  readonly sheet: SetupSheet
  readonly write: (nm: number) => WrittenLength
}

/** What was read, and what was done to the counter before it. */
export interface Displayed {
  readonly body: NewReading
  readonly before: readonly FactDraft[]
}

/**
 * The same touch, read off another of the numbers on the display: the relative counter, which may be zeroed there, or the work position
 * with whatever row and length are active.
 */
export function onTheDisplay(
  body: NewReading,
  quantity: QuantityName,
  { control, chance, sheet, write }: AtTheDisplay,
): Displayed {
  const luck = chance.next()
  const axes = axesRead(quantity)
  const asRead = (shown: (axis: Axis) => number, position: DisplayedPosition): NewReading =>
    ({
      ...body,
      position,
      read: write(shown(axes[0] ?? 'Z')),
      ...('readY' in body && { readY: write(shown('Y')) }),
    }) as NewReading
  if (luck < 0.12) {
    const before = chance.next() < 0.3 ? axes : []
    for (const axis of before) control.zeroCounter(axis)
    return {
      body: asRead((axis) => control.counter(axis), { of: 'counter' }),
      before: before.map((axis) => ({
        kind: 'event' as const,
        body: { kind: 'counter-zeroed' as const, axis },
      })),
    }
  }
  if (luck < 0.24) {
    const { row } = chance.of(sheet.offsets)
    const address =
      axes[0] === 'Z' && chance.next() < 0.5
        ? lengthAddressOf(sheet, chance.of(sheet.tools).number)
        : undefined
    control.active = address
    const holds = Object.fromEntries(
      axes.map((axis) => [axis, write(control.registers.get(`${row}.${axis}`) ?? 0)]),
    )
    return {
      body: asRead((axis) => control.work(row, axis), {
        of: 'work',
        row,
        holds,
        ...(address && {
          length: { address, holds: write(control.registers.get(address) ?? 0) },
        }),
      }),
      before: [],
    }
  }
  return { body, before: [] }
}
