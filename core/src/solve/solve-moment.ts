/** When it is asked: core knows no clock. Without it no number is stale by age. */
export interface SolveMoment {
  /** ISO 8601 with zone. */
  readonly now?: string
}
