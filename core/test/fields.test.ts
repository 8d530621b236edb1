import {
  byAxis,
  either,
  field,
  length,
  lengthAboveZero,
  lengthNotNegative,
  listOf,
  name,
  oneOf,
  optional,
  recordOf,
  registerOrNone,
  gaugeOfSheet,
  toolOfSheet,
  toolOfSheetOrNone,
  variants,
  wholeNumber,
  type Shape,
} from '../src/fields/shape'
import { recordProblems, valueProblems } from '../src/fields/walk'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const KNOWN = {
  gauges: new Set(['setter']),
  tools: new Set(['T4']),
  rows: new Set(['G54']),
  addresses: new Set(['H4']),
}
const told = (shape: Shape, value: unknown) =>
  valueProblems(shape, value, 'here', KNOWN).map(({ code, place }) => `${code} ${place}`)

const touch = recordOf({ read: field(length, ''), with: field(listOf(gaugeOfSheet, {}), '') })

test.each<[string, Shape, unknown, readonly string[]]>([
  ['a length of any sign', length, mm('-1'), []],
  ['zero', lengthNotNegative, mm('0'), []],
  ['zero where it must be above', lengthAboveZero, mm('0'), ['length-zero here']],
  ['below zero', lengthNotNegative, mm('-0.001'), ['length-negative here']],
  ['no number', length, mm('wide'), ['length-not-a-number here']],
  ['nothing', length, undefined, []],
  [
    'a list, each item at its place',
    listOf(lengthAboveZero, {}),
    [mm('1'), mm('x')],
    ['length-not-a-number here.1'],
  ],
  [
    'a record, and lists in it',
    touch,
    { read: mm('x'), with: ['setter', 'nobody’s'] },
    ['length-not-a-number here.read', 'reference-unknown here.with.1'],
  ],
  ['a field that is left out', recordOf({ read: optional(length, '') }), {}, []],
  ['one axis of three', byAxis(lengthAboveZero), { Y: mm('0') }, ['length-zero here.Y']],
  [
    'the variant that it is, and no other',
    variants('of', {
      one: { size: field(lengthAboveZero, '') },
      other: { size: field(length, '') },
    }),
    { of: 'other', size: mm('-1') },
    [],
  ],
  [
    'a variant with a wrong number',
    variants('of', { one: { size: field(lengthAboveZero, '') }, other: {} }),
    { of: 'one', size: mm('-1') },
    ['length-negative here.size'],
  ],
  [
    'of two records the one that has these fields',
    either({ size: field(lengthAboveZero, '') }, { depth: field(length, '') }),
    { size: mm('-1') },
    ['length-negative here.size'],
  ],
  ['a tool of the sheet', toolOfSheet, 4, []],
  ['a tool that is on no sheet', toolOfSheet, 5, ['reference-unknown here']],
  ['the bare nose', toolOfSheetOrNone, null, []],
  ['what stands in the spindle, on the sheet or not', registerOrNone, 5, []],
  [
    'texts and numbers',
    recordOf({ a: field(name, ''), b: field(oneOf(['x']), ''), c: field(wholeNumber(1, 2), '') }),
    { a: '', b: 'y', c: 9 },
    [],
  ],
])('%s', (_, shape, value, problems) => {
  expect(told(shape, value)).toEqual(problems)
})

test('names are looked at only where it is told what there is; a record by itself has places of its own', () => {
  expect(valueProblems(touch, { read: mm('1'), with: ['nobody’s'] }, 'here')).toEqual([])
  const fields = { read: field(length, '') }
  expect(recordProblems(fields, { read: mm('x') }, '')).toMatchObject([
    { place: 'read', received: 'x' },
  ])
})

test('an unknown name is told with those that there are', () => {
  expect(valueProblems(gaugeOfSheet, 'paper', 'body.with', KNOWN)).toEqual([
    { code: 'reference-unknown', place: 'body.with', received: 'paper', limit: 'setter' },
  ])
  expect(valueProblems(toolOfSheet, 9, 'body.tool', KNOWN)).toMatchObject([
    { received: 'T9', limit: 'T4' },
  ])
})
