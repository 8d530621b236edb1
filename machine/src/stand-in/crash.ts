import { BODY_NAMES, type Met } from '../shop'

export type CrashWhy = 'rapid' | 'pressed' | 'holder' | 'spring' | 'turning' | 'still'

/** What met what, and why that is one. */
export interface Crash {
  readonly why: CrashWhy
  readonly what: Met['what']
  readonly body: string
  /** How far in, nanometres, at the most. */
  readonly by: number
  readonly words: string
}

/** A hand feels a tip on hard metal before it is pressed in further. Common practice, no source. */
const FELT_NM = 30_000

const WHAT = { tip: 'The tip', holder: 'The holder', nose: 'The spindle nose' } as const

/**
 * Whether a meeting is a crash, and why.
 *
 * @param how the axes move: by a hand, by feed, or by rapid.
 * @param spindle turns a minute.
 */
export function crashOf(
  { what, body, by }: Met,
  how: 'hand' | 'feed' | 'rapid',
  spindle: number,
): Crash | undefined {
  const why = whyOf({ what, body, by } as Met, how, spindle)
  if (why === undefined) return undefined
  const met = `${WHAT[what]} met ${BODY_NAMES[body.kind]}`
  return { why, what, body: body.id, by, words: `${met} ${ENDS[why]}` }
}

const ENDS: Readonly<Record<CrashWhy, string>> = {
  rapid: 'at rapid.',
  pressed: 'and was pressed in.',
  holder: ': nothing of it cuts.',
  spring: ': it was driven past its spring.',
  turning: 'while the spindle turned.',
  still: 'at feed, with the spindle standing still.',
}

function whyOf(
  { what, body, by }: Met,
  how: 'hand' | 'feed' | 'rapid',
  spindle: number,
): CrashWhy | undefined {
  if (body.springs !== undefined && spindle !== 0) return 'turning'
  if (body.springs !== undefined) return 'spring'
  if (what !== 'tip') return 'holder'
  if (how === 'rapid') return 'rapid'
  if (how === 'hand') return by > FELT_NM ? 'pressed' : undefined
  if (body.kind === 'part') return spindle === 0 ? 'still' : undefined
  return 'pressed'
}
