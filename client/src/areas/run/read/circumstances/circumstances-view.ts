import { type MachineAxis } from '@pine/core/address'
import { type SetupDocument } from '@pine/core/facts'
import { waysAsked, type WayEnd } from '@pine/core/plan'
import { axisOfQuantity, moduleOf, type QuantityName } from '@pine/core/quantities'
import { GAUGE_FACTS, gaugeServes } from '@pine/core/touch'
import { type ReadingDraft } from '../reading-draft'

/** At which ends the counter may have been zeroed: asked in words, so that nobody has to know the sign. */
export function zeroEnds(
  { sheet }: SetupDocument,
  quantity: QuantityName,
): readonly { value: NonNullable<ReadingDraft['zeroedOn']>; label: string }[] {
  if (quantity.of === 'fixture-difference')
    return [
      { value: 'from', label: `on the part of ${quantity.from}` },
      { value: 'row', label: `on the part of ${quantity.row}` },
    ]
  return [
    { value: 'plane', label: `on the ${sheet.plane}` },
    { value: 'part', label: 'on the stock top' },
  ]
}

/** The gauges of the sheet that can serve a touch, each with its size where that counts. */
export function gaugesServing({ sheet }: SetupDocument, quantity: QuantityName) {
  return sheet.gauges
    .filter(({ kind }) => gaugeServes(kind, moduleOf(quantity).purpose, axisOfQuantity(quantity)))
    .map(({ id, kind, name, size }) => ({
      value: id,
      // What only tells has no size that counts.
      label: GAUGE_FACTS[kind].measure === 'range' ? name : `${name} · ${size.text} ${size.unit}`,
    }))
}

/**
 * Another gauge takes the place of the one that stands where it does, in the spindle or between: on top of it only where that is said.
 *
 * @param chosen what was ticked by now, in the order in which it was.
 */
export function exchanged(
  { sheet: { gauges } }: SetupDocument,
  before: readonly string[],
  chosen: readonly string[],
  isStacking: boolean,
): readonly string[] {
  const added = chosen.find((id) => !before.includes(id))
  if (added === undefined || isStacking) return chosen
  const standsAt = (id: string) => {
    const kind = gauges.find((one) => one.id === id)?.kind
    return kind && GAUGE_FACTS[kind].stands
  }
  return chosen.filter((id) => id === added || standsAt(id) !== standsAt(added))
}

export function gaugeQuestion(quantity: QuantityName): string {
  switch (quantity.of) {
    case 'carried-difference':
      return 'What lay between at the part?'
    case 'fixture-difference':
      return `What lay between at the part of ${quantity.row}?`
    case 'sweep':
      return 'Which dial was swept?'
    case 'tool-diameter':
      return 'What was it measured with?'
    default:
      return axisOfQuantity(quantity) === 'Z' ? 'What lies between?' : 'What touches the face?'
  }
}

/** From which side each screw was met: asked where the machine declares its backlash, and nowhere else. */
export const waysOfReading = (
  document: SetupDocument,
  draft: ReadingDraft,
  quantity: QuantityName,
): ReturnType<typeof waysAsked> =>
  waysAsked(document, quantity, draft.with, otherGauges(draft, quantity))

const otherGauges = (draft: ReadingDraft, quantity: QuantityName): readonly string[] =>
  quantity.of === 'carried-difference' ? draft.withOnPlane : (draft.withOnFrom ?? draft.with)

export function wayQuestion(
  { sheet: { plane } }: SetupDocument,
  quantity: QuantityName,
  end: WayEnd,
  axis: MachineAxis,
): string {
  if (end === 'own' && quantity.of === 'carried-difference') return 'How did Z come to the part?'
  if (end === 'other')
    return quantity.of === 'fixture-difference'
      ? `How did Z come to the part of ${quantity.from}?`
      : `How did Z come to the ${plane}?`
  if (end === 'own' && quantity.of === 'fixture-difference')
    return `How did Z come to the part of ${quantity.row}?`
  return `How did ${axis} come to its place?`
}
