import { AXES, type MachineAxis } from '@pine/core/address'
import { type AxisMark, type AxisMarks } from '@pine/core/facts'
import { type WrittenLength } from '@pine/core/length'
import type { FactDraft } from '@/data/outbox/fact-draft'

export type MarkKey = `${MachineAxis}${'dial' | 'coarse'}`

/** Which way the dials count, as far as it was said. */
export type DialsCount = Readonly<Partial<Record<MachineAxis, 'up' | 'down'>>>

/** What is typed of each mark so far; an empty text is a number that the axis does not have, or that is still to be read. */
export type WrittenMarks = (key: MarkKey) => WrittenLength

/** The boxes of some axes; each may stay empty, for not every axis has a dial or a scale. */
export const marksToRead = (axes: readonly MachineAxis[]) =>
  axes.flatMap((axis) => [
    { key: `${axis}dial` as MarkKey, label: `${axis} dial`, optional: true },
    { key: `${axis}coarse` as MarkKey, label: `${axis} scale`, optional: true },
  ])

/** What is typed, by axis: what is empty is not there. */
export function marksOf(written: WrittenMarks, counts: DialsCount): AxisMarks {
  return Object.fromEntries(
    AXES.flatMap((axis) => {
      const [dial, coarse] = [written(`${axis}dial`), written(`${axis}coarse`)]
      const mark: AxisMark = {
        ...(dial.text !== '' && { dial }),
        ...(dial.text !== '' && counts[axis] === 'down' && { dialFalls: true }),
        ...(coarse.text !== '' && { coarse }),
      }
      return Object.keys(mark).length === 0 ? [] : [[axis, mark]]
    }),
  )
}

/** The axes whose dial is typed: of these it is asked which way it counts. */
export const dialsIn = (marks: AxisMarks): readonly MachineAxis[] =>
  AXES.filter((axis) => marks[axis]?.dial !== undefined)

/** What going on enters, or why one cannot; which way a dial counts is pressed where that is said. */
export type MarksOutcome =
  | { readonly facts: readonly FactDraft[] }
  | { readonly missing: string; readonly counts?: MachineAxis }

/** Something that the marks tell. */
export interface MarksLine {
  readonly key: string
  readonly words: string
  readonly wrong: boolean
}

/** Dials and scales to be written down, or held against what they showed before. */
export interface MarksToRead {
  readonly sentence: string
  readonly points: readonly string[]
  readonly caution: string
  /** Where a mark stood before; empty where there is no before. */
  readonly was: (key: MarkKey) => string
  /** The dials of which it is asked which way they count. */
  readonly dials: readonly MachineAxis[]
  readonly lines: readonly MarksLine[]
  readonly outcome: MarksOutcome
}

/** The first dial of which nobody has said which way it counts. */
export function countsMissing(
  dials: readonly MachineAxis[],
  counts: DialsCount,
): Extract<MarksOutcome, { missing: string }> | undefined {
  const axis = dials.find((one) => counts[one] === undefined)
  return (
    axis && {
      missing: `Say which way the ${axis} dial counts as ${axis} moves towards plus.`,
      counts: axis,
    }
  )
}

/** Which way dials counted that were written down. */
export const countsOf = (marks: AxisMarks): DialsCount =>
  Object.fromEntries(
    dialsIn(marks).map((axis) => [axis, marks[axis]?.dialFalls === true ? 'down' : 'up']),
  )

/** Where a dial or a scale stood; empty where it was not written down. */
export function wasAt(marks: AxisMarks | undefined, key: MarkKey): string {
  const mark = marks?.[key.charAt(0) as MachineAxis]
  return (key.endsWith('dial') ? mark?.dial : mark?.coarse)?.text ?? ''
}
