import { axisOfQuantity, GAUGE_FACTS, gaugeNames, type QuantityName } from '@pine/core'
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

/** What lies beneath or stands in the spindle at this touch: it belongs to the touch, not to the day. */
export function GaugesBetween({
  reading: { draft, change, preview },
  quantity,
  onClose,
}: GaugesBetweenProps) {
  const inZ = axisOfQuantity(quantity) === 'Z'
  const serving = preview.sheet.gauges
    .filter(({ kind }) => (inZ ? GAUGE_FACTS[kind].shareInZ : GAUGE_FACTS[kind].shareInXY) !== null)
    .map(({ id, name, size }) => ({ value: id, label: `${name} · ${size.text} ${size.unit}` }))
  const between = (
    <Several
      label={
        quantity.of === 'carried-difference'
          ? 'What lay between at the part?'
          : inZ
            ? 'What lies between?'
            : 'What touches the face?'
      }
      options={serving}
      values={draft.with}
      onChange={(using) => change({ with: using })}
      none={inZ ? 'nothing' : 'not named'}
    />
  )
  return (
    <Column gap="$4">
      {quantity.of === 'carried-difference' && (
        <Several
          label={`What lay between at the ${preview.sheet.plane}?`}
          options={serving}
          values={draft.withOnPlane}
          onChange={(withOnPlane) => change({ withOnPlane })}
          none="nothing"
        />
      )}
      {between}
      <Button kind="act" onPress={onClose}>
        Done
      </Button>
    </Column>
  )
}

/** What the touch is made with, in a few words. */
export function betweenWords({ draft, preview }: ReadingInHand, quantity: QuantityName): string {
  const using = gaugeNames(preview, draft.with)
  if (quantity.of === 'sweep' || quantity.of === 'tool-diameter') return ''
  if (axisOfQuantity(quantity) !== 'Z') return using === '' ? 'name the finder' : using
  const onPlane = gaugeNames(preview, draft.withOnPlane)
  if (onPlane !== '') return `${onPlane} / ${using === '' ? 'nothing' : using}`
  return using === '' ? 'nothing between' : using
}
