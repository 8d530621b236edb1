import { type SetupDocument } from '@pine/core/facts'
import type { StepState } from '@pine/core/plan'
import { stepName } from '@pine/core/words'
import { refuse } from '../../refusal'
import { noStream } from './stream-refusals'

// Why something is not done to a set-up, in words.

export const stepsOpen = (document: SetupDocument, open: readonly StepState[]) =>
  refuse('steps-open', {
    message: `${open.map(({ step }) => stepName(document, step)).join(', ')} ${open.length === 1 ? 'is' : 'are'} still open.`,
    expected: 'every step done: read, keyed in and read back, proven, seen to',
    received: open.map(({ step, trust }) => `${step.key} ${trust}`).join(', '),
    remedy: 'Do what is open, or leave it out with a reason, then release.',
  })

/**
 * A long job has some hundreds of facts. Each new one works the whole set-up out again: one without end would hold up all
 * the others.
 */
export const MOST_FACTS = 20_000

export const setupFull = () =>
  refuse('set-up-full', {
    message: `This set-up has ${MOST_FACTS.toLocaleString('en')} facts and takes no more.`,
    expected: 'a set-up of one job',
    received: 'a stream that goes on without end',
    remedy: 'Begin the same job again from its menu; this one stays as it is.',
  })

export const noRecord = (id: string) =>
  refuse('not-found', {
    message: 'There is no such record of this set-up.',
    expected: 'the id of a release of this set-up',
    received: id,
    remedy: 'Open the set-up anew: its releases are told there.',
  })

export const noSetup = (id: string) => noStream('setup', id)
