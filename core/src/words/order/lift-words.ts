import type { LiftPlace } from '../../facts/bodies/proving'

/** What the control adds to every row, in Z. */
export const EXTERNAL_OFFSET_Z = 'external offset Z'

/** Where a lift was typed, as it is said in a sentence. */
export const LIFT_PLACE_WORDS: Readonly<Record<LiftPlace, string>> = {
  'external-offset': 'the external offset Z',
  'work-offsets': 'Z of each work offset',
  lengths: 'each length register',
}
