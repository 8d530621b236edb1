import type { MachineHistory } from '@pine/contract'
import { AXES, registerName, type MachineAxis } from '@pine/core/address'
import {
  formatLength,
  NANOMETRES_PER,
  otherUnit,
  nanometresOf,
  toNanometres,
  type LengthUnit,
} from '@pine/core/length'
import type { SetupDocument } from '@pine/core/facts'
import { machineStood } from '@pine/core/running'
import type { MachineDeclaration } from '@pine/core/sheet'
import { LEAST_PAIRS, lostMotionBy, type Reversal, type ReversalTest } from '@pine/core/shop'
import { solve } from '@pine/core/solve'
import { axisOfFace } from '@pine/core/touch'
import { describePlaces, describeReversal, lengthWords, describeDay } from '@pine/core/words'
import type { FormOutcome } from '@/data/device/use-kept-form'
import { lengthProblem } from '../shop/length-problem'

/** What a control holds, as its page shows it. */
export interface OffsetLine {
  readonly address: string
  readonly value: string
  /** Who, when, in which set-up; that it was only typed, where nobody read it back. */
  readonly how: string
  readonly setup: string
  readonly isSeen: boolean
}

/** Work offsets first, as they are looked for; then lengths and diameters, each by its number. */
export const offsetLines = ({ offsets }: Pick<MachineHistory, 'offsets'>): readonly OffsetLine[] =>
  offsets
    .toSorted((one, other) => byRegister.compare(one.address, other.address))
    .map(({ address, shown, isSeen, by, at, name, setup }) => ({
      address: registerName(address),
      value: shown === undefined ? 'not known' : lengthWords(shown),
      how: `${isSeen ? 'shown' : 'typed, not read back'} · ${describeDay(at)}, ${by} · ${name}`,
      setup,
      isSeen,
    }))

// G comes before H, and H2 before H10.
const byRegister = new Intl.Collator('en', { numeric: true })

const HAPPENED = {
  'plane-moved': 'the setting plane or its setter was moved',
  'home-lost': 'it lost its home position',
} as const

export const happenedLines = ({ happened }: Pick<MachineHistory, 'happened'>) =>
  happened.map(({ what, at, name, plane }) => ({
    what: HAPPENED[what],
    about: [describeDay(at), plane, name]
      .filter((one) => one !== undefined && one !== '')
      .join(' · '),
  }))

export const declaredLines = ({ declared }: Pick<MachineHistory, 'declared'>) =>
  declared.map(({ by, at, reason }, index) => ({
    what: reason ?? (index === declared.length - 1 ? 'declared' : 'declared anew'),
    about: `${describeDay(at)}, ${by}`,
  }))

/** What is bolted to a machine, and where what stays on it was last found: plane, fixed jaw, stop. */
export function placeLines(
  machine: MachineDeclaration,
  last: SetupDocument | undefined,
): readonly { readonly name: string; readonly text: string }[] {
  const declared = describePlaces(machine).map(([name, text]) => ({ name, text }))
  const positions = last && machineStood(last, solve(last))
  if (last === undefined || positions === undefined) return declared
  const { sheet } = last
  const by = `found in “${sheet.name}”`
  return [
    ...declared,
    ...(positions.plane === undefined
      ? []
      : [
          {
            name: `Setting plane, the ${sheet.plane}`,
            text: `bare nose on it at Z ${lengthWords(positions.plane)}, ${by}.`,
          },
        ]),
    ...(positions.faces ?? []).map(({ face, at, against }) => ({
      name: against === 'jaw' ? 'Fixed jaw' : 'Stop',
      text: `the ${face} face of the part lay against it at ${axisOfFace(face)} ${lengthWords(at)}, ${by}.`,
    })),
  ]
}

/** A screw: what is counted with now, and what its last reversal test told. */
export interface ScrewLine {
  readonly axis: MachineAxis
  readonly counts: string
  readonly tested: string | undefined
  /** The machine with what the test told, where that is not what is counted with; and why. */
  readonly takesOver:
    | { readonly text: string; readonly machine: MachineDeclaration; readonly reason: string }
    | undefined
}

