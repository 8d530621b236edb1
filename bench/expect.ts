import { expectReading, isCircleTouch, surpriseAround, surpriseOf } from '@pine/core/expect'
import { appendFact, type SetupFact } from '@pine/core/facts'
import { formatLength, readLength, toNanometres } from '@pine/core/length'
import { isRemark } from '@pine/core/registers'
import { solve, type Solution } from '@pine/core/solve'
import { GAP_WITHIN } from '../core/src/proof/proven'
import { pick } from './support/chance'
import {
  boreCase,
  DEPTHS,
  faceCase,
  heightCase,
  OTHER,
  SETTER,
  toolCase,
  type Case,
} from './support/expect-cases'
import { line } from './support/shop'

// How many slips of a reading are told while it is typed, how many more are found before the release, and how often a right one is
// called a surprise: random shops (planes, tools, parts), at four depths of what is known before. Beside it what a bare check of the
// travels would tell.
// Run: npx tsx bench/expect.ts        (CASES=4000, SEED=1)

const CASES = Number(process.env['CASES'] ?? 4000)

const TRAVEL = { min: -600, max: 0 }

const KINDS = { tool: toolCase, face: faceCase, height: heightCase, bore: boreCase } as const
type Kind = keyof typeof KINDS

/** What each slip makes of a number; undefined where that reading cannot be made so. */
const SLIPS: Readonly<Record<string, (text: string, shop: Case) => string | undefined>> = {
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
  'wrong gauge': (text, { otherTool }) =>
    otherTool === undefined ? undefined : (Number(text) + OTHER - SETTER).toFixed(3),
  'gauge taken off by hand': (text, { otherTool }) =>
    otherTool === undefined ? undefined : (Number(text) - SETTER).toFixed(3),
  'counter not zeroed': (_, { notZeroed }) => notZeroed?.toFixed(3),
  'wrong tool': (_, { otherTool }) => otherTool?.toFixed(3),
  'wrong face': (_, { otherFace }) => otherFace?.toFixed(3),
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
  if (toBe.of !== 'carried-difference' && (at < TRAVEL.min || at > TRAVEL.max)) return true
  const inHand = { text, unit: 'mm' as const }
  const touch = { ...toBe, read: inHand }
  if (isCircleTouch(touch)) return surpriseAround(document, touch) !== undefined
  const expected = expectReading(document, toBe)
  return expected !== undefined && surpriseOf(document, toBe, expected, inHand) !== undefined
}

/** What the numbers are once it was entered. */
const solvedWith = ({ document, whole = document, toBe }: Case, text: string): Solution =>
  solve(
    appendFact(whole, {
      kind: 'reading',
      body: { ...toBe, read: { text, unit: 'mm' } },
      id: '019c2f00-0000-7000-8000-00000000ffff',
      by: { name: '' },
      at: '2026-03-02T10:00:00Z',
      via: 'typed',
    } as SetupFact),
  )

/** An eye over a pointed tool sees so much beside zero (common practice, no source). */
const EYE_MM = 1

/** Whether a slip that was entered is found before the release, where the tool and its row are proven: by what it disagrees with, or by the proof. */
function isFoundLater(kind: Kind, shop: Case, right: string, slipped: string): boolean {
  const [was, is] = [solvedWith(shop, right), solvedWith(shop, slipped)]
  const address = { tool: 'H1', face: 'G54.X', height: 'G54.Z', bore: 'G54.X' }[kind]
  const valueOf = ({ registers }: Solution) =>
    registers.find((one) => one.address === address)?.value
  const [before, after] = [valueOf(was), valueOf(is)]
  if (is.sizes.some(({ agrees }) => !agrees)) return true
  if (is.warnings.some((one) => !isRemark(one))) return true
  if (before === undefined || after === undefined) return false
  const error = Math.abs(after - before)
  return kind === 'face' || kind === 'bore' ? error > EYE_MM * 1e6 : error > GAP_WITHIN
}

const share = (count: number, of: number) => `${((100 * count) / Math.max(of, 1)).toFixed(1)} %`

const [told, made, later] = [
  new Map<string, number>(),
  new Map<string, number>(),
  new Map<string, number>(),
]
const count = (map: Map<string, number>, ...keys: readonly string[]) => {
  for (const key of keys) map.set(key, (map.get(key) ?? 0) + 1)
}
const alarms = new Map<string, number>()
for (const kind of Object.keys(KINDS) as Kind[])
  for (const depth of DEPTHS)
    for (let time = 0; time < CASES; time += 1) {
      const shop = KINDS[kind](depth)
      const text = formatLength(toNanometres(Math.round(shop.right * 1e6)), 'mm', 3)
      if (isTold(shop, text)) count(alarms, `${kind} ${depth}`, depth)
      for (const [name, slip] of Object.entries(SLIPS)) {
        const slipped = slip(text, shop)
        if (slipped === undefined || Math.abs(Number(slipped) - Number(text)) <= 1) continue
        const keys = [`${kind} ${name} ${depth}`, `${kind} ${depth}`, depth]
        count(made, ...keys)
        if (isTold(shop, slipped)) count(told, ...keys)
        // Solving is most of the work: one in ten tells the share.
        else if (time % 10 === 0) {
          count(later, ...keys.map((key) => `asked ${key}`))
          if (isFoundLater(kind, shop, text, slipped)) count(later, ...keys)
        }
      }
    }

/** Caught at the reading, and with what is found of the rest before the release. */
const cells = (key: string) => {
  const [all, at] = [made.get(key) ?? 0, told.get(key) ?? 0]
  if (all === 0) return '–'
  const asked = later.get(`asked ${key}`) ?? 0
  const found = asked === 0 ? 1 : (later.get(key) ?? 0) / asked
  return `${share(at, all)} · ${share(at + found * (all - at), all)}`
}
for (const kind of Object.keys(KINDS) as Kind[]) {
  line(`slip at a ${kind}, over 1 mm`, ...DEPTHS)
  line('---', ...DEPTHS.map(() => '---:'))
  for (const name of Object.keys(SLIPS))
    if (DEPTHS.some((depth) => made.has(`${kind} ${name} ${depth}`)))
      line(name, ...DEPTHS.map((depth) => cells(`${kind} ${name} ${depth}`)))
  line('all of them', ...DEPTHS.map((depth) => cells(`${kind} ${depth}`)))
  line(
    'right readings called a surprise',
    ...DEPTHS.map(
      (depth) => `${((100 * (alarms.get(`${kind} ${depth}`) ?? 0)) / CASES).toFixed(2)} %`,
    ),
  )
  process.stdout.write('\n')
}
