import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { SETUP_FACTS, parseSetupText } from '@pine/contract'
import { type SetupDocument } from '@pine/core/facts'
import { waysAsked } from '@pine/core/plan'
import { type QuantityName } from '@pine/core/quantities'
import { solve } from '@pine/core/solve'
import { bodyOf, circumstanceProblem, type ReadingDraft } from '../src/areas/run/read/reading-draft'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const parsed = parseSetupText(
  readFileSync(join(__dirname, '../../docs/examples/both-sides.json'), 'utf8'),
)
if (!parsed.ok) throw new Error('the example is broken')
/** A screw in Z with backlash, a block and a shim; the last reading is the difference. */
const document: SetupDocument = {
  ...parsed.document,
  readings: parsed.document.readings.slice(0, -1),
}

const written = () => mm('2.000')
const draft = (changes: Partial<ReadingDraft> = {}): ReadingDraft => ({
  with: [],
  withOnPlane: [],
  ...changes,
})
const difference: QuantityName = { of: 'fixture-difference', row: 'G54.1 P2', from: 'G54' }
const carried: QuantityName = { of: 'carried-difference', row: 'G54' }

/** What is entered, as the contract takes it. */
const entered = (quantity: QuantityName, changes: Partial<ReadingDraft>) =>
  SETUP_FACTS.reading.body.parse(bodyOf(draft(changes), quantity, written, undefined, false))

/** Z of the row that a difference gives. */
function heightOf(quantity: QuantityName, body: object): number {
  const row = 'row' in quantity ? quantity.row : ''
  const offsets = document.sheet.offsets.map((plan) =>
    plan.row === row && quantity.of === 'carried-difference'
      ? { ...plan, Z: { by: quantity.of, facing: mm('0') } }
      : plan,
  )
  const last = { id: 'last', by: { name: '' }, at: '', via: 'typed', place: document.length }
  const reading = { ...body, ...last } as SetupDocument['readings'][number]
  const solution = solve({
    ...document,
    sheet: { ...document.sheet, offsets },
    readings: [...document.readings, reading],
  })
  const value = solution.registers.find(({ address }) => address === `${row}.Z`)?.value
  if (value === undefined) throw new Error(`${row}.Z has no number`)
  return value
}

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
    const [own, there] = waysAsked(document, quantity, changes.with ?? [], other).map(
      ({ end, usual }) => changes.ways?.[end] ?? usual,
    )
    // The same with everything said that the screen shows.
    const said =
      quantity.of === 'carried-difference'
        ? { approach: own, approachOnPlane: there }
        : { approach: own, withOnFrom: other, approachOnFrom: there }
    expect(heightOf(quantity, body)).toBe(heightOf(quantity, { ...body, ...said }))
  })
  test('the two ends weigh against each other: rising to one alone is the backlash of 0.012', () => {
    const by = (ways: ReadingDraft['ways']) =>
      heightOf(difference, entered(difference, { zeroedOn: 'from', ways }))
    expect(by({ own: '+' }) - by({})).toBe(-12_000)
    expect(by({ other: '+' }) - by({})).toBe(12_000)
    expect(by({ own: '+', other: '+' })).toBe(by({}))
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

test('a fixed setter’s cycle is entered only once its contact has shown, and is no matter with another gauge', () => {
  const cycled = {
    sheet: {
      ...document.sheet,
      gauges: [
        { id: 'fixed', kind: 'fixed-setter' },
        { id: 'block', kind: 'gauge-block' },
      ],
    },
  } as unknown as SetupDocument
  const asked = (changes: Partial<ReadingDraft>) =>
    circumstanceProblem(cycled, draft(changes), { of: 'tip-on-plane', tool: 1 })
  expect(asked({ with: ['fixed'] })).toContain('press the setter’s contact by hand')
  expect(asked({ with: ['fixed'], contact: 'dead' })).toContain('Do not start the cycle')
  expect(asked({ with: ['fixed'], contact: 'shown' })).toBeUndefined()
  expect(asked({ with: ['block'] })).toBeUndefined()
})
