import { registerName } from '../../address/address'
import { isReleased } from '../../facts/fold'
import { openNotes } from '../../facts/open-notes'
import type { SetupDocument } from '../../facts/document'
import { formatLength } from '../../length/format-length'
import type { Nanometres } from '../../length/length'
import type { StepState } from '../../plan/order/step'
import { activeLift } from '../../proof/lift'
import type { Register } from '../../registers/register'
import { isRemark } from '../../registers/warning'
import type { Solution } from '../../solve/solution'
import { standingRows } from '../../sources/standing-rows'
import { describeDay } from '../day-words'
import { describeStale } from '../setup/event-words'
import { sparedWords } from '../setup/sheet-words'
import { describeWarning } from '../trust/warning-words'
import { lengthWords, typographic } from '../typographic'
import { LIFT_PLACE_WORDS } from './lift-words'
import { stepName } from './step-name'

/** One question that whoever goes on has, with its answers. A danger is shown in red. */
export interface HandOverPart {
  readonly asks: string
  readonly lines: readonly string[]
  readonly isDanger: boolean
}

/** More open steps are counted, not listed. */
const MOST_STEPS = 8

/**
 * What the next person at the machine has to know of a set-up: what runs, what is raised, what is suspect, what is open, what
 * must not be touched, and what was left as a note. A part with nothing in it says so: silence is no answer.
 */
export function describeHandOver(
  document: SetupDocument,
  solution: Solution,
  steps: readonly StepState[],
): readonly HandOverPart[] {
  const write = (nm: Nanometres) =>
    `${typographic(formatLength(nm, solution.unit, solution.decimals))} ${solution.unit}`
  const part = (asks: string, lines: readonly string[], none: string, isDanger = false) => ({
    asks,
    lines: lines.length === 0 ? [none] : lines,
    isDanger: isDanger && lines.length > 0,
  })
  return [
    part('What runs', runs(document, steps), ''),
    part('Raised for a dry run', raised(document), 'Nothing is raised.', true),
    part('Suspect', suspect(document, solution, write), 'Nothing is suspect.', true),
    part('Still open', open(document, steps), 'Nothing is open.'),
    part(
      'Do not touch',
      untouched(document, solution),
      'Nothing hangs on what is in the machine yet.',
    ),
    part(
      'Notes',
      openNotes(document).map(({ text, by }) => `${by.name}: ${text}`),
      'No note.',
    ),
  ]
}

/** The same as text to be copied: a title, then each part with its lines beneath. */
export const handOverText = (
  { sheet }: Pick<SetupDocument, 'sheet'>,
  parts: readonly HandOverPart[],
): string =>
  [
    `${sheet.name} on ${sheet.machine.name}`,
    ...parts.map(({ asks, lines }) => [`${asks}:`, ...lines.map((line) => `- ${line}`)].join('\n')),
  ].join('\n\n')

function runs(document: SetupDocument, steps: readonly StepState[]): readonly string[] {
  const { sheet, programs, records } = document
  const release = records.at(-1)
  const program = programs.at(-1)
  const done = steps.filter((step) => step.done).length
  return [
    isReleased(document) && release !== undefined
      ? `${sheet.name}: released by ${release.by.name}, ${describeDay(release.at)}.`
      : `${sheet.name}: not released, ${done} of ${steps.length} steps done.`,
    ...(program === undefined
      ? []
      : [`Program ${program.name}, SHA-256 ${program.sha256.slice(0, 12)}.`]),
  ]
}

function raised(document: SetupDocument): readonly string[] {
  const lift = activeLift(document)
  return lift === undefined
    ? []
    : [
        `LIFT ACTIVE: ${lengthWords(lift.amount)} in ${LIFT_PLACE_WORDS[lift.where]}, by ${lift.by.name}. Take it out before a part is cut.`,
      ]
}

function suspect(
  { sheet }: SetupDocument,
  { registers, warnings }: Solution,
  write: (nm: Nanometres) => string,
): readonly string[] {
  return [
    ...registers.flatMap((register) => suspectRegister(register, sheet.gauges)),
    ...warnings.filter((one) => !isRemark(one)).map((one) => describeWarning(one, write)),
  ]
}

function suspectRegister(
  { address, stale, accepted }: Register,
  gauges: SetupDocument['sheet']['gauges'],
): readonly string[] {
  const name = registerName(address)
  if (stale !== undefined && accepted !== undefined)
    return [
      `${name}: ${describeStale(stale, gauges)}. Accepted by ${accepted.by.name}: ${accepted.reason}`,
    ]
  if (stale !== undefined) return [`${name} is no longer valid: ${describeStale(stale, gauges)}.`]
  return []
}

function open(document: SetupDocument, steps: readonly StepState[]): readonly string[] {
  const left = steps.filter(({ done }) => !done).map(({ step }) => stepName(document, step))
  const more = left.length - MOST_STEPS
  return more > 0 ? [...left.slice(0, MOST_STEPS), `and ${more} more`] : left
}

/** What numbers hang on: whoever moves it ends them. */
function untouched(document: SetupDocument, { registers, heights }: Solution): readonly string[] {
  const { sheet, readings } = document
  const known = registers.filter(({ value }) => value !== undefined)
  const onPlane = Object.keys(heights.tipOnPlane).length
  const measured = sheet.tools.filter(({ number }) => heights.tipOnPlane[number] !== undefined)
  const rows = sheet.offsets.filter(({ row }) =>
    known.some(({ kind, address }) => kind === 'work-offset' && address.startsWith(`${row}.`)),
  )
  const stands = [...standingRows({ sheet, events: document.events, readings }).keys()]
  return [
    ...(onPlane === 0 && heights.noseOnPlane === undefined
      ? []
      : [`The setting plane (${sheet.plane}): every length hangs on it.`]),
    ...(measured.length === 0
      ? []
      : [`In their holders: ${measured.map(({ number }) => `T${number}`).join(', ')}.`]),
    ...(rows.length === 0
      ? []
      : [`The part of ${rows.map(({ row }) => row).join(', ')} and how it is held.`]),
    ...(stands.length === 0
      ? []
      : [
          `Rows that somebody set before: ${stands.map((address) => registerName(address)).join(', ')}.`,
        ]),
    ...sheet.offsets.flatMap(({ row, spared = [] }) =>
      spared.length === 0 ? [] : [`${row}: not the ${sparedWords(spared)}.`],
    ),
  ]
}
