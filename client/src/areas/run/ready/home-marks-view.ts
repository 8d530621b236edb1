import { type MachineAxis } from '@pine/core/address'
import { type HomeMarks } from '@pine/core/freshness'
import { formatLength, type WrittenLength } from '@pine/core/length'
import { recoveryOf, standingCheckOff } from '@pine/core/plan'
import { describeCheck, describeMarks, typographic, type CheckWords } from '@pine/core/words'
import type { Said } from '@/data/outbox/said'
import type { StandingSetup } from '@/data/setup/standing'

export const AXES = ['X', 'Y', 'Z'] as const
export type MarkKey = `${MachineAxis}${'dial' | 'coarse'}`

/** Home by marks: written down once, and after a loss held against what was written down. */
export type HomeMarksView =
  | { readonly shows: 'done'; readonly words: CheckWords; readonly marks: HomeMarks | undefined }
  | {
      readonly shows: 'write' | 'find'
      readonly sentence: string
      readonly points: readonly string[]
      readonly caution: string
      readonly next: string
      /** Where a mark stood when zero was set; empty where it never was. */
      readonly was: (key: MarkKey) => string
      readonly found: readonly {
        readonly axis: MachineAxis
        readonly words: string
        readonly wrong: boolean
      }[]
      /** What going on enters; undefined where the marks do not tell where zero is. */
      readonly facts: readonly Said[] | undefined
    }

/** @param written what is typed of each mark so far; an empty text is a mark that is still to be read. */
export function homeMarksView(
  { document, solution }: StandingSetup,
  written: (key: MarkKey) => WrittenLength,
): HomeMarksView {
  const { sheet } = document
  const words = describeCheck(document, 'home')
  const done = standingCheckOff(document, 'home')
  if (done !== undefined)
    return { shows: 'done', words, marks: done.of === 'home' ? done.marks : undefined }
  const marks: HomeMarks = {
    X: { dial: written('Xdial'), coarse: written('Xcoarse') },
    Y: { dial: written('Ydial'), coarse: written('Ycoarse') },
    Z: { dial: written('Zdial'), coarse: written('Zcoarse') },
  }
  const checked: Said = { kind: 'check-off', body: { of: 'home', marks } }
  const recovery = recoveryOf(document, marks)
  const { caution } = words
  if (recovery === undefined)
    return {
      shows: 'write',
      sentence: words.sentence,
      points: words.points,
      caution,
      next: 'Zeroed',
      was: () => '',
      found: [],
      facts: [checked],
    }
  const { shift } = recovery
  return {
    shows: 'find',
    sentence: 'Find the zero again: same marks, same side.',
    points: [
      'Turn each dial to where it stood, in the turn the scale names, and zero there. Then write down what they show now.',
    ],
    caution,
    next: 'Found',
    was: (key) => wasAt(recovery.marks, key),
    found: AXES.flatMap((axis) => {
      const found = recovery.axes[axis]
      if (found === undefined) return []
      return [
        {
          axis,
          wrong: !found.certain || found.turns !== 0,
          words: describeMarks(
            axis,
            found,
            (nm) => `${typographic(formatLength(nm, sheet.unit, solution.decimals))} ${sheet.unit}`,
          ),
        },
      ]
    }),
    facts:
      shift === undefined
        ? undefined
        : [{ kind: 'event', body: { kind: 'home-recovered', shift } }, checked],
  }
}

/** Where a dial or a scale stood when zero was set. */
function wasAt(marks: HomeMarks, key: MarkKey): string {
  const mark = marks[key.charAt(0) as MachineAxis]
  return key.endsWith('dial') ? mark.dial.text : mark.coarse.text
}
