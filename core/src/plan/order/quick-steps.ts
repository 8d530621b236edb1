import { addressParts } from '../../address/address'
import type { SetupDocument } from '../../facts/document'
import type { SetupSheet } from '../../sheet/sheet'
import type { Station, Step } from './step'

const OF_ROWS: readonly Station[] = ['plan', 'height']

/**
 * What a quick one asks: home, its touches and its numbers. What comes before a cut (clean seats, the vise, proof, dry run, release)
 * is asked once it has become a job.
 */
export const isAskedQuickly =
  ({ quick }: Pick<SetupSheet, 'quick'>) =>
  (step: Step): boolean => {
    switch (step.does) {
      case 'check':
        return step.check === 'home'
      case 'read':
        return quick === 'row' || !OF_ROWS.includes(step.station)
      case 'key-in':
        return quick === 'row' || addressParts(step.address)?.of !== 'work-offset'
      case 'sheet':
      case 'prove':
      case 'record':
        return false
    }
  }

/** A quick one as the job that it may become: with all that is asked before a cut. */
export function asJob(document: SetupDocument): SetupDocument {
  const { quick: _quick, ...sheet } = document.sheet
  return { ...document, sheet }
}
