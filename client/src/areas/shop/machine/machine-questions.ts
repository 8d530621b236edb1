import { type OffsetKeyMode } from '@pine/core/sheet'
import { PROVES_NOTE, PROVES_OPTIONS } from '../policy-draft'

/** What the row shows after a 5 was typed into one that showed 10: answered by trying, without a word for it. */
const LENGTH_KEYS = [
  { value: 'set', picture: '10.000 → 5.000', label: 'what was typed' },
  { value: 'add', picture: '10.000 → 15.000', label: 'the sum' },
  {
    value: 'copy',
    picture: '10.000 → −212.405',
    label: 'machine position, copied in by a key',
  },
] as const

const OFFSET_KEYS: readonly {
  readonly value: OffsetKeyMode
  readonly picture: string
  readonly label: string
}[] = [
  ...LENGTH_KEYS,
  { value: 'position', picture: '10.000 → −217.405', label: 'worked out: “my position is 5”' },
  { value: 'halve', picture: '10.000 → −217.405', label: 'the same, at a halved counter' },
]

/** The three questions without whose answer nothing can be told to key: each by what the control shows. */
export const ASKED = [
  {
    field: 'workOffsetKey',
    label: 'A work offset shows 10.000. You key 5.000: now it shows …',
    options: OFFSET_KEYS,
  },
  {
    field: 'lengthKey',
    label: 'A tool length shows 10.000. You key 5.000: now it shows …',
    options: [
      ...LENGTH_KEYS,
      {
        value: 'copy-counter',
        picture: '10.000 → 0.000',
        label: 'relative counter, copied in by a key',
      },
      {
        value: 'stored',
        picture: '10.000 → 99.875',
        label: 'what its own cycle measured: nothing is keyed',
      },
      { value: 'none', picture: '–', label: 'no tool lengths: one tool at a time' },
    ],
  },
  {
    field: 'reads',
    label: 'At a touch you read …',
    options: [
      { value: 'machine', picture: '−212.405', label: 'machine position' },
      { value: 'counter', picture: '0.000', label: 'relative counter' },
      { value: 'work', picture: '37.595', label: 'work position' },
    ],
    note: 'At each reading it can be changed.',
  },
] as const

/** What most machines have alike: folded until somebody looks. */
export const CHOICES = [
  {
    field: 'kind',
    label: 'What is it?',
    options: [
      { value: 'mill', label: 'mill' },
      { value: 'router', label: 'router' },
    ],
  },
  {
    field: 'zOffsetKey',
    label: 'In Z of a work offset the same key …',
    options: [
      { value: 'same', label: 'does the same' },
      { value: 'set', label: 'sets' },
      { value: 'add', label: 'adds' },
      { value: 'copy', label: 'copies the position in, then adds' },
      { value: 'position', label: 'says “my position”' },
    ],
  },
  {
    field: 'lengthSign',
    label: 'A stored length is …',
    options: [
      { value: 'added', label: 'added by the control' },
      { value: 'subtracted', label: 'subtracted by it' },
    ],
  },
  {
    field: 'diameterRegister',
    label: 'A D row holds …',
    options: [
      { value: 'diameter', label: 'the diameter' },
      { value: 'radius', label: 'the radius' },
    ],
    note: 'Look in its manual: the wrong one is off by half the cutter.',
  },
  {
    field: 'writesOffsets',
    label: 'A program writes its work offsets …',
    options: [
      { value: 'no', label: 'not at all' },
      { value: 'L2', label: 'by G10 L2: what the row holds' },
      { value: 'L20', label: 'by G10 L20: what the position is' },
    ],
    note: 'Look in its manual. Then a set-up can be handed over as a program.',
  },
  {
    field: 'writesTools',
    label: 'A program writes lengths and D …',
    options: [
      { value: 'no', label: 'not at all' },
      { value: 'L10', label: 'by G10 L10 and L12: one row each' },
      { value: 'L1', label: 'by G10 L1: a line of a tool table' },
    ],
  },
  {
    field: 'shows',
    label: 'Its smallest step is …',
    options: [
      { value: 'hundredths', label: '0.01 mm, 0.001 in' },
      { value: 'thousandths', label: '0.001 mm, 0.0001 in' },
      { value: 'ten-thousandths', label: '0.0001 mm, 0.00001 in' },
    ],
  },
  {
    field: 'homing',
    label: 'After power on it finds its zero …',
    options: [
      { value: 'switches', label: 'by home switches, all axes in one go' },
      { value: 'axis-by-axis', label: 'by switches, each axis by itself' },
      { value: 'marks', label: 'by marks and dials' },
    ],
  },
  {
    field: 'secondLook',
    label: 'Before a part is cut …',
    options: [
      { value: 'no', label: 'one person may release' },
      { value: 'yes', label: 'another person looks first' },
    ],
  },
  {
    field: 'proves',
    label: 'A cautious move over a block proves …',
    options: PROVES_OPTIONS,
    note: PROVES_NOTE,
  },
] as const

/** What is asked only of a control that keeps lengths. */
export const ABOUT_LENGTHS: readonly string[] = ['lengthSign']

/** The fields that stand behind “More”. */
export const FOLDED: readonly string[] = [
  ...CHOICES.map(({ field }) => field),
  'turn',
  'travels',
  'lostMotion',
  'spindle',
  'pockets',
  'retract',
  'places',
]
