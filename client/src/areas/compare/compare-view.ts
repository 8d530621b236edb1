import { registerName } from '@pine/core/address'
import {
  asOf,
  compareSetups,
  momentsOf,
  type RegisterDifference,
  type Standing,
} from '@pine/core/compare'
import type { SetupDocument, SetupFact, SetupFile } from '@pine/core/facts'
import { formatLength, toNanometres, type Nanometres } from '@pine/core/length'
import type { TrustState } from '@pine/core/registers'
import { solve, type Solution } from '@pine/core/solve'
import {
  describeMoment,
  describeSheetDifference,
  describeTermDifference,
  typographic,
} from '@pine/core/words'
import type { SetupSummary } from '@pine/contract'
import type { LoadedSetup } from '@/data/setup/standing'
import { momentWords } from '@/kit/when'

/** What a set-up can be held against: a moment of its own, or another set-up of the same job. */
export interface Against {
  /** `moment:12`, `setup:` and an id, or `file:` and its hash. */
  readonly value: string
  readonly label: string
}

/**
 * The moments of a set-up and the other set-ups of its job, in the order in which they are offered: the file that it was set up
 * from, the one that it repeats, whatever that is called now, then the last good run.
 */
export function againstOptions(
  document: SetupDocument,
  facts: readonly SetupFact[],
  others: readonly SetupSummary[],
): readonly Against[] {
  const own = momentsOf(facts).map((moment) => ({
    value: `moment:${moment.length}`,
    label: `${describeMoment(moment, document.sheet.gauges)}, ${momentWords(moment.fact.at)}`,
  }))
  const { name: job, repeats, imported } = document.sheet
  const ofJob = others
    .filter(({ id, name }) => id !== document.id && (name === job || id === repeats))
    .map(({ id, machine, recorded, createdAt, changedAt }) => {
      const when = recorded
        ? `Released ${momentWords(changedAt)}`
        : `Begun ${momentWords(createdAt)}`
      const label = `${when}, ${machine}`
      return {
        isReleased: recorded,
        value: `setup:${id}`,
        label: id === repeats ? `What it repeats: ${label}` : label,
      }
    })
  const repeated = `setup:${repeats}`
  const unlisted =
    repeats === undefined || ofJob.some(({ value }) => value === repeated)
      ? []
      : [{ value: repeated, label: 'What it repeats' }]
  const rest = ofJob.filter(({ value }) => value !== repeated)
  const ofFile =
    imported === undefined
      ? []
      : [{ value: `file:${imported.sha256}`, label: `The file ${imported.file}` }]
  return [
    ...ofFile,
    ...unlisted,
    ...ofJob.filter(({ value }) => value === repeated),
    ...rest.filter(({ isReleased }) => isReleased),
    ...own,
    ...rest.filter(({ isReleased }) => !isReleased),
  ].map(({ value, label }) => ({ value, label }))
}

/** Where a value of these lies: in this set-up after so many facts, in another one, or in a file that was kept. */
export function chosenAgainst(value: string | undefined): {
  readonly length?: number
  readonly setup?: string
  readonly file?: string
} {
  const [of, which = ''] = value?.split(':') ?? []
  if (of === 'moment') return { length: Number(which) }
  if (of === 'file') return { file: which }
  return of === 'setup' ? { setup: which } : {}
}

/** A set-up as it stood at a moment; another one as it was released, or as it stands where it never was. */
export function standingAsOf(
  { id, facts }: SetupFile,
  length?: number,
): Standing & { readonly solution: Solution } {
  const released = momentsOf(facts).find(({ fact }) => fact.kind === 'record')?.length
  const document = asOf(id, facts, length ?? released ?? facts.length)
  return { document, solution: solve(document) }
}

/** A register that differs, as its line shows it. */
export interface DifferenceLine {
  readonly name: string
  readonly then: string
  readonly now: string
  readonly state: TrustState
  /** Now less then, with its unit; absent where one of them has no number. */
  readonly change?: string
  readonly because: readonly string[]
}

export interface CompareView {
  readonly summary: string
  readonly lines: readonly DifferenceLine[]
  /** Names of the registers that are as they were. */
  readonly equal: readonly string[]
  readonly sheet: readonly string[]
}

/** What differs between then and now, in the unit of now. */
export function compareView(
  then: Standing,
  now: Pick<LoadedSetup, 'document' | 'solution'>,
): CompareView {
  const { unit, decimals } = now.solution
  const { registers, equal, sheet } = compareSetups(then, now)
  const write = (nm: Nanometres) => typographic(formatLength(nm, unit, decimals))
  const lineOf = ({ address, then: was, now: is, because }: RegisterDifference): DifferenceLine => {
    const change = was && is && toNanometres(is.value - was.value)
    return {
      name: registerName(address),
      then: was === undefined ? 'none' : write(was.value),
      now: is === undefined ? 'none' : `${write(is.value)} ${unit}`,
      state: is?.state ?? 'not-read',
      ...(change !== undefined && {
        change: `${change > 0 ? '+' : ''}${write(change)} ${unit}`,
      }),
      because: because.map((term) => describeTermDifference(term, unit, decimals)),
    }
  }
  const count = registers.length
  return {
    summary:
      count === 0
        ? 'No number differs.'
        : `${count} ${count === 1 ? 'number differs' : 'numbers differ'}, ${equal.length} as before.`,
    lines: registers.map(lineOf),
    equal: equal.map(registerName),
    sheet: sheet.map(describeSheetDifference),
  }
}
