import type { NewFact } from '@pine/contract'

type WithoutId<Fact> = Fact extends unknown ? Omit<Fact, 'id'> : never

/** What a person says: a fact before it has its id, who, when and place. */
export type FactDraft = WithoutId<NewFact>

export type Enter = (draft: FactDraft) => Promise<void>
