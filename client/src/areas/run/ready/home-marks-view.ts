import { AXES } from '@pine/core/address'
import { type AxisMarks } from '@pine/core/facts'
import { knownPlaces, recoveryOf, standingCheckOff, type Recovery } from '@pine/core/plan'
import { describeCheck, describeMarks, marksAnew, type CheckWords } from '@pine/core/words'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'
import type { FoundByMarks } from './home-again-view'
import {
  countsMissing,
  countsOf,
  dialsIn,
  marksOf,
  wasAt,
  type DialsCount,
  type MarksToRead,
  type MarksLine,
  type WrittenMarks,
} from './marks'

/** Home by marks: written down once, and after a loss held against what was written down. */
export type HomeMarksView =
  | { readonly shows: 'done'; readonly words: CheckWords; readonly marks: AxisMarks | undefined }
  | (MarksToRead & {
      readonly shows: 'write' | 'find'
      readonly next: string
      /** After a loss, once the marks are whole and where a known place can be touched to check them: what they say. */
      readonly found: FoundByMarks | undefined
      /** A machine without any mark goes on with this. */
      readonly without: readonly FactDraft[] | undefined
    })

type MarksAsked = Exclude<HomeMarksView, { shows: 'done' }>

export function homeMarksView(
  setup: LoadedSetup,
  written: WrittenMarks,
  counts: DialsCount,
): HomeMarksView {
  const { document } = setup
  const words = describeCheck(document, 'home')
  const done = standingCheckOff(document, 'home')
  if (done !== undefined)
    return { shows: 'done', words, marks: done.of === 'home' ? done.marks : undefined }
  const recovery = recoveryOf(document, marksOf(written, counts))
  const view =
    recovery === undefined
      ? writeView(words, marksOf(written, counts), counts)
      : findView(setup, words, recovery, written, { ...counts, ...countsOf(recovery.marks) })
  return hasKnownPlace(setup) ? view : { ...view, found: undefined }
}

/** Whether home was lost, and a place can be touched that was read before. */
export const hasKnownPlace = ({ document }: Pick<LoadedSetup, 'document'>): boolean =>
  knownPlaces(document).length > 0

function writeView(words: CheckWords, marks: AxisMarks, counts: DialsCount): MarksAsked {
  const dials = dialsIn(marks)
  const missing =
    Object.keys(marks).length === 0
      ? {
          missing:
            'Write down the dial or the scale of one axis at least, or say that there are no marks.',
        }
      : countsMissing(dials, counts)
  return {
    shows: 'write',
    sentence: words.sentence,
    points: words.points,
    caution: words.caution,
    next: 'Zeroed',
    was: () => '',
    dials,
    lines: [],
    outcome: missing ?? { facts: [atHome(marks)] },
    found: missing === undefined ? { marks, shift: {} } : undefined,
    without: [{ kind: 'check-off', body: { of: 'home' } }],
  }
}

function findView(
  { solution }: LoadedSetup,
  { caution }: CheckWords,
  recovery: Recovery,
  written: WrittenMarks,
  counts: DialsCount,
): MarksAsked {
  const { shift, axes, anew } = recovery
  const marks = marksOf(written, counts)
  // Of a dial that was not written down before it is asked which way it counts.
  const dials = dialsIn(marks).filter((axis) => recovery.marks[axis]?.dial === undefined)
  const missing = countsMissing(dials, counts)
  const write = lengthWriter(solution)
  const found = AXES.flatMap((axis): readonly MarksLine[] => {
    const one = axes[axis]
    if (one === undefined) return []
    const text = describeMarks(axis, one, (nm) => `${write(nm)} ${solution.unit}`)
    return [{ key: axis, wrong: !one.certain || one.turns !== 0, words: text }]
  })
  return {
    shows: 'find',
    sentence: 'Find the zero again: same marks, same side.',
    points: [
      'Turn each dial to where it stood, in the same turn, and zero there. Then write down what they show now.',
    ],
    caution,
    next: 'Found',
    was: (key) => wasAt(recovery.marks, key),
    dials,
    lines:
      anew.length === 0 ? found : [...found, { key: 'anew', wrong: true, words: marksAnew(anew) }],
    outcome:
      shift === undefined
        ? { missing: notFound(recovery, found) }
        : (missing ?? { facts: [...recovered(shift), atHome(marks)] }),
    found: shift === undefined || missing !== undefined ? undefined : { marks, shift },
    without: undefined,
  }
}

const atHome = (marks: AxisMarks): FactDraft => ({ kind: 'check-off', body: { of: 'home', marks } })

/** Where no axis was found again nothing is carried over: home is a new one. */
const recovered = (shift: NonNullable<Recovery['shift']>): readonly FactDraft[] =>
  Object.keys(shift).length === 0
    ? []
    : [{ kind: 'event', body: { kind: 'home-recovered', shift } }]

/** What is in the way: a dial in no certain turn, or the other number of an axis. */
function notFound({ axes, anew, marks }: Recovery, found: readonly MarksLine[]): string {
  const uncertain = AXES.find((axis) => axes[axis]?.certain === false)
  if (uncertain !== undefined) return found.find(({ key }) => key === uncertain)?.words ?? uncertain
  const half = AXES.find((axis) => axes[axis] === undefined && !anew.includes(axis))
  return `Type what the ${half ?? ''} dial${half && marks[half]?.coarse ? ' and its scale show' : ' shows'} now, or leave ${half ?? 'it'} empty: then what was read along ${half ?? 'it'} is touched again.`
}
