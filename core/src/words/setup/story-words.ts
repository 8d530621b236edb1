import { describeAgainst, describeCaptured } from '../order/taken-words'
import { registerName } from '../../address/address'
import type { SetupBodies, SetupFact } from '../../facts/bodies/bodies'
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
): readonly StoryLine[] => facts.map((fact, place) => storyLine(document, fact, place))

/**
 * One fact as somebody tells it.
 *
 * @param document of which the sheet alone counts: names of tools and gauges.
 */
export function storyLine(
  document: SetupDocument,
  { id, at, by, kind, body }: SetupFact,
  place: number,
): StoryLine {
  const { tells, words } = STORY[kind]
  return { id, at, by: by.name, tells, words: words(body as never, document, place) }
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

/** How a fact of each kind is told, and as what. */
const STORY: {
  readonly [Kind in keyof SetupBodies]: {
    readonly tells: StoryKind
    readonly words: (body: SetupBodies[Kind], document: SetupDocument, place: number) => string
  }
} = {
  sheet: {
    tells: 'other',
    words: ({ name, repeats, imported }, _document, place) =>
      place > 0
        ? 'The sheet was changed.'
        : `The set-up “${name}” was begun${
            imported !== undefined
              ? ` from the file ${imported.file}`
              : repeats !== undefined
                ? ' as a repeat of an earlier one'
                : ''
          }.`,
  },
  reading: { tells: 'measured', words: (reading, document) => readingLine(document, reading) },
  'key-in': {
    tells: 'keyed',
    words: ({ address, mode, typed }) => KEYED[mode](registerName(address), lengthWords(typed)),
  },
  'read-back': {
    tells: 'keyed',
    words: ({ address, moment, shown }) =>
      `${registerName(address)} ${SHOWS[moment]} ${lengthWords(shown)}.`,
  },
  event: {
    tells: 'changed',
    words: (event, { sheet }) => sentence(describeEvent(event as SetupEvent, sheet.gauges)),
  },
  acceptance: {
    tells: 'other',
    words: ({ address, reason }) => `${registerName(address)} was accepted as it is: ${reason}`,
  },
  proof: {
    tells: 'seen-to',
    words: ({ row, tool, gap, clearance, byEye }) =>
      byEye === true
        ? `${row} with T${tool} was sent over zero and looked at by eye.`
        : `${row} with T${tool} was sent to ${lengthWords(clearance)} above zero: a block of ${lengthWords(gap)} passed.`,
  },
  lift: {
    tells: 'changed',
    words: ({ moves, amount, where }) =>
      moves === 'in'
        ? `Everything was raised by ${lengthWords(amount)} in ${LIFT_PLACE_WORDS[where]}.`
        : 'Everything was let down again.',
  },
  'check-off': {
    tells: 'seen-to',
    words: ({ of, leftOut }, document) => {
      const { title } = describeCheck(document, of)
      return leftOut === undefined ? `${title}: done.` : `${title}: left out. ${leftOut}`
    },
  },
  program: { tells: 'program', words: ({ name }) => `The program ${name} was read.` },
  'program-check': {
    tells: 'program',
    words: () => 'The file at the machine was compared with the program.',
  },
  record: {
    tells: 'other',
    words: ({ hash }) => `It was released under ${hash.slice(0, 12)}.`,
  },
  'put-away': {
    tells: 'other',
    words: ({ moves }) => (moves === 'away' ? 'It was put away.' : 'It was taken back.'),
  },
  note: {
    tells: 'other',
    words: (note) => ('text' in note ? `Note: ${note.text}` : 'The note was read.'),
  },
}

function readingLine(document: SetupDocument, reading: SetupBodies['reading']): string {
  const { title } = describeStep(document, reading, [])
  const gauges = gaugeNames(document, reading.with)
  const { kept, supersedes, reason, surprise, captured } = reading
  return [
    `${title}: ${lengthWords(reading.read)}${gauges === '' ? '' : `, with the ${gauges}`}.`,
    ...(kept === undefined ? [] : [`Reused from an earlier set-up, ${describeDay(kept.at)}.`]),
    ...(captured === undefined
      ? []
      : [sentence(describeCaptured(captured)), ...describeAgainst(captured)]),
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
