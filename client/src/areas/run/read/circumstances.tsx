import { type MachineAxis } from '@pine/core/address'
import { waysAsked, type WayEnd } from '@pine/core/plan'
import { axisOfQuantity, moduleOf, type QuantityName } from '@pine/core/quantities'
import { GAUGE_FACTS, gaugeServes, type Way } from '@pine/core/touch'
import { gaugeNames } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Choice, Several } from '@/kit/choice'
import { Column } from '@/kit/surfaces'
import type { useReading } from './use-reading'

type ReadingInHand = ReturnType<typeof useReading>

export interface ZeroedOnProps {
  readonly reading: ReadingInHand
  readonly quantity: QuantityName
}

/** Where the counter was zeroed: asked in words, so that nobody has to know the sign. */
export function ZeroedOn({ reading: { draft, change, preview }, quantity }: ZeroedOnProps) {
  const ends: readonly { value: NonNullable<typeof draft.zeroedOn>; label: string }[] =
    quantity.of === 'fixture-difference'
      ? [
          { value: 'from', label: `on the part of ${quantity.from}` },
          { value: 'row', label: `on the part of ${quantity.row}` },
        ]
      : [
          { value: 'plane', label: `on the ${preview.sheet.plane}` },
          { value: 'part', label: 'on the raw top' },
        ]
  return (
    <Choice
      label="Where was the counter zeroed?"
      value={draft.zeroedOn}
      onChange={(zeroedOn) => change({ zeroedOn })}
      options={ends}
    />
  )
}

export interface GaugesBetweenProps {
  readonly reading: ReadingInHand
  readonly quantity: QuantityName
  readonly onClose: () => void
}

/** What lies beneath or stands in the spindle at this touch, and the way it was met: it belongs to the touch, not to the day. */
export function GaugesBetween({ reading, quantity, onClose }: GaugesBetweenProps) {
  const { draft, change, preview } = reading
  const axis = axisOfQuantity(quantity)
  const serving = preview.sheet.gauges
    .filter(({ kind }) => gaugeServes(kind, moduleOf(quantity).purpose, axis))
    .map(({ id, kind, name, size }) => ({
      value: id,
      // What only tells has no size that counts.
      label: GAUGE_FACTS[kind].measure === 'range' ? name : `${name} · ${size.text} ${size.unit}`,
    }))
  const none = axis === 'Z' ? 'nothing' : 'not named'
  return (
    <Column gap="$4">
      {quantity.of === 'carried-difference' && (
        <Several
          label={`What lay between at the ${preview.sheet.plane}?`}
          options={serving}
          values={draft.withOnPlane}
          onChange={(withOnPlane) => change({ withOnPlane })}
          none={none}
        />
      )}
      {quantity.of === 'fixture-difference' && (
        <Several
          label={`What lay between at the part of ${quantity.from}?`}
          options={serving}
          values={draft.withOnFrom ?? draft.with}
          onChange={(withOnFrom) => change({ withOnFrom })}
          none={none}
        />
      )}
      <Several
        label={gaugeQuestion(quantity)}
        options={serving}
        values={draft.with}
        onChange={(using) => change({ with: using })}
        none={none}
      />
      <WaysCame reading={reading} quantity={quantity} />
      <Button kind="act" onPress={onClose}>
        Done
      </Button>
    </Column>
  )
}

function gaugeQuestion(quantity: QuantityName): string {
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

/** From which side each screw was met: asked where the machine declares its lost motion, and nowhere else. */
function WaysCame({ reading: { draft, change, preview }, quantity }: ZeroedOnProps) {
  const asked = waysAsked(preview, quantity, draft.with, otherGauges(draft, quantity))
  return asked.map(({ end, axis, usual }) => (
    <Choice<Way | 'touch'>
      key={end}
      label={wayQuestion(quantity, end, axis, preview.sheet.plane)}
      value={draft.ways?.[end] ?? usual}
      onChange={(way) => {
        const { [end]: _before, ...others } = draft.ways ?? {}
        change({ ways: way === 'touch' ? others : { ...others, [end]: way } })
      }}
      options={[
        ...(usual === 'touch' ? [{ value: 'touch' as const, label: 'into the touch' }] : []),
        { value: '-', label: axis === 'Z' ? 'lowering' : `moving ${axis}−` },
        { value: '+', label: axis === 'Z' ? 'rising' : `moving ${axis}+` },
      ]}
      note={
        usual === undefined && draft.ways?.[end] === undefined
          ? 'Not said, the lost motion goes into the uncertainty.'
          : undefined
      }
    />
  ))
}

const otherGauges = (draft: ReadingInHand['draft'], quantity: QuantityName): readonly string[] =>
  quantity.of === 'carried-difference' ? draft.withOnPlane : (draft.withOnFrom ?? draft.with)

function wayQuestion(
  quantity: QuantityName,
  end: WayEnd,
  axis: MachineAxis,
  plane: string,
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

/** Whether there is anything to say of how a reading is made: a gauge that serves it, or a screw whose side matters. */
const hasCircumstances = (
  { draft, preview }: Pick<ReadingInHand, 'draft' | 'preview'>,
  quantity: QuantityName,
): boolean =>
  (quantity.of !== 'sweep' && quantity.of !== 'tool-diameter') ||
  preview.sheet.gauges.some(({ kind }) =>
    gaugeServes(kind, moduleOf(quantity).purpose, axisOfQuantity(quantity)),
  ) ||
  waysAsked(preview, quantity, draft.with, otherGauges(draft, quantity)).length > 0

/** What the touch is made with and how it was met, in a few words; empty where there is nothing to say of it. */
export function betweenWords({ draft, preview }: ReadingInHand, quantity: QuantityName): string {
  const using = gaugeNames(preview, draft.with)
  const came = draft.ways?.own === '+' ? ', rising' : draft.ways?.own === '-' ? ', lowering' : ''
  if (!hasCircumstances({ draft, preview }, quantity)) return ''
  if (quantity.of === 'sweep') return using === '' ? 'which dial, from where' : using
  if (quantity.of === 'tool-diameter') return using === '' ? 'measured with …' : using
  if (axisOfQuantity(quantity) !== 'Z') return using === '' ? 'name the finder' : using
  const there = gaugeNames(
    preview,
    quantity.of === 'carried-difference' ? draft.withOnPlane : (draft.withOnFrom ?? []),
  )
  // Both ends fill the line; how they were met is a tap away.
  if (there !== '') return `${there} / ${using === '' ? 'nothing' : using}`
  return `${using === '' ? 'nothing between' : using}${came}`
}
