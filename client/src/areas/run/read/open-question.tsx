import { type QuantityName } from '@pine/core/quantities'
import type { LoadedSetup } from '@/data/setup/standing'
import { Overlay } from '@/kit/frame/overlay'
import { GaugesBetween } from './circumstances/circumstances'
import { PositionChoice } from './position/position-choice'
import { SpindleChoice, type SpindleQuestionKind } from './circumstances/spindle-question'
import type { useReading } from './use-reading'

/** What of a touch is being answered above it: its gauges, which number of the display it is, or a tool. */
export type OpenQuestion = 'gauges' | 'position' | SpindleQuestionKind

export interface LookedUpProps {
  readonly setup: LoadedSetup
  readonly reading: ReturnType<typeof useReading>
  readonly quantity: QuantityName
  readonly question: OpenQuestion
  readonly onClose: () => void
}

/** A question of a touch, above everything else until it is answered. */
export function LookedUp({ question, ...of }: LookedUpProps) {
  return (
    <Overlay onClose={of.onClose}>
      {question === 'position' ? (
        <PositionChoice {...of} />
      ) : question === 'gauges' ? (
        <GaugesBetween {...of} />
      ) : (
        <SpindleChoice reading={of.reading} question={question} onClose={of.onClose} />
      )}
    </Overlay>
  )
}
