/** What a judgement says: what it is, why it matters, what to do. */
export interface JudgementWords {
  readonly title: string
  readonly why: string
  readonly remedy: string
}
