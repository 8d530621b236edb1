import type { SetupDocument } from '../../facts/document'
import type { StaleReason } from '../../freshness/stale'
import { describeEvent } from '../setup/event-words'
import { describeStep } from './step-words'
import { lengthWords } from '../typographic'

/** Which of a reading and an event came first, asked of a person who knows of both. */
export interface OrderQuestion {
  readonly question: string
  readonly reading: string
  readonly event: string
  readonly readingFirst: string
  readonly eventFirst: string
}

/** Undefined where the reading is none of the set-up's. */
export function describeOrderQuestion(
  document: SetupDocument,
  { reading: id, event }: Extract<StaleReason, { by: 'order' }>,
): OrderQuestion | undefined {
  const reading = document.readings.find((one) => one.id === id)
  if (reading === undefined) return undefined
  const { gauges } = document.sheet
  return {
    question: 'Which came first?',
    reading: `${describeStep(document, reading, []).title}: ${lengthWords(reading.read)}, read by ${reading.by.name}`,
    event: `${describeEvent(event, gauges)}, told by ${event.by.name}`,
    readingFirst: 'The reading',
    eventFirst: 'The change',
  }
}
