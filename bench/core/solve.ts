import { readFileSync } from 'node:fs'
import { performance } from 'node:perf_hooks'
import { parseSetupText } from '@pine/contract'
import { type SetupDocument } from '@pine/core/facts'
import { solve } from '@pine/core/solve'
import { Decimal } from 'decimal.js'

// How fast a set-up is solved, beside the bare arithmetic of one register done with a decimal library, and how it
// grows with the number of tools. Run: npx tsx bench/core/solve.ts

const parsed = parseSetupText(
  readFileSync(new URL('../../docs/examples/gauge-line.json', import.meta.url), 'utf8'),
)
if (!parsed.ok) throw new Error('the example is broken')
const one = parsed.document

function withTools(count: number): SetupDocument {
  const touch = one.readings.find((reading) => reading.of === 'tip-on-plane')
  if (touch?.of !== 'tip-on-plane') throw new Error('the example has no tool')
  const numbers = Array.from({ length: count }, (_, index) => index + 1)
  const others = one.readings.filter((reading) => reading.of !== 'tip-on-plane')
  return {
    ...one,
    sheet: {
      ...one.sheet,
      tools: numbers.map((number) => ({ number, name: 'tool', lengthRegister: number })),
    },
    readings: [...others, ...numbers.map((tool) => ({ ...touch, tool, id: `tool-${tool}` }))],
  }
}

const wrongOf = ({ sheet, readings, length }: SetupDocument): SetupDocument['readBacks'] =>
  sheet.tools.map(({ number }) => ({
    id: `shown-${number}`,
    by: readings[0]!.by,
    at: readings[0]!.at,
    via: 'typed',
    place: length + number,
    address: `H${number}`,
    moment: 'after',
    shown: { text: (13.457 + number * 0.731).toFixed(3), unit: 'mm' },
  }))

function perSecond(work: () => void): number {
  for (let warm = 0; warm < 20; warm += 1) work()
  const started = performance.now()
  let times = 0
  while (performance.now() - started < 1500) {
    work()
    times += 1
  }
  return (times * 1000) / (performance.now() - started)
}

const byDecimal = perSecond(() => {
  for (let register = 0; register < 10; register += 1)
    new Decimal('-220.000')
      .minus('50.000')
      .minus(new Decimal('-300.000').minus('50.000'))
      .toFixed(3)
})
process.stdout.write(`ten lengths by decimal.js alone: ${Math.round(byDecimal)} a second\n`)
for (const tools of [10, 100, 1000]) {
  const document = withTools(tools)
  const rate = perSecond(() => void solve(document))
  process.stdout.write(
    `solve, ${tools} tools: ${rate.toFixed(1)} a second, ${(1e6 / rate / tools).toFixed(1)} µs a tool\n`,
  )
  // Each row shows a wrong number, of which every slip is tried: the most that a set-up can ask for.
  const wrong = { ...document, readBacks: wrongOf(document) }
  const [explained, not] = [true, false].map((explains) =>
    perSecond(() => void solve(wrong, {}, { explains })).toFixed(1),
  )
  process.stdout.write(
    `the same, every number read back wrong: ${explained} a second; as the server's list asks, without causes: ${not}\n`,
  )
}
