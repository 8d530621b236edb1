import { registerName } from '../../address/address'
import type { SetupFact } from '../../facts/bodies/bodies'
import type { SetupEvent } from '../../facts/bodies/event'
import type { SetupDocument } from '../../facts/document'
import { describeDay } from '../day-words'
import type { KeyMode } from '../../sheet/machine'
import { LIFT_PLACE_WORDS } from '../order/lift-words'
import { describeStep, gaugeNames } from '../order/step-words'
import { describeCheck } from '../trust/check-words'
import { lengthWords } from '../typographic'
import { describeEvent } from './event-words'

/** What kind of thing a line of a story tells. */
export const STORY_KINDS = ['measured', 'keyed', 'changed', 'seen-to', 'program', 'other'] as const

export type StoryKind = (typeof STORY_KINDS)[number]

/** One fact of a set-up as somebody tells it. */
export interface StoryLine {
  readonly id: string
  readonly at: string
  readonly by: string
  readonly tells: StoryKind
  readonly words: string
}

/**
 * The life of a set-up in the order in which it was entered, a line for each fact.
 *
 * @param document as it stands now: its tools and gauges by their names.
 * @param facts all of its stream.
 */
export const storyOf = (
  document: SetupDocument,
  facts: readonly SetupFact[],
): readonly StoryLine[] =>
  facts.map((fact, place) => ({
    ...{ id: fact.id, at: fact.at, by: fact.by.name, tells: TELLS[fact.kind] },
    words: lineOf(document, fact, place),
  }))

const TELLS: Readonly<Record<SetupFact['kind'], StoryKind>> = {
  sheet: 'other',
  reading: 'measured',
  'key-in': 'keyed',
  'read-back': 'keyed',
  event: 'changed',
  acceptance: 'other',
  proof: 'seen-to',
  lift: 'changed',
  'check-off': 'seen-to',
  program: 'program',
  'program-check': 'program',
  record: 'other',
  'put-away': 'other',
  note: 'other',
}

const SHOWS = {
  before: 'held',
  after: 'shows',
  raised: 'shows, raised,',
  lowered: 'shows, let down again,',
} as const

/** What was done to a row, by how its control takes numbers. */
const KEYED: Readonly<Record<KeyMode, (row: string, typed: string) => string>> = {
  set: (row, typed) => `${row} was set to ${typed}.`,
  add: (row, typed) => `${typed} was added to ${row}.`,
  position: (row, typed) => `${row}: the position was told as ${typed}.`,
  copy: (row, typed) => `${row}: the machine position was copied in, and ${typed} added.`,
  'copy-counter': (row, typed) => `${row}: the relative counter was copied in, and ${typed} added.`,
  stored: (row) => `${row} was stored by the control’s own cycle.`,
  halve: (row, typed) => `${row}: the counter was halved, and the position told as ${typed}.`,
}

function lineOf(document: SetupDocument, fact: SetupFact, place: number): string {
  switch (fact.kind) {
    case 'sheet':
      return place === 0 ? `The set-up “${fact.body.name}” was begun.` : 'The sheet was changed.'
    case 'reading':
      return readingLine(document, fact.body)
    case 'key-in':
      return KEYED[fact.body.mode](registerName(fact.body.address), lengthWords(fact.body.typed))
    case 'read-back':
      return `${registerName(fact.body.address)} ${SHOWS[fact.body.moment]} ${lengthWords(fact.body.shown)}.`
    case 'event':
      return sentence(describeEvent(fact.body as SetupEvent, document.sheet.gauges))
    case 'acceptance':
      return `${registerName(fact.body.address)} was accepted as it is: ${fact.body.reason}`
    case 'proof': {
      const { row, tool, gap, clearance, byEye } = fact.body
      return byEye === true
        ? `${row} with T${tool} was sent over zero and looked at by eye.`
        : `${row} with T${tool} was sent to ${lengthWords(clearance)} above zero: a block of ${lengthWords(gap)} passed.`
    }
    case 'lift':
      return fact.body.moves === 'in'
        ? `Everything was raised by ${lengthWords(fact.body.amount)} in ${LIFT_PLACE_WORDS[fact.body.where]}.`
        : 'Everything was let down again.'
    case 'check-off': {
      const { title } = describeCheck(document, fact.body.of)
      return fact.body.leftOut === undefined
        ? `${title}: done.`
        : `${title}: left out. ${fact.body.leftOut}`
    }
    case 'program':
      return `The program ${fact.body.name} was read.`
    case 'program-check':
      return 'The file at the machine was compared with the program.'
    case 'record':
      return `It was released under ${fact.body.hash.slice(0, 12)}.`
    case 'put-away':
      return fact.body.moves === 'away' ? 'It was put away.' : 'It was taken back.'
    case 'note':
      return 'text' in fact.body ? `Note: ${fact.body.text}` : 'The note was read.'
  }
}

function readingLine(
  document: SetupDocument,
  reading: Extract<SetupFact, { kind: 'reading' }>['body'],
): string {
  const { title } = describeStep(document, reading, [])
  const gauges = gaugeNames(document, reading.with)
  const { kept, supersedes, reason, surprise } = reading
  return [
    `${title}: ${lengthWords(reading.read)}${gauges === '' ? '' : `, with the ${gauges}`}.`,
    ...(kept === undefined ? [] : [`Reused from an earlier set-up, ${describeDay(kept.at)}.`]),
    ...(supersedes === undefined
      ? []
      : [
          sentence(
            `it replaces an earlier one${reason === undefined || reason === '' ? '' : `: ${reason}`}`,
          ),
        ]),
    ...(surprise === undefined || surprise === ''
      ? []
      : [`A surprise, and so all the same: ${surprise}`]),
  ].join(' ')
}

const sentence = (words: string): string => {
  const begun = `${words.charAt(0).toUpperCase()}${words.slice(1)}`
  return /[.!?]$/.test(begun) ? begun : `${begun}.`
}
