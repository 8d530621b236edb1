import { newReadingSchema } from '@pine/contract'
import {
  endsOf,
  wayInZ,
  waysAsked,
  type Gauge,
  type QuantityName,
  type SetupDocument,
} from '@pine/core'
import { bodyOf, circumstanceProblem, type ReadingDraft } from '../src/areas/run/reading-draft'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const gauges: readonly Gauge[] = [
  { id: 'block', kind: 'gauge-block', name: 'block', size: mm('25') },
  { id: 'shim', kind: 'shim', name: 'shim', size: mm('0.1') },
]
const document = {
  sheet: { gauges, machine: { lostMotion: { Z: mm('0.012') } }, offsets: [] },
} as unknown as SetupDocument

const written = () => mm('2.000')
const draft = (changes: Partial<ReadingDraft> = {}): ReadingDraft => ({
  with: [],
  withOnPlane: [],
  ...changes,
})
const difference: QuantityName = { of: 'fixture-difference', row: 'G55', from: 'G54' }
const carried: QuantityName = { of: 'carried-difference', row: 'G54' }

/** What is entered, as the contract takes it. */
const entered = (quantity: QuantityName, changes: Partial<ReadingDraft>) =>
  newReadingSchema.parse(bodyOf(draft(changes), quantity, written, undefined, false))

describe('both ends of a difference', () => {
  const DRAFTS: readonly Partial<ReadingDraft>[] = [
    {},
    { with: ['block'] },
    { with: ['shim'], withOnFrom: ['block'] },
    { with: ['block'], withOnFrom: [] },
    { ways: { own: '+' } },
    { ways: { other: '+' } },
    { with: ['block'], ways: { own: '-' } },
    { with: ['block'], ways: { other: '-' } },
    { with: ['shim'], withOnFrom: ['block'], ways: { own: '+', other: '-' } },
    { with: ['shim'], withOnPlane: ['block'], ways: { own: '+' } },
  ]
  test.each(
    DRAFTS.flatMap((changes) =>
      [difference, carried].map(
        (quantity) => [JSON.stringify(changes), quantity, changes] as const,
      ),
    ),
  )('%s: what the screen shows as chosen is what counts', (_, quantity, changes) => {
    const zeroedOn = quantity.of === 'carried-difference' ? 'plane' : 'from'
    const body = entered(quantity, { ...changes, zeroedOn })
    const other =
      quantity.of === 'carried-difference'
        ? (changes.withOnPlane ?? [])
        : (changes.withOnFrom ?? changes.with ?? [])
    const shown = waysAsked(document, quantity, changes.with ?? [], other).map(
      ({ end, usual }) => changes.ways?.[end] ?? usual,
    )
    const ends = endsOf({ ...body, id: '', by: '', at: '' } as never)
    const counted = ends.map((end) =>
      wayInZ(end, (ids) => gauges.filter(({ id }) => ids.includes(id))),
    )
    expect(counted).toEqual(shown)
    expect(ends.map((end) => end.gauges)).toEqual([changes.with ?? [], other])
  })
  test('nothing said of the other end: it is left out, as files had it before', () => {
    expect(entered(difference, { zeroedOn: 'row', with: ['shim'] })).toEqual({
      ...difference,
      zeroedOn: 'row',
      read: mm('2.000'),
      with: ['shim'],
    })
  })
  test('where the counter was zeroed is asked, never assumed', () => {
    expect(bodyOf(draft(), difference, written, undefined, false)).toBeUndefined()
    expect(
      bodyOf(draft({ zeroedOn: 'plane' }), difference, written, undefined, false),
    ).toBeUndefined()
    expect(bodyOf(draft({ zeroedOn: 'row' }), carried, written, undefined, false)).toBeUndefined()
    expect(circumstanceProblem(document, draft(), carried)).toContain(
      'where the counter was zeroed',
    )
    expect(circumstanceProblem(document, draft({ zeroedOn: 'plane' }), carried)).toBeUndefined()
  })
})

test('a place in a plane carries the ways that were said, each by its axis', () => {
  const sweep: QuantityName = { of: 'sweep', row: 'G54' }
  expect(entered(sweep, { ways: { Y: '+' }, with: [] })).toMatchObject({ approaches: { Y: '+' } })
  expect(entered(sweep, {})).not.toHaveProperty('approaches')
})

test('the tool in the spindle is asked for where Z is set; the bare nose is none', () => {
  const nose: QuantityName = { of: 'nose-on-part', row: 'G54' }
  expect(bodyOf(draft({ holds: 'none' }), nose, written, undefined, true)).toBeUndefined()
  expect(
    bodyOf(draft({ holds: 'none', controlSays: '3' }), nose, written, undefined, true),
  ).toMatchObject({ spindle: { holds: null, controlSays: 3 } })
  expect(circumstanceProblem(document, draft({ holds: 'none' }), nose)).toContain('control takes')
})

test('a reading that replaces another says which and why; without a reason it is a repeat', () => {
  const tip: QuantityName = { of: 'tip-on-plane', tool: 1 }
  const id = '019aaaaa-0000-7000-8000-000000000001'
  expect(bodyOf(draft({ replaces: 'misread' }), tip, written, id, false)).toMatchObject({
    supersedes: id,
    reason: 'misread',
  })
  expect(bodyOf(draft(), tip, written, id, false)).not.toHaveProperty('supersedes')
})
