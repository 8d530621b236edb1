import { type Chain } from '@pine/core/chain'
import { appendFact, type SetupBodies, type SetupDocument, type SetupFact } from '@pine/core/facts'
import { type SaidOf } from '@pine/core/journal'

/** A fact that is only looked at before it is entered: who and when do not matter. */
const PREVIEW = 'preview'

const STAMP = { id: PREVIEW, by: { name: '' }, at: '', via: 'typed' } as const

/** Whether a number leans on what is only looked at: it is not read yet. */
export const isPreviewed = ({ terms }: Chain): boolean =>
  terms.some(({ source }) => source.reading === PREVIEW)

/** What every fact carries, for one that would be entered now. */
export const previewed = ({ length }: Pick<SetupDocument, 'length'>) => ({
  ...STAMP,
  place: length,
})

/** The set-up as it would stand with one more fact. */
export const withPreview = (document: SetupDocument, draft: SaidOf<SetupBodies>): SetupDocument =>
  appendFact(document, { ...STAMP, ...draft } as SetupFact)
