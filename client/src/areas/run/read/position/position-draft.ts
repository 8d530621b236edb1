import { lengthAddressOf, type DisplayHabit } from '@pine/core/sheet'
import { registerName, type Address, type MachineAxis, type OffsetRow } from '@pine/core/address'
import type { SetupDocument } from '@pine/core/facts'
import { readLength, type WrittenLength } from '@pine/core/length'
import { suggestPosition } from '@pine/core/plan'
import {
  axesRead,
  axisOfQuantity,
  isAxisPosition,
  type DisplayedPosition,
  type QuantityName,
} from '@pine/core/quantities'
import type { Solution } from '@pine/core/solve'
import { POSITION_NAMES, typographic } from '@pine/core/words'

/** Where the counter was zeroed, as it is answered: here and now, as at the touches before, or with the nose or another tool here. */
export type Zeroed = 'here' | 'before' | `from:${string}`

/** Which number of the display is read, while that is being said. */
export interface PositionDraft {
  readonly reads: DisplayHabit
  readonly zeroed?: Zeroed
  /** Of a work position: the row that is active, what it shows by axis, the length that is active (`none`) and what that shows. */
  readonly row?: OffsetRow
  readonly holds?: Readonly<Record<string, string>>
  readonly length?: string
  readonly lengthHolds?: string
}

interface Option<Value extends string> {
  readonly value: Value
  readonly label: string
}

/** What is asked about the number that is read. */
export interface PositionView {
  readonly reads: readonly Option<DisplayHabit>[]
  readonly chosen: DisplayHabit
  /** Of a counter: where it was zeroed. */
  readonly zeroed: readonly Option<Zeroed>[]
  /** Of a work position: which row is active, the numbers that it shows, which length is active and what that shows. */
  readonly rows: readonly Option<OffsetRow>[]
  readonly shown: readonly {
    readonly key: string
    readonly label: string
    readonly value: string
  }[]
  readonly lengths: readonly Option<string>[]
  readonly lengthShown: { readonly label: string; readonly value: string } | undefined
  /** What is still missing, in words. */
  readonly problem: string | undefined
}

/** What is said of it before anybody says anything: as at the last touch, or as people read on this machine. */
export function positionSuggested(document: SetupDocument, quantity: QuantityName): PositionDraft {
  const { reads, position } = suggestPosition(document, quantity)
  switch (position?.of) {
    case undefined:
      return { reads }
    case 'counter':
      return { reads, zeroed: 'before' }
    case 'counter-from':
      return { reads, zeroed: `from:${position.tool ?? 'nose'}` }
    case 'work': {
      const { row, holds, length } = position
      const texts = Object.entries(holds).map(([axis, { text }]) => [axis, text] as const)
      return {
        reads,
        row,
        holds: Object.fromEntries(texts),
        length: length?.address ?? 'none',
        ...(length && { lengthHolds: length.holds.text }),
      }
    }
  }
}

export function positionView(
  document: SetupDocument,
  solution: Solution,
  quantity: QuantityName,
  draft: PositionDraft,
): PositionView {
  const { sheet } = document
  const inZ = axisOfQuantity(quantity) === 'Z'
  const row = activeRow(document, quantity, draft)
  const length = draft.length
  return {
    reads: (['machine', 'counter', 'work'] as const).map((value) => ({
      value,
      label: POSITION_NAMES[value],
    })),
    chosen: draft.reads,
    zeroed: draft.reads === 'counter' ? zeroedOptions(document, quantity) : [],
    rows:
      draft.reads === 'work'
        ? sheet.offsets.map((plan) => ({ value: plan.row, label: plan.row }))
        : [],
    shown:
      draft.reads === 'work'
        ? axesRead(quantity).map((axis) => ({
            key: axis,
            label: `${registerName(`${row}.${axis}`)} shows`,
            value: heldBy(solution, `${row}.${axis}`, draft.holds?.[axis]),
          }))
        : [],
    lengths:
      draft.reads === 'work' && inZ
        ? [
            { value: 'none', label: 'no length' },
            ...sheet.tools.flatMap(({ number }) => {
              const address = lengthAddressOf(sheet, number)
              return address === undefined ? [] : [{ value: address, label: address }]
            }),
          ]
        : [],
    lengthShown:
      draft.reads === 'work' && inZ && length !== undefined && length !== 'none'
        ? {
            label: `${length} shows`,
            value: heldBy(solution, length as Address, draft.lengthHolds),
          }
        : undefined,
    problem: positionProblem(document, solution, quantity, draft),
  }
}

