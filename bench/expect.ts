import { expectReading, surpriseAt, type ReadingToBe } from '@pine/core/expect'
import type { Reading, SetupDocument } from '@pine/core/facts'
import { parseSetupText } from '@pine/contract'
import { formatLength, readLength, toNanometres } from '@pine/core/length'
import { readFileSync } from 'node:fs'
import { pick, random } from './support/chance'
import { line } from './support/shop'

// How many slips of a reading are told while it is typed, and how often a right one is called a surprise: random shops (planes,
// tools, parts), at four depths of what is known before. Beside it what a bare check of the travels would tell.
// Run: npx tsx bench/expect.ts        (CASES=4000, SEED=1)

const CASES = Number(process.env['CASES'] ?? 4000)

const parsed = parseSetupText(
  readFileSync(new URL('../docs/examples/setting-plane.json', import.meta.url), 'utf8'),
)
if (!parsed.ok) throw new Error('the example is broken')
const one = parsed.document

const between = (low: number, high: number) => low + (high - low) * random()
const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
const mm = (value: number) => ({ text: value.toFixed(3), unit: 'mm' as const })

const SETTER = 50
const OTHER = 100
const TRAVEL = { min: -600, max: 0 }

const DEPTHS = ['travels', 'sheet', 'rule', 'last time'] as const
type Depth = (typeof DEPTHS)[number]

interface Case {
  readonly document: SetupDocument
  readonly toBe: ReadingToBe
  readonly right: number
  /** What the same touch of another tool reads. */
  readonly otherTool: number
}

/** A tool on the setting plane, of a length that tools have; what is known of it by depth. */
function toolCase(depth: Depth): Case {
  const [length, other] = [between(55, 260), between(55, 260)]
  const plane = between(-520, -300)
  const right = plane + SETTER + length + 0.005 * normal()
  const known =
    depth === 'rule'
      ? { rough: mm(length + normal()) }
      : depth === 'last time'
        ? { lastLength: mm(length + 0.05 * normal()) }
        : {}
  const gauges = [
    { id: 'setter', kind: 'height-setter', name: 'setter', size: mm(SETTER) },
    { id: 'block', kind: 'gauge-block', name: 'block', size: mm(OTHER) },
  ] as const
  const nose = {
    ...one.readings.find(({ of }) => of === 'nose-on-plane'),
    read: mm(plane + SETTER),
    with: ['setter'],
  } as Reading
  return {
    document: {
      ...one,
      sheet: {
        ...one.sheet,
        gauges,
        tools: [{ number: 1, name: 'mill', lengthRegister: 1, ...known }],
      },
      // Nothing but the travels is known where the plane was not touched.
      readings: depth === 'travels' ? [] : [nose],
    },
    toBe: { of: 'tip-on-plane', tool: 1, with: ['setter'] },
    right,
    otherTool: right - length + other,
  }
}

const SLIPS: Readonly<Record<string, (text: string, shop: Case) => string>> = {
  'sign lost': (text) => (text.startsWith('-') ? text.slice(1) : `-${text}`),
  'digits swapped': (text) => {
    const places = swappable(text)
    const [a, b] = pick(places)
    const characters = [...text]
    ;[characters[a], characters[b]] = [characters[b]!, characters[a]!]
    return characters.join('')
  },
  'digit wrong': (text) => {
    const place = pick(digitsOf(text))
    const wrong = pick([...'0123456789'].filter((digit) => digit !== text[place]))
    return text.slice(0, place) + wrong + text.slice(place + 1)
  },
  'digit missing': (text) => {
    const place = pick(digitsOf(text))
    return text.slice(0, place) + text.slice(place + 1)
  },
  'digit doubled': (text) => {
    const place = pick(digitsOf(text))
    return text.slice(0, place) + text[place] + text.slice(place)
  },
  'point shifted': (text) => (Number(text) * pick([0.1, 10, 100])).toFixed(3),
  'inch for mm': (text) => (Number(text) / 25.4).toFixed(4),
  'wrong gauge': (text) => (Number(text) + OTHER - SETTER).toFixed(3),
  'gauge taken off by hand': (text) => (Number(text) - SETTER).toFixed(3),
  'wrong tool': (_, { otherTool }) => otherTool.toFixed(3),
}
const digitsOf = (text: string) =>
  [...text].flatMap((character, place) => (/\d/.test(character) ? [place] : []))
function swappable(text: string): readonly (readonly [number, number])[] {
  const places = digitsOf(text)
  const pairs = places
    .slice(1)
    .map((right, index) => [places[index]!, right] as const)
    .filter(([a, b]) => text[a] !== text[b])
  return pairs.length > 0 ? pairs : [[0, 0]]
}

function isTold({ document, toBe }: Case, text: string): boolean {
  const read = readLength({ text, unit: 'mm' })
  if (!read.ok) return true
  const at = read.value.nm / 1e6
  if (at < TRAVEL.min || at > TRAVEL.max) return true
  const expected = expectReading(document, toBe)
  return (
    expected !== undefined &&
    surpriseAt(expected, read.value, {
      unit: 'mm',
      decimals: 3,
      said: [{ name: 'setter', nm: toNanometres(SETTER * 1e6) }],
      others: [{ name: 'block', nm: toNanometres(OTHER * 1e6) }],
    }) !== undefined
  )
}

const share = (count: number, of: number) => `${((100 * count) / Math.max(of, 1)).toFixed(1)} %`

line('slip that moves the tip by more than 1 mm', ...DEPTHS)
line('---', ...DEPTHS.map(() => '---:'))
const [told, made] = [new Map<string, number>(), new Map<string, number>()]
const count = (map: Map<string, number>, key: string) => map.set(key, (map.get(key) ?? 0) + 1)
const alarms = new Map<string, number>()
for (const depth of DEPTHS)
  for (let time = 0; time < CASES; time += 1) {
    const shop = toolCase(depth)
    const text = formatLength(toNanometres(Math.round(shop.right * 1e6)), 'mm', 3)
    if (isTold(shop, text)) count(alarms, depth)
    for (const [name, slip] of Object.entries(SLIPS)) {
      const slipped = slip(text, shop)
      if (Math.abs(Number(slipped) - Number(text)) <= 1) continue
      count(made, `${name} ${depth}`)
      count(made, depth)
      if (!isTold(shop, slipped)) continue
      count(told, `${name} ${depth}`)
      count(told, depth)
    }
  }
const row = (name: string, key: (depth: Depth) => string) =>
  line(name, ...DEPTHS.map((depth) => share(told.get(key(depth)) ?? 0, made.get(key(depth)) ?? 0)))
for (const name of Object.keys(SLIPS)) row(name, (depth) => `${name} ${depth}`)
row('all of them', (depth) => depth)
line(
  'right readings called a surprise',
  ...DEPTHS.map((depth) => `${((100 * (alarms.get(depth) ?? 0)) / CASES).toFixed(2)} %`),
)
