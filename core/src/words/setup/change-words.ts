import type { SetupEvent } from '../../facts/bodies/event'

/** What may change in the middle of a job, as a person would say it. */
export const CHANGE_NAMES: Readonly<Record<SetupEvent['kind'], string>> = {
  'tool-changed': 'A tool broke, or was changed or re-gripped',
  'part-changed': 'Another part is in',
  'plane-moved': 'The setter or the setting plane was moved',
  'order-told': 'Which of two that did not know of each other came first',
  corrected: 'A register was corrected after a part was measured',
  rebased: 'Carry lengths over by a tool touched again',
  'home-lost': 'Power cut, or home was lost',
  'cycle-broken': 'A tool was changed by hand, without the control’s tool change',
  'home-recovered': 'Home was found again by its marks',
  'external-changed': 'The external offset was changed',
  'tool-rechecked': 'A tool was measured again',
  'row-stands': 'A row stands as the control shows it',
  'counter-zeroed': 'The relative counter was zeroed anew',
  'unit-changed': 'The control was switched to another unit',
  'check-failed': 'A gauge failed its check',
  'gauge-measured': 'A gauge was measured anew',
}
