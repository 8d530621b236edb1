import { type Reading, type SetupDocument } from '../src/facts'
import { solve } from '../src/solve'
import { describeWarning } from '../src/words'
import {
  difference,
  event,
  mm,
  noseTouch,
  readingOf,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

// The plane lies at −350 for the bare nose, the stock top 30 below it by the carried difference: the nose meets it at −380,
// and T1, which is 80 long, at −300.
const noseOnPart = (read: string) =>
  readingOf<'nose-on-part'>({ of: 'nose-on-part', row: 'G54', read: mm(read), with: [] })
const tipOnPart = (read: string) =>
  readingOf<'tip-on-part'>({ of: 'tip-on-part', tool: 1, row: 'G54', read: mm(read), with: [] })
const first = [noseTouch(), tipTouch(), difference()]
const apart = (also: Reading, changes: Partial<SetupDocument> = {}) =>
  solve({ ...workedDocument({ school: 'gauge-line' }, [...first, also]), ...changes })
    .warnings.filter(({ code }) => code === 'ways-differ')
    .map(({ place, amount = NaN }) => `${place} ${amount / 1e6}`)

test('a second way to a height that tells the same says nothing', () => {
  expect(apart(noseOnPart('-380.000'))).toEqual([])
  expect(apart(noseOnPart('-379.970'))).toEqual([])
  expect(apart(tipOnPart('-300.000'))).toEqual([])
})

test('one that tells otherwise is told, with how far and to which side', () => {
  expect(apart(noseOnPart('-379.000'))).toEqual(['nose-on-part:G54 1'])
  expect(apart(noseOnPart('-381.000'))).toEqual(['nose-on-part:G54 -1'])
  expect(apart(tipOnPart('-300.500'))).toEqual(['tip-on-part:G54:T1 -0.5'])
})

test('it is told at the one that was read last, also where that is the way of the sheet, with its slip', () => {
  const before = [noseTouch(), tipTouch(), noseOnPart('-380.000')]
  const wrong = readingOf<'carried-difference'>({
    of: 'carried-difference',
    row: 'G54',
    zeroedOn: 'plane',
    withOnPlane: [],
    read: mm('30.000'),
    with: [],
  })
  const [warning] = solve(
    workedDocument({ school: 'gauge-line' }, [...before, wrong]),
  ).warnings.filter(({ code }) => code === 'ways-differ')
  expect(warning).toMatchObject({
    place: 'carried-difference:G54',
    beside: 'nose-on-part:G54',
    amount: 60_000_000,
  })
  expect(warning?.causes?.[0]?.code).toBe('sign-turned')
  const words = describeWarning(warning!, (nm) => `${nm / 1e6} mm`)
  expect(words).toContain(
    'G54 from the plane gives a stock top 60 mm higher than G54 top by the nose',
  )
})

test('the number stays what the sheet counts by', () => {
  const z = (also: readonly Reading[]) =>
    solve(workedDocument({ school: 'gauge-line' }, [...first, ...also])).registers.find(
      ({ address }) => address === 'G54.Z',
    )?.value
  expect(z([noseOnPart('-379.000')])).toBe(z([]))
})

test('what moved between the two is no difference', () => {
  const moved = event({ kind: 'part-changed', row: 'G54' })
  expect(apart(noseOnPart('-350.000'), { events: [moved] })).toEqual([])
})

test('between fixtures as well: a counter against two touches', () => {
  const rows = (['G54', 'G55'] as const).map((row) => ({
    ...workedSheet().offsets[0]!,
    row,
    Z: { by: 'nose-on-part' as const, facing: mm('0') },
  }))
  const onSecond = { ...noseOnPart('-375.000'), row: 'G55' as const }
  const counter = (read: string) =>
    readingOf<'fixture-difference'>({
      of: 'fixture-difference',
      row: 'G55',
      from: 'G54',
      zeroedOn: 'row',
      read: mm(read),
      with: [],
    })
  const said = (read: string) =>
    solve(
      workedDocument({ school: 'gauge-line', offsets: rows }, [
        noseTouch(),
        noseOnPart('-380.000'),
        onSecond,
        counter(read),
      ]),
    ).warnings.filter(({ code }) => code === 'ways-differ')
  // Zeroed on the second, which lies 5 higher: the counter shows −5 at the first.
  expect(said('-5.000')).toEqual([])
  expect(said('5.000')).toMatchObject([
    { place: 'fixture-difference:G55:G54', amount: -10_000_000 },
  ])
})

describe('a tool of known length that was touched as well', () => {
  // Nose at −300 and tip at −220 on the same setter: 80 long.
  const known = (length: string, readings: readonly Reading[] = [noseTouch(), tipTouch()]) => {
    const [tool] = workedSheet().tools
    const tools = [{ ...tool!, length: mm(length) }]
    return solve(workedDocument({ school: 'gauge-line', tools }, readings)).warnings.filter(
      ({ code }) => code === 'known-length-differs',
    )
  }

  test('agrees within chance, or is told by how much and to which side', () => {
    expect(known('80.000')).toEqual([])
    expect(known('80.010')).toEqual([])
    expect(known('79.500')).toMatchObject([{ place: 'tip-on-plane:T1', amount: 500_000 }])
    expect(known('81.000')).toMatchObject([{ amount: -1_000_000 }])
    const [longer, shorter] = [known('79.500'), known('81.000')].map(([warning]) =>
      describeWarning(warning!, (nm) => `${nm / 1e6} mm`),
    )
    expect(longer).toContain('T1 on the plane: as touched it is 0.5 mm longer')
    expect(shorter).toContain('1 mm shorter')
  })

  test('with the setter forgotten at one of the two, its slip is named', () => {
    const bare = { ...tipTouch(), read: mm('-270.000') }
    const [warning] = known('80.000', [noseTouch(), bare])
    expect(warning?.amount).toBe(-50_000_000)
    expect(warning?.causes?.map(({ code }) => code)).toContain('gauge-forgotten')
  })

  test('that finds the plane itself has nothing to be compared with; nor across a moved plane', () => {
    expect(known('95.000', [tipTouch()])).toEqual([])
    const [tool] = workedSheet().tools
    const nose = noseTouch()
    const moved = event({ kind: 'plane-moved' })
    const document = workedDocument(
      { school: 'gauge-line', tools: [{ ...tool!, length: mm('95') }] },
      [nose, tipTouch()],
    )
    expect(
      solve({ ...document, events: [moved] }).warnings.filter(
        ({ code }) => code === 'known-length-differs',
      ),
    ).toEqual([])
  })
})
