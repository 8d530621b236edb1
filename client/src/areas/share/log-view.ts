import type { SetupDocument, SetupFact } from '@pine/core/facts'
import { storyOf, type StoryKind, type StoryLine } from '@pine/core/words'
import { dayWords } from '@/kit/when'

/** What of a story is shown: of one kind, and with these words in it. */
export interface LogFilter {
  readonly tells: StoryKind | 'all'
  readonly find: string
}

/** The lines of a day, the last one first. */
export interface LogDay {
  readonly day: string
  readonly lines: readonly StoryLine[]
}

export const STORY_NAMES: Readonly<Record<StoryKind | 'all', string>> = {
  all: 'all',
  measured: 'measured',
  keyed: 'keyed and read back',
  changed: 'changes',
  'seen-to': 'checks and proofs',
  program: 'program',
  other: 'the rest',
}

/** A set-up's facts as days, the last day first: what somebody looks for is nearly always late. */
export function logView(
  document: SetupDocument,
  facts: readonly SetupFact[],
  { tells, find }: LogFilter,
  now = new Date(),
): readonly LogDay[] {
  const words = find
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '')
  const days: { day: string; lines: StoryLine[] }[] = []
  for (const line of storyOf(document, facts).toReversed()) {
    if (tells !== 'all' && line.tells !== tells) continue
    const text = `${line.by} ${line.words}`.toLowerCase()
    if (!words.every((word) => text.includes(word))) continue
    const day = dayWords(line.at, now)
    const last = days.at(-1)
    if (last?.day === day) last.lines.push(line)
    else days.push({ day, lines: [line] })
  }
  return days
}
