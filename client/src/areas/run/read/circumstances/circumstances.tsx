import { useState } from 'react'
import { axisOfQuantity, type QuantityName } from '@pine/core/quantities'
import { type Way } from '@pine/core/touch'
import { Button } from '@/kit/button'
import { Choice, Several } from '@/kit/entry/choice'
import { Column } from '@/kit/surfaces'
import {
  exchanged,
  gaugeQuestion,
  gaugesServing,
  wayQuestion,
  waysOfReading,
  zeroEnds,
} from './circumstances-view'
import type { useReading } from '../use-reading'

export interface ZeroedOnProps {
  readonly reading: ReturnType<typeof useReading>
  readonly quantity: QuantityName
}

/** Where the counter was zeroed: asked in words, so that nobody has to know the sign. */
export function ZeroedOn({ reading: { draft, change, preview }, quantity }: ZeroedOnProps) {
  return (
    <Choice
      label="Where was the counter zeroed?"
      value={draft.zeroedOn}
      onChange={(zeroedOn) => change({ zeroedOn })}
      options={zeroEnds(preview, quantity)}
    />
  )
}

export interface GaugesBetweenProps extends ZeroedOnProps {
  readonly onClose: () => void
}

/** What lies beneath or stands in the spindle at this touch, and the way it was met: it belongs to the touch, not to the day. */
export function GaugesBetween({ reading, quantity, onClose }: GaugesBetweenProps) {
  const { draft, change, preview } = reading
  const serving = gaugesServing(preview, quantity)
  const none = axisOfQuantity(quantity) === 'Z' ? 'nothing' : 'not named'
  const [isStacking, setStacking] = useState(draft.with.length > 1)
  const { withOnFrom = draft.with, withOnPlane } = draft
  const of = (before: readonly string[], chosen: readonly string[]) =>
    exchanged(preview, before, chosen, isStacking)
  return (
    <Column gap="$4">
      {quantity.of === 'carried-difference' && (
        <Several
          label={`What lay between at the ${preview.sheet.plane}?`}
          options={serving}
          values={withOnPlane}
          onChange={(chosen) => change({ withOnPlane: of(withOnPlane, chosen) })}
          none={none}
        />
      )}
      {quantity.of === 'fixture-difference' && (
        <Several
          label={`What lay between at the part of ${quantity.from}?`}
          options={serving}
          values={withOnFrom}
          onChange={(chosen) => change({ withOnFrom: of(withOnFrom, chosen) })}
          none={none}
        />
      )}
      <Several
        label={gaugeQuestion(quantity)}
        options={serving}
        values={draft.with}
        onChange={(chosen) => change({ with: of(draft.with, chosen) })}
        none={none}
      />
      <Button onPress={() => setStacking(!isStacking)} testID="stacking">
        {isStacking ? 'Only one of them lies there' : 'Another one on top of it'}
      </Button>
      {quantity.of === 'face' && (
        <Choice
          label="Where does the axis stand now?"
          value={draft.movedOver === true ? 'over' : 'touch'}
          onChange={(stands) => change({ movedOver: stands === 'over' })}
          options={[
            { value: 'touch', label: 'at the touch' },
            { value: 'over', label: 'over the face: moved on by half the tip' },
          ]}
        />
      )}
      {quantity.of === 'sweep' && (
        <Choice
          label="Push the dial’s plunger in: its number …"
          value={draft.dialFalls === true ? 'falls' : 'rises'}
          onChange={(counts) => change({ dialFalls: counts === 'falls' })}
          options={[
            { value: 'rises', label: 'rises' },
            { value: 'falls', label: 'falls' },
          ]}
        />
      )}
      <WaysCame reading={reading} quantity={quantity} />
      <Button kind="act" onPress={onClose}>
        Done
      </Button>
    </Column>
  )
}

/** From which side each screw was met: asked where the machine declares its backlash, and nowhere else. */
function WaysCame({ reading: { draft, change, preview }, quantity }: ZeroedOnProps) {
  const ways = waysOfReading(preview, draft, quantity)
  return ways.map(({ end, axis, usual }) => (
    <Choice<Way | 'touch'>
      key={end}
      label={wayQuestion(preview, quantity, end, axis)}
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
          ? 'Left open, the backlash is added to the uncertainty.'
          : undefined
      }
    />
  ))
}