export const screwLines = ({ machine, reversals }: MachineHistory): readonly ScrewLine[] =>
  AXES.map((axis) => {
    const declared = (machine as MachineDeclaration).lostMotion?.[axis]
    const last = reversals.find((one) => one.axis === axis)
    const found = last && lostMotionBy(last.pairs)
    const unit = last?.pairs[0]?.towardsPlus.unit ?? 'mm'
    return {
      axis,
      counts:
        declared === undefined
          ? 'Not measured: every number read along this axis is less sure.'
          : `Counted with ${lengthWords(declared)}.`,
      tested: found && `${describeDay(last.at)}, ${last.by}: ${describeReversal(found, unit)}`,
      takesOver:
        found && last && takeOver(machine as MachineDeclaration, axis, found, unit, last.at),
    }
  })

/** Nothing where the columns were turned, or it is counted with already. */
function takeOver(
  machine: MachineDeclaration,
  axis: MachineAxis,
  found: Reversal,
  unit: LengthUnit,
  at: string,
): ScrewLine['takesOver'] {
  if (found.isTurned) return undefined
  const lost = { text: writtenMm(Math.max(found.meanMm, 0), unit), unit }
  const declared = machine.lostMotion?.[axis]
  if (declared !== undefined && nanometresOf(declared) === nanometresOf(lost)) return undefined
  return {
    text: `Count ${axis} with ${lost.text} ${unit}`,
    machine: { ...machine, lostMotion: { ...machine.lostMotion, [axis]: lost } },
    reason: `${axis} by a reversal test of ${found.pairs} pairs on ${describeDay(at)}`,
  }
}

const DECIMALS: Readonly<Record<LengthUnit, number>> = { mm: 3, in: 4 }

const writtenMm = (mm: number, unit: LengthUnit): string =>
  formatLength(toNanometres(Math.round(mm * NANOMETRES_PER.mm)), unit, DECIMALS[unit])

/** A reversal test while it is made. */
export interface ReversalDraft {
  readonly axis: MachineAxis
  readonly unit: LengthUnit
  readonly plus: readonly string[]
  readonly minus: readonly string[]
}

/** Places that are offered; three are enough, more say more. */
export const PLACES = 5

export const newReversal: ReversalDraft = {
  axis: 'X',
  unit: 'mm',
  plus: Array.from({ length: PLACES }, () => ''),
  minus: Array.from({ length: PLACES }, () => ''),
}

export const turnedUnit = ({ unit }: ReversalDraft): LengthUnit => otherUnit(unit)

/** What it tells so far, in words; undefined with too few. */
export function foundSoFar(
  draft: ReversalDraft,
): { readonly words: string; readonly isWrong: boolean } | undefined {
  const found = lostMotionBy(pairsOf(draft))
  return found && { words: describeReversal(found, draft.unit), isWrong: found.isTurned }
}

const pairsOf = ({ plus, minus, unit }: ReversalDraft) =>
  plus.flatMap((text, index) => {
    const [one, other] = [text.trim(), (minus[index] ?? '').trim()]
    return one === '' || other === ''
      ? []
      : [{ towardsPlus: { text: one, unit }, towardsMinus: { text: other, unit } }]
  })

export function reversalOf(draft: ReversalDraft): FormOutcome<ReversalDraft, ReversalTest> {
  const problems: Record<string, string> = {}
  draft.plus.forEach((text, index) => {
    for (const [field, own, other] of [
      ['plus', text, draft.minus[index]],
      ['minus', draft.minus[index], text],
    ] as const) {
      const typed = (own ?? '').trim()
      const wrong =
        typed !== ''
          ? lengthProblem({ text: typed, unit: draft.unit }, {})
          : (other ?? '').trim() === ''
            ? undefined
            : 'This place was read from one side only: read it from the other as well.'
      if (wrong !== undefined) problems[`${field}.${index}`] = wrong
    }
  })
  if (Object.keys(problems).length > 0) return { problems }
  const pairs = pairsOf(draft)
  if (pairs.length < LEAST_PAIRS)
    return {
      problems: {
        [`plus.${pairs.length}`]: `${LEAST_PAIRS} places at least tell how it scatters; ${pairs.length} are there.`,
      },
    }
  return { made: { axis: draft.axis, pairs } }
}
