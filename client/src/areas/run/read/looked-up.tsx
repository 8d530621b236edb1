import { type QuantityName } from '@pine/core/quantities'
import type { LoadedSetup } from '@/data/setup/standing'
import { Overlay } from '@/kit/frame/overlay'
import { GaugesBetween } from './circumstances/circumstances'
import { PositionChoice } from './position/position-choice'
import { SpindleChoice, type SpindleAsked } from './circumstances/spindle-question'
import type { useReading } from './use-reading'

/** What of a touch is being answered above it: its gauges, which number of the display it is, or a tool. */
export type Asks = 'gauges' | 'position' | SpindleAsked

export interface LookedUpProps {
  readonly setup: LoadedSetup
  readonly reading: ReturnType<typeof useReading>
  readonly quantity: QuantityName
  readonly asks: Asks
  readonly onClose: () => void
}

/** A question of a touch, above everything else until it is answered. */
export function LookedUp({ asks, ...of }: LookedUpProps) {
  return (
    <Overlay onClose={of.onClose}>
      {asks === 'position' ? (
        <PositionChoice {...of} />
      ) : asks === 'gauges' ? (
        <GaugesBetween {...of} />
      ) : (
        <SpindleChoice reading={of.reading} asked={asks} onClose={of.onClose} />
      )}
    </Overlay>
  )
}
