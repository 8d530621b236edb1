import type { ProgramJudgement } from './program-judgement'
import type { ProgramJudgementCode } from '../program-reading'

/**
 * How much a judgement weighs: `danger` can crash or scrap, `look` may be meant, `note` is good to know.
 * Common practice, no source.
 */
export const JUDGEMENT_SEVERITIES: Readonly<
  Record<ProgramJudgementCode, ProgramJudgement['severity']>
> = {
  'length-differs-from-tool': 'danger',
  'moves-before-length': 'danger',
  'compensation-not-cancelled': 'danger',
  'shift-active': 'danger',
  'writes-offset': 'danger',
  'home-goes-down': 'danger',
  'tool-not-changed': 'danger',
  'unit-differs': 'danger',
  'length-not-set': 'danger',
  'length-stale': 'danger',
  'offset-not-on-sheet': 'danger',
  'offset-not-set': 'danger',
  'offset-stale': 'danger',
  'beyond-travel': 'danger',
  'cuts-far-beneath': 'danger',
  'tool-not-on-sheet': 'danger',
  'head-grips-nothing': 'danger',
  'head-differs': 'look',
  'diameter-not-set': 'danger',
  'diameter-stale': 'danger',
  'substitute-not-compensated': 'danger',
  'substitute-compensated': 'look',
  'speed-above-finder': 'note',
  'rapid-below-zero': 'look',
  'speed-above-limit': 'look',
  'speed-only-in-comment': 'look',
  'feeds-for-another-override': 'look',
  'reaches-parallels': 'look',
  'lift-active': 'look',
  'diameter-differs-from-tool': 'look',
  'length-not-cancelled': 'look',
  'units-switched': 'look',
  'cancel-moves-all-axes': 'look',
  'reaches-jaws': 'look',
  'length-unproven': 'look',
  'no-length-registers': 'look',
  'offset-unproven': 'look',
  'offset-not-used': 'note',
  'no-safe-line': 'note',
  'no-unit': 'note',
}
