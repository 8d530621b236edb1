import { registerName, type Address, type MachineAxis, type OffsetRow } from '@pine/core/address'
import { rebaseOf, type SetupEvent } from '@pine/core/facts'
import {
  readLength,
  type LengthUnit,
  type ReadLengthOptions,
  type WrittenLength,
} from '@pine/core/length'
import { consequencesOf, partStays, type AnotherPart } from '@pine/core/plan'
import { isOnCounter } from '@pine/core/quantities'
import { type TrustState } from '@pine/core/registers'
import { type Gauge, type SetupSheet } from '@pine/core/sheet'
import { GAUGE_FACTS } from '@pine/core/touch'
import {
  CHANGE_NAMES,
  describeCause,
  describeRestart,
  describeWarning,
  MEASURE_NAMES,
  stepName,
  typographic,
} from '@pine/core/words'
import { withPreview } from '@/data/setup/preview'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import type { GaugeSince, Option } from './change-options'
import { lengthWriter } from '../entry/write-length'

type EventBody = Extract<FactDraft, { kind: 'event' }>['body']
export type ChangeKind = Exclude<
  SetupEvent['kind'],
  'home-recovered' | 'order-told' | 'corrected' | 'row-stands' | 'tool-rechecked'
>

const KINDS: readonly ChangeKind[] = [
  'tool-changed',
  'part-changed',
  'plane-moved',
  'rebased',
  'home-lost',
  'cycle-broken',
  'counter-zeroed',
  'external-changed',
  'unit-changed',
  'check-failed',
  'gauge-measured',
]

const OF_A_GAUGE: readonly ChangeKind[] = ['check-failed', 'gauge-measured']

/** What may be said to have changed, what is asked of it, and once that is said, what it ends. */
export interface ChangeView {
  readonly kinds: readonly Option<ChangeKind>[]
  readonly options: readonly Option<string>[]
  readonly chosen: string | undefined
  /** The number that is asked, and its unit; none where nothing is measured. */
  /** Another part: how it came in. */
  readonly asksPart: boolean
  readonly questions:
    { readonly label: string; readonly unit: LengthUnit; readonly since: boolean } | undefined
  readonly body: EventBody | undefined
  /** How a program goes on after it; none where nothing stood in the cut. */
  readonly restart: readonly string[]
}

export interface ChangeAnswers {
  readonly kind?: ChangeKind
  /** Which tool, row, axis or gauge. */
  readonly which?: string
  /** The number of an external offset or of a gauge as it is now. */
  readonly value: string
  /** Of a gauge: since when it has been of that size. */
  readonly since?: GaugeSince
  /** Of another part: how it came in. */
  readonly part?: AnotherPart
}

export function changeView(setup: LoadedSetup, answers: ChangeAnswers): ChangeView {
  const { document } = setup
  const { sheet } = document
  // A tool can carry lengths over only when it was touched before and after the plane moved.
  const canRebase = sheet.tools
    .map(({ number }) => number)
    .filter((tool) => rebaseOf(document, { tool, place: document.length }))
  const offered = KINDS.filter(
    (one) =>
      (one !== 'rebased' || canRebase.length > 0) &&
      (one !== 'counter-zeroed' || document.readings.some(isOnCounter)) &&
      (!OF_A_GAUGE.includes(one) || sheet.gauges.length > 0) &&
      (one !== 'cycle-broken' || sheet.gauges.some(isFixedSetter)),
  )
  const { kind, which, value } = answers
  const options = kind === undefined ? [] : whichOptions(kind, setup, canRebase)
  const chosen = which ?? (options.length === 1 ? options[0]?.value : undefined)
  const questions = kind === undefined ? undefined : askedOf(kind, chosen, sheet)
  return {
    kinds: offered.map((one) => ({ value: one, label: CHANGE_NAMES[one] })),
    options,
    chosen,
    restart:
      kind === 'tool-changed' && chosen !== undefined
        ? describeRestart(document, Number(chosen))
        : [],
    asksPart: kind === 'part-changed' && chosen !== undefined,
    questions,
    body:
      kind === undefined
        ? undefined
        : eventBody(
            kind,
            chosen,
            { text: value.trim(), unit: questions?.unit ?? sheet.unit },
            answers,
            options.length > 0,
            sheet,
          ),
  }
}

/** What an event ends, what has to be done again, and what stays. */
export interface ConsequencesView {
  readonly changed: readonly {
    readonly address: Address
    readonly name: string
    readonly state: TrustState
    /** The number, and what it becomes where it moves. */
    readonly number: string
    readonly text: string
  }[]
  readonly again: string
  /** Empty where nothing stays. */
  readonly stay: string
  /** What disagrees with what is said here: it may be a slip. */
  readonly disagrees: readonly {
    readonly key: string
    readonly words: string
    readonly slip: string
  }[]
}

