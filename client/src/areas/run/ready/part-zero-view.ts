import { type AxisMarks } from '@pine/core/facts'
import { PART_ZERO_AXES, partZeroOf, standingCheckOff } from '@pine/core/plan'
import { describeCheck, describePartZero, type CheckWords } from '@pine/core/words'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'
import {
  countsMissing,
  countsOf,
  dialsIn,
  marksOf,
  wasAt,
  type DialsCount,
  type MarksToRead,
  type MarksOutcome,
  type WrittenMarks,
} from './marks'

/** Dials at part zero: written down, and after a lost home held against what was written down. */
export type PartZeroView =
  | {
      readonly shows: 'done'
      readonly words: CheckWords
      readonly marks: AxisMarks
      readonly left: string | undefined
    }
  | (MarksToRead & {
      readonly shows: 'write' | 'compare'
      /** Enters that it is left out, and why. */
      readonly leaveOut: (why: string) => FactDraft
    })

/** @returns undefined on a machine that finds its zero by switches. */
export function partZeroView(
  { document, solution }: LoadedSetup,
  written: WrittenMarks,
  counts: DialsCount,
): PartZeroView | undefined {
  const words = describeCheck(document, 'part-zero')
  const done = standingCheckOff(document, 'part-zero')
  if (done?.of === 'part-zero')
    return { shows: 'done', words, marks: done.marks, left: done.leftOut }
  const home = standingCheckOff(document, 'home')
  // The dials are those of the marks: which way they count was said there.
  const fromHome = countsOf((home?.of === 'home' ? home.marks : undefined) ?? {})
  const known = { ...counts, ...fromHome }
  const marks = marksOf(written, known)
  const zero = partZeroOf(document, marks)
  if (zero === undefined) return undefined
  const { row, was, off, elsewhere } = zero
  const write = lengthWriter(solution)
  const dials = dialsIn(marks).filter((axis) => fromHome[axis] === undefined)
  const lines = PART_ZERO_AXES.flatMap((axis) => {
    const by = off[axis]
    if (by === undefined) return []
    const wrong = elsewhere.includes(axis)
    const text = describePartZero(axis, by, wrong, (nm) => `${write(nm)} ${solution.unit}`)
    return [{ key: axis, wrong, words: text }]
  })
  const wrong = lines.find((line) => line.wrong)
  const missing: MarksOutcome | undefined =
    dialsIn(marks).length === 0
      ? { missing: 'Type what the X or the Y dial shows there, or say why it is left out.' }
      : (countsMissing(dials, known) ?? (wrong && { missing: wrong.words }))
  return {
    shows: was === undefined ? 'write' : 'compare',
    sentence:
      was === undefined
        ? words.sentence
        : `Drive to X0 Y0 of ${row}. Do the dials show what they did?`,
    points: words.points,
    caution: words.caution,
    was: (key) => wasAt(was, key),
    dials,
    lines,
    outcome: missing ?? { facts: [{ kind: 'check-off', body: { of: 'part-zero', row, marks } }] },
    leaveOut: (leftOut) => ({
      kind: 'check-off',
      body: { of: 'part-zero', row, marks: {}, leftOut },
    }),
  }
}
