import { type Person } from '@pine/contract'
import { type CheckOff } from '@pine/core/facts'
import { programViews, speakProgramView, type ProgramView } from '@pine/core/picture'
import { AXES, type MachineAxis } from '@pine/core/address'
import { axesAtHome, mayLook, standingCheckOff } from '@pine/core/plan'
import { parallelsThatFit } from '@pine/core/workholding'
import { type GaugeElsewise } from '@pine/core/freshness'
import { describeCheck, describeWarning, lengthWords, type CheckWords } from '@pine/core/words'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'

/** A grip that is none, or little: it is seen to only with the reason why it holds all the same. */
export const holdsAgainstAdvice = ({ solution, document }: LoadedSetup): boolean =>
  standingCheckOff(document, 'holding') === undefined &&
  solution.warnings.some(({ code }) => code === 'no-grip' || code === 'little-grip')

export const heldBecause = (because: string): FactDraft => ({
  kind: 'check-off',
  body: { of: 'holding', because },
})

/** Checks that are seen to and need nothing typed. */
export type SimpleCheck = Exclude<
  CheckOff['of'],
  'part-zero' | 'program' | 'air-cut' | 'first-part'
>

/** A step that is seen to: what to see to, who saw to it, and who may. */
export interface CheckView {
  readonly words: CheckWords
  readonly seen?: string
  /** Why this person may not: somebody else has to. */
  readonly barred?: string
  readonly text: string
  /** What going on enters: nothing where it was seen to already. */
  readonly facts: readonly FactDraft[]
}

export function checkView(
  { document }: LoadedSetup,
  check: SimpleCheck,
  person: Person | null | undefined,
  stop?: number,
): CheckView {
  const words = describeCheck(document, check, stop)
  const done = standingCheckOff(document, check, stop)
  const keyedBySame = check === 'look' && person && !mayLook(document, person)
  return {
    words,
    text: done === undefined ? words.done : 'Next',
    facts: done === undefined ? [{ kind: 'check-off', body: bodyOf(check, stop) }] : [],
    ...(done && {
      seen: `seen to by ${done.by.name}${done.leftOut === undefined ? '' : `, left out: ${done.leftOut}`}${'because' in done && done.because !== undefined ? `, because: ${done.because}` : ''}`,
    }),
    ...(keyedBySame &&
      done === undefined && {
        barred: `${person.name} read or keyed numbers in here. Somebody else signs in and looks.`,
      }),
  }
}

const bodyOf = (check: SimpleCheck, stop: number | undefined) =>
  check === 'cut' ? { of: check, tool: stop ?? 0 } : { of: check }

/** Home where the machine homes each axis by itself: which are home, and what saying more of them enters. */
export function homeAxesView({ document }: LoadedSetup, picked: readonly MachineAxis[]) {
  const atHome = axesAtHome(document)
  const fresh = picked.filter((axis) => !atHome.includes(axis))
  return {
    axes: AXES.map((axis) => ({ axis, isHome: atHome.includes(axis) || picked.includes(axis) })),
    text:
      fresh.length === 0 ? 'Next' : `${fresh.join(', ')} ${fresh.length === 1 ? 'is' : 'are'} home`,
    facts: fresh.length === 0 ? [] : [{ kind: 'check-off', body: { of: 'home', axes: fresh } }],
  } satisfies { readonly facts: readonly FactDraft[]; readonly [part: string]: unknown }
}

/** The rows that a tool is about to cut in, with what it reaches there; none where no program was read. */
export function cutViews(
  { document, solution }: LoadedSetup,
  tool: number | undefined,
): readonly { readonly view: ProgramView; readonly label: string }[] {
  const program = document.programs.at(-1)
  if (program === undefined) return []
  const write = lengthWriter(solution)
  return programViews(program.reading, document, solution)
    .filter(({ operations }) => operations.some((one) => one.tool === tool))
    .map((view) => ({
      view,
      label: speakProgramView(view, (nm) => `${write(nm)} ${solution.unit}`),
    }))
}

/** A gauge that has another size in the shop today: what is told, and what taking it over enters. */
export function gaugeElsewiseView({ gauge, name, here, shop, isRoughHere }: GaugeElsewise): {
  readonly words: string
  readonly takes: string
  readonly draft: FactDraft
} {
  return {
    words: isRoughHere
      ? `The ${name} has been measured: ${lengthWords(shop)}. This set-up does not know its size.`
      : `The ${name} is ${lengthWords(shop)} in the shop now; this set-up counts with ${lengthWords(here)}.`,
    takes: `Count with ${lengthWords(shop)}${isRoughHere ? '' : ' from now on'}`,
    draft: {
      kind: 'event',
      body: {
        kind: 'gauge-measured',
        gauge,
        size: shop,
        // It was as large all the while, and nobody knew.
        since: isRoughHere ? 'last-good' : 'now',
      },
    },
  }
}

/** How the part is held: what was declared and what follows from it; undefined where nothing was. */
export function holdingView({ document, solution }: LoadedSetup) {
  const { holding, unit } = solution
  if (holding === undefined) return undefined
  const write = lengthWriter(solution)
  const { jaw, parallels } = document.sheet.holding ?? {}
  const fit = parallelsThatFit(document.sheet)
  const wrong = solution.warnings.some(({ place }) => place === 'holding')
  const lines: readonly (readonly [string, string | undefined])[] = [
    ['Jaws', jaw && `${jaw.text} ${jaw.unit}`],
    ['Parallels', parallels && `${parallels.text} ${parallels.unit}`],
    ['The jaws grip', `${write(holding.grip)} ${unit}`],
    ['The part stands out', `${write(holding.protrusion)} ${unit}`],
    [
      'Deepest side cut clears by',
      holding.clear === undefined ? undefined : `${write(holding.clear)} ${unit}`,
    ],
    [
      'Parallels that fit',
      !wrong
        ? undefined
        : fit === undefined
          ? 'none: other jaws, or another stock'
          : `${write(fit.from)} to ${write(fit.to)} ${unit}`,
    ],
  ]
  return {
    lines: lines.flatMap(([name, text]) => (text === undefined ? [] : [{ name, text }])),
    wrong: solution.warnings
      .filter(({ place }) => place === 'holding')
      .map((warning) => ({
        key: warning.code,
        words: describeWarning(warning, (nm) => `${write(nm)} ${unit}`),
      })),
  }
}
