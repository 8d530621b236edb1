import { appendFact, type SetupBodies, type SetupDocument, type SetupFact } from '@pine/core/facts'
import { type SaidOf } from '@pine/core/journal'

/** A fact that is only looked at before it is entered: who and when do not matter. */
const STAMP = { id: 'preview', by: { name: '' }, at: '', via: 'typed' } as const

/** What every fact carries, for one that would be entered now. */
export const previewed = ({ length }: Pick<SetupDocument, 'length'>) => ({
  ...STAMP,
  place: length,
})

/** The set-up as it would stand with one more fact. */
export const withPreview = (document: SetupDocument, said: SaidOf<SetupBodies>): SetupDocument =>
  appendFact(document, { ...STAMP, ...said } as SetupFact)
