import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { type SetupDocument } from '@pine/core/facts'
import { stepsOf } from '@pine/core/plan'
import { solve } from '@pine/core/solve'
import { parseSetupFile } from '../src'

// Files as version 1 wrote them, with what was worked out of them then, before there were streams: three examples, and
// eight set-ups in which home, planes, parts, tools, gauges and external offsets changed between readings.

const fixture = (name: string) =>
  JSON.parse(readFileSync(join(__dirname, 'fixtures/version-1', name), 'utf8'))

const opened = (input: unknown): SetupDocument => {
  const parsed = parseSetupFile(input)
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems))
  return parsed.document
}

/** Numbers, how far they are to be trusted, what they are stale by, and what is still to do. */
function told(document: SetupDocument) {
  const solution = solve(document, { now: '2026-11-26T12:00:00Z' })
  return {
    registers: solution.registers.map(({ address, value, state, stale }) => ({
      address,
      value: value ?? null,
      state,
      stale: stale === undefined ? null : stale.by === 'event' ? stale.event.id : 'age',
    })),
    open: stepsOf(document, solution, false)
      .filter(({ done }) => !done)
      .map(({ step }) => step.key)
      // Since then a control that captures positions is keyed at each touch: another order, the same steps.
      .toSorted(),
  }
}

type Told = ReturnType<typeof told>

const asItWas = (expected: Told): Told => ({ ...expected, open: expected.open.toSorted() })

test.each(['whole-run', 'sensor-and-events', 'both-sides'])('%s opens as it was', (name) => {
  expect(told(opened(fixture(`${name}.json`)))).toEqual(asItWas(fixture(`${name}.expected.json`)))
})

test('set-ups in which things moved open as they were', () => {
  const moved: { document: unknown; expected: Told }[] = fixture('moved.json')
  expect(moved).toHaveLength(8)
  for (const { document, expected } of moved)
    expect(told(opened(document))).toEqual(asItWas(expected))
})

test('what is wrong is told where it stands in the file that came', () => {
  const old = fixture('whole-run.json')
  old.readings[1].read.text = '12..5'
  old.sheet.tools[0].number = -1
  const parsed = parseSetupFile(old)
  expect(parsed.ok ? [] : parsed.problems.map(({ place }) => place)).toEqual([
    'sheet.tools.0.number',
  ])
  old.sheet.tools[0].number = 1
  const again = parseSetupFile(old)
  expect(again.ok ? [] : again.problems.map(({ place }) => place)).toEqual(['readings.1.read'])
  const { readBacks: _left, ...without } = fixture('whole-run.json')
  expect(parseSetupFile(without)).toMatchObject({ ok: false, problems: [{ place: 'readBacks' }] })
})

test('read-backs of the first files get their order from their times', () => {
  const old = fixture('whole-run.json')
  const registers = told(opened(old)).registers
  for (const readBack of old.readBacks) delete readBack.afterReadings
  expect(told(opened(old)).registers).toEqual(registers)
})

test('a gauge that was good until a count of readings was good through the last of them', () => {
  const old = fixture('whole-run.json')
  const gauge = old.sheet.gauges[0].id
  const failed = (goodUntil?: number) => {
    const event = {
      id: '019aaaaa-0000-7000-8000-00000000eeee',
      by: 'Mira Toller',
      at: '2026-03-02T12:00:00Z',
      afterReadings: old.readings.length,
      kind: 'check-failed',
      gauge,
      ...(goodUntil !== undefined && { goodUntil }),
    }
    const [last] = opened({ ...old, events: [...(old.events ?? []), event] }).events.slice(-1)
    return last
  }
  expect(failed(2)).toMatchObject({ lastGood: old.readings[1].id })
  expect(failed(1)).toMatchObject({ lastGood: old.readings[0].id })
  expect(failed(0)).not.toHaveProperty('lastGood')
  expect(failed()).not.toHaveProperty('lastGood')
})
