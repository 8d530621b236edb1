/** Why a reading may be replaced by another of the same quantity, as the screens offer it; a file may give any words. */
export const REPLACED_BECAUSE = [
  'misread',
  'touched again',
  'another gauge',
  'tool re-gripped',
] as const

export type ReplacedBecause = (typeof REPLACED_BECAUSE)[number]

/** Reasons after which the reading that was replaced tells nothing of what was there: a slip, or another length of the tool. */
const TELLS_NOTHING: readonly string[] = ['misread', 'tool re-gripped'] satisfies ReplacedBecause[]

/**
 * Whether a reading that was replaced for this reason was right when it was made: then it and its replacement should
 * agree, and where they do not something moved between them.
 */
export const wasRightThen = (reason: string | undefined): boolean =>
  !TELLS_NOTHING.includes(reason ?? '')