export function consequencesView(setup: LoadedSetup, body: EventBody): ConsequencesView {
  const { document, solution } = setup
  const { changed, again, stay, disagrees } = consequencesOf(
    setup,
    withPreview(document, { kind: 'event', body }),
  )
  const write = lengthWriter(solution)
  return {
    changed: changed.map(({ before, after }) => ({
      address: after.address,
      name: registerName(after.address),
      state: after.state,
      number: `${before.value === undefined ? '–' : write(before.value)}${
        after.value === before.value || after.value === undefined ? '' : ` → ${write(after.value)}`
      } ${solution.unit}`,
      text: after.state === 'stale' ? 'no longer holds' : 'key again',
    })),
    again:
      again.length === 0
        ? nothingAgain(body, changed.length)
        : `To do again: ${again.map(({ step }) => stepName(document, step)).join(', ')}.`,
    disagrees: disagrees.map((warning) => {
      const [likely] = warning.causes ?? []
      const slip = likely && describeCause(likely)
      return {
        key: `${warning.code}${warning.place}`,
        words: describeWarning(warning, (nm) => `${write(nm)} ${solution.unit}`),
        slip: slip === undefined ? '' : `${slip.title}. ${slip.look}`,
      }
    }),
    stay:
      stay.length === 0
        ? ''
        : `As they are: ${stay.map(({ address }) => typographic(registerName(address))).join(', ')}.`,
  }
}

/** A re-base that carries nothing over says why: what it should carry was not made where its tool was touched. */
const nothingAgain = (body: EventBody, changes: number): string =>
  body.kind === 'rebased' && changes === 0
    ? `T${body.tool} carries no length over: its touches before the move disagree, or the others were made before another move. Touch them again.`
    : 'Nothing has to be done again.'

function whichOptions(
  kind: ChangeKind,
  { document: { sheet } }: LoadedSetup,
  canRebase: readonly number[],
): readonly Option<string>[] {
  const tools = sheet.tools.map(({ number, name }) => ({
    value: String(number),
    label: `T${number} · ${name}`,
  }))
  switch (kind) {
    case 'tool-changed':
      return tools
    case 'rebased':
      return tools.filter(({ value }) => canRebase.includes(Number(value)))
    case 'part-changed':
      return sheet.offsets.map(({ row }) => ({ value: row, label: row }))
    case 'counter-zeroed':
    case 'external-changed':
      return (['X', 'Y', 'Z'] as const).map((axis) => ({ value: axis, label: axis }))
    case 'check-failed':
    case 'gauge-measured':
      return sheet.gauges.map(({ id, name }) => ({ value: id, label: name }))
    case 'cycle-broken':
      return sheet.gauges.filter(isFixedSetter).map(({ id, name }) => ({ value: id, label: name }))
    case 'plane-moved':
    case 'home-lost':
    case 'unit-changed':
      return []
  }
}

function eventBody(
  kind: ChangeKind,
  which: string | undefined,
  value: WrittenLength,
  { since, part }: Pick<ChangeAnswers, 'since' | 'part'>,
  questions: boolean,
  sheet: SetupSheet,
): EventBody | undefined {
  if (questions && which === undefined) return undefined
  switch (kind) {
    case 'tool-changed':
    case 'rebased':
      return { kind, tool: Number(which) }
    case 'part-changed':
      return part && partChanged(sheet, which as OffsetRow, part)
    case 'external-changed':
      return isNumber(value) ? { kind, axis: which as MachineAxis, value } : undefined
    case 'counter-zeroed':
      return {
        kind,
        axis: which as MachineAxis,
        ...(isNumber(value) && { machinePosition: value }),
      }
    case 'gauge-measured':
      return isNumber(value, { sign: 'positive' })
        ? since && { kind, gauge: which ?? '', size: value, since }
        : undefined
    case 'check-failed':
      // Nothing vouches for the readings before it: all of this set-up's are suspect.
      return { kind, gauge: which ?? '' }
    case 'cycle-broken':
      return { kind, gauge: which ?? '' }
    case 'plane-moved':
    case 'home-lost':
    case 'unit-changed':
      return { kind }
  }
}

function partChanged(sheet: SetupSheet, row: OffsetRow, part: AnotherPart): EventBody {
  const stays = partStays(sheet, row, part)
  return {
    kind: 'part-changed',
    row,
    ...(stays && { stays: { faces: [...stays.faces], top: stays.top } }),
  }
}

const isFixedSetter = ({ kind }: Gauge): boolean => kind === 'fixed-setter'

/** Half a number tells nothing yet. */
const isNumber = (value: WrittenLength, options: ReadLengthOptions = {}): boolean =>
  readLength(value, options).ok

/** A gauge is measured in its own unit: an inch block of a metric shop stays one. */
function askedOf(
  kind: ChangeKind,
  which: string | undefined,
  { gauges, unit }: SetupSheet,
): ChangeView['questions'] {
  if (kind === 'external-changed')
    return { label: 'What the external offset is now', unit, since: false }
  if (kind === 'counter-zeroed')
    return { label: 'Machine position where it was zeroed, if it was read', unit, since: false }
  const gauge = gauges.find(({ id }) => id === which)
  if (kind !== 'gauge-measured' || gauge === undefined) return undefined
  return {
    label: `Its ${MEASURE_NAMES[GAUGE_FACTS[gauge.kind].measure]} as it was measured`,
    unit: gauge.size.unit,
    since: true,
  }
}