/** Of a touch in a plane no length matters; the row that the touch is for is the likeliest to be active. */
const activeRow = (
  { sheet }: SetupDocument,
  quantity: QuantityName,
  { row }: PositionDraft,
): OffsetRow => row ?? ('row' in quantity ? quantity.row : (sheet.offsets[0]?.row ?? 'G54'))

/** What is typed; before that what the control was seen to show. */
const heldBy = ({ registers }: Solution, address: Address, typed: string | undefined): string =>
  typed ?? registers.find((one) => one.address === address)?.readBack?.shownText ?? ''

function zeroedOptions(document: SetupDocument, quantity: QuantityName): readonly Option<Zeroed>[] {
  const { sheet, readings } = document
  const axis = axisOfQuantity(quantity)
  const wasRead = readings.some(
    (one) => one.position?.of === 'counter' && axisOfQuantity(one) === axis,
  )
  const here: Option<Zeroed> = { value: 'here', label: 'here, at this touch' }
  const before: Option<Zeroed> = {
    value: 'before',
    label: wasRead ? 'not since my last reading' : 'somewhere else',
  }
  // Read on both axes: two counters are not zeroed in one press.
  if (axesRead(quantity).length > 1) return [before]
  if (quantity.of !== 'tip-on-plane') return [here, before]
  const master = sheet.school === 'master-tool' ? sheet.reference?.masterTool : undefined
  const from = (name: string, who: string): Option<Zeroed> => ({
    value: `from:${who}`,
    label: `with ${name}, on this same surface`,
  })
  return [
    from('the bare nose', 'nose'),
    ...(master === undefined || master === quantity.tool ? [] : [from(`T${master}`, `${master}`)]),
    here,
    before,
  ]
}

/** What has to be said before the number can be taken, in words. */
export function positionProblem(
  document: SetupDocument,
  solution: Solution,
  quantity: QuantityName,
  draft: PositionDraft,
): string | undefined {
  if (!isAxisPosition(quantity) || draft.reads === 'machine') return undefined
  if (draft.reads === 'counter')
    return draft.zeroed === undefined
      ? 'Say where the relative counter was zeroed: tap “Relative” above the number.'
      : undefined
  const made = positionOf(document, solution, quantity, draft)
  return made === undefined
    ? 'A work position counts from its row: say which row and length are active, and what they show. Tap “Work” above the number.'
    : undefined
}

/** The number of the display as a reading says it; undefined for the machine's, and while something is not said. */
export function positionOf(
  document: SetupDocument,
  solution: Solution,
  quantity: QuantityName,
  draft: PositionDraft,
): DisplayedPosition | undefined {
  const { reads, zeroed, length } = draft
  if (!isAxisPosition(quantity) || reads === 'machine') return undefined
  if (reads === 'counter') {
    if (zeroed === undefined) return undefined
    if (zeroed === 'here' || zeroed === 'before') return { of: 'counter' }
    const who = zeroed.slice('from:'.length)
    return { of: 'counter-from', tool: who === 'nose' ? null : Number(who) }
  }
  const { unit } = document.sheet
  const row = activeRow(document, quantity, draft)
  const asWritten = (address: Address, typed: string | undefined): WrittenLength | undefined => {
    const written = { text: heldBy(solution, address, typed), unit }
    return readLength(written).ok ? written : undefined
  }
  const holds = axesRead(quantity).map(
    (axis) => [axis, asWritten(`${row}.${axis}`, draft.holds?.[axis])] as const,
  )
  if (holds.some(([, shown]) => shown === undefined)) return undefined
  const position = { of: 'work', row, holds: Object.fromEntries(holds) } as const
  if (axisOfQuantity(quantity) !== 'Z' || length === 'none') return position
  const address = length as Address | undefined
  const shown = address && asWritten(address, draft.lengthHolds)
  return address && shown && { ...position, length: { address, holds: shown } }
}

/** `Relative, zeroed on the nose`: what number it is, in the line above it. */
export const positionLabel = (field: string, { reads, row }: PositionDraft): string =>
  reads === 'work' && row !== undefined ? `${field}, ${row}` : typographic(field)

const ZEROED = { X: zeroedIn('X'), Y: zeroedIn('Y'), Z: zeroedIn('Z') } as const

function zeroedIn(axis: MachineAxis) {
  return { kind: 'event', body: { kind: 'counter-zeroed', axis } } as const
}

/** The counter is zeroed at this touch: what it showed before counts from elsewhere. */
export const zeroedHere = (
  quantity: QuantityName,
  { reads, zeroed }: PositionDraft,
): (typeof ZEROED)[MachineAxis] | undefined =>
  isAxisPosition(quantity) && reads === 'counter' && zeroed === 'here'
    ? ZEROED[axisOfQuantity(quantity)]
    : undefined
