/** Where a reading was made that is taken over. */
export interface Kept {
  /** The set-up and the reading in it. */
  readonly setup: string
  readonly reading: string
  /** What the set-up is called, who read it and when (ISO 8601): it grows old from then on. */
  readonly name: string
  readonly by: string
  readonly at: string
  /** Its number was proven there by a cautious move. */
  readonly proven?: true
  /**
   * Which generation of the plane it was made in: touches that tell the same one were made while the plane lay in one
   * place, as far as the shop knows. Where it is not told, only what comes from one set-up is taken to be of one.
   */
  readonly generation?: string
  /** It is touched again all the same: all that is taken over stands or falls with it. */
  readonly check?: true
}

/** When it was read, in whichever set-up that was. ISO 8601. */
export const readAt = ({ at, kept }: { readonly at: string; readonly kept?: Kept }): string =>
  kept?.at ?? at
