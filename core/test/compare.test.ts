import { asOf, compareSetups, momentsOf, type Standing } from '../src/compare'
import type { SetupDocument, SetupFact } from '../src/facts'
import { solve } from '../src/solve'
import type { SetupSheet } from '../src/sheet'
import { describeMoment, describeSheetDifference, describeTermDifference } from '../src/words'
import { fact, mm, readingOf, workedDocument, workedSheet } from './worked-example'

const standing = (document: SetupDocument): Standing => ({ document, solution: solve(document) })
const touch = (read: string) =>
  readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool: 1, read: mm(read), with: ['setter'] })
const at = (read: string, changes: Partial<SetupSheet> = {}) =>
  standing(workedDocument(changes, [touch(read)]))

test('a number that differs is told by its parts, and they add up to the difference', () => {
  const { gauges } = workedSheet()
  const larger = gauges.map((gauge) =>
    gauge.id === 'setter' ? { ...gauge, size: mm('50.012') } : gauge,
  )
  const { registers, sheet } = compareSetups(at('-220.000'), at('-221.600', { gauges: larger }))
  const [H1, ...others] = registers
  expect(others).toEqual([])
  expect(H1).toMatchObject({
    address: 'H1',
    then: { value: -270_000_000, state: 'read' },
    now: { value: -271_612_000, state: 'read' },
  })
  const parts = H1!.because.map(({ then = 0, now = 0 }) => now - then)
  expect(parts).toEqual([-1_600_000, -12_000])
  expect(parts.reduce((sum, one) => sum + one, 0)).toBe(H1!.now!.value - H1!.then!.value)
  expect(H1!.because.map((part) => describeTermDifference(part, 'mm', 3))).toEqual([
    'machine Z, tip at the touch (T1) −1.600 mm',
    'what lay between (50 mm setter) −0.012 mm',
  ])
  expect(sheet.map(describeSheetDifference)).toEqual(['50 mm setter: 50.000 mm → 50.012 mm'])
})

test('the same numbers are as before, whatever they are called; what one of them lacks has no parts', () => {
  const none = standing(workedDocument({}, []))
  expect(compareSetups(at('-220.000'), at('-220')).equal).toContain('H1')
  expect(compareSetups(none, at('-220')).registers).toMatchObject([
    { address: 'H1', now: { value: -270_000_000 }, because: [] },
  ])
  expect(compareSetups(at('-220'), none).registers[0]).not.toHaveProperty('now')
  expect(compareSetups(none, none).registers).toEqual([])
})

test('repeats of one touch are one part of the number', () => {
  const twice = standing(workedDocument({}, [touch('-220.000'), touch('-220.010')]))
  const { registers } = compareSetups(at('-220.000'), twice)
  expect(registers[0]?.because).toEqual([
    {
      ...{ role: 'tip-at-contact', name: 'tip-on-plane:T1' },
      ...{ then: -220_000_000, now: -220_005_000 },
    },
  ])
})

test('what was declared otherwise: machine, plane, lengths, stock, holding, tools', () => {
  const { machine, tools } = workedSheet()
  const [first] = tools
  const assembly = (last: string) => `0190b2c4-0000-7000-8000-00000000000${last}`
  const then: Partial<SetupSheet> = {
    stock: { X: mm('100'), Y: mm('60'), Z: mm('30') },
    holding: { jaw: mm('50'), parallels: mm('38') },
    tools: [
      { ...first!, assembly: assembly('1') },
      { number: 2, name: 'drill' },
    ],
  }
  const now: Partial<SetupSheet> = {
    ...{ machine: { ...machine, name: 'Other mill' }, plane: 'steel block', school: 'gauge-line' },
    stock: { X: mm('100.000'), Y: mm('60'), Z: mm('31') },
    holding: { jaw: mm('50'), parallels: mm('35') },
    tools: [
      { ...first!, assembly: assembly('2') },
      { number: 3, name: 'tap' },
    ],
  }
  const words = compareSetups(at('-220', then), at('-220', now)).sheet.map(describeSheetDifference)
  expect(words).toEqual([
    `Machine: ${machine.name} → Other mill`,
    'Setting plane: fixed jaw → steel block',
    'Lengths: to a setting plane → real lengths, from the nose',
    'Stock along Z: 30 mm → 31 mm',
    'Holding, parallels: 38 mm → 35 mm',
    'T1: another 10 mm end mill',
    'T2: drill → none',
    'T3: none → tap',
  ])
})

const entered = (kind: SetupFact['kind'], body: object): SetupFact =>
  ({ ...fact(), kind, body }) as unknown as SetupFact

test('its moments: each release with itself, and each event from just before it', () => {
  const facts = [
    entered('sheet', workedSheet()),
    entered('reading', { of: 'tip-on-plane', tool: 1, read: mm('-220'), with: ['setter'] }),
    entered('record', { hash: 'a'.repeat(64) }),
    entered('event', { kind: 'tool-rechecked', tool: 1, from: mm('80'), to: mm('80'), kept: true }),
    entered('event', { kind: 'home-lost' }),
    entered('reading', { of: 'tip-on-plane', tool: 1, read: mm('-221'), with: ['setter'] }),
  ]
  const moments = momentsOf(facts)
  expect(moments.map(({ length, fact: { kind } }) => [length, kind])).toEqual([
    [4, 'event'],
    [3, 'record'],
  ])
  expect(moments.map((moment) => describeMoment(moment, []))).toEqual([
    expect.stringMatching(/^Before .*home/),
    'Released by Mira Toller',
  ])
  const before = asOf('0190b2c4-0000-7000-8000-000000000001', facts, 4)
  expect([before.readings.length, before.events.length, before.records.length]).toEqual([1, 1, 1])
  expect(solve(before).registers.find(({ address }) => address === 'H1')?.value).toBe(-270_000_000)
})
