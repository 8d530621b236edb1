import { appendFact, type SetupFact } from '@pine/core/facts'
import { formatLength, readLength, toNanometres } from '@pine/core/length'
import { isRemark } from '@pine/core/registers'
import type { Explanation } from '@pine/core/slips'
import { solve, type Solution } from '@pine/core/solve'
import type { ReadingDraft } from '@/areas/run/read/reading-draft'
import type { ReadingView } from '@/areas/run/read/reading-view'
import { standing } from '@/data/setup/standing'
import { viewAsTyped } from '../../client/test/run/as-typed'
import { NOW } from '../../client/test/run/set-ups'
import { GAP_WITHIN } from '../../core/src/proof/proven'
import { pick } from '../support/chance'
import {
  boreCase,
  DEPTHS,
  faceCase,
  heightCase,
  OTHER,
  SETTER,
  toolCase,
  type Case,
  type Depth,
} from '../support/expect-cases'
import { line } from '../support/shop'

// How many slips of a reading are told while it is typed, how many more are found before the release, and how often a right one is
// called a surprise: random shops (planes, tools, parts), at four depths of what is known before. Beside it what a bare check of the
// travels would tell.
// Run: npx tsx --tsconfig bench/tsconfig.json bench/core/expect.ts        (CASES=1000, SEED=1)

const CASES = Number(process.env['CASES'] ?? 1000)

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
  'work position': (_, { workPosition }) => workPosition?.toFixed(3),
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

interface Seen {
  readonly told: boolean
  /** The slip that the screen names first; none where it names none. */
  readonly named?: string
}
const UNTOLD: Seen = { told: false }

/** What the step shows while the number is typed; where nothing is known, what a bare check of the travels would tell. */
function seen({ document, toBe }: Case, depth: Depth, text: string): Seen {
  const read = readLength({ text, unit: 'mm' })
  if (!read.ok) return { told: true }
  const at = read.value.nm / 1e6
  if (depth === 'travels')
    return { told: toBe.of !== 'carried-difference' && (at < TRAVEL.min || at > TRAVEL.max) }
  const textY = 'readY' in toBe ? toBe.readY?.text : undefined
  const view = viewAsTyped(standing(document, NOW), toBe, {
    text,
    ...(textY !== undefined && { textY }),
    draft: toBe as Partial<ReadingDraft>,
  })
  if (!view.disagrees) return UNTOLD
  const named = namedFirst(view)
  return { told: true, ...(named !== undefined && { named }) }
}

/** Beneath the number: what the size is explained by, then the surprise, then what else disagrees. */
function namedFirst({ implied, surprise, warnings }: ReadingView): string | undefined {
  const causes = [
    ...(implied?.size?.causes ?? []),
    ...(surprise?.slip === undefined ? [] : [surprise.slip]),
    ...warnings.flatMap((warning) => warning.causes?.slice(0, 1) ?? []),
  ]
  return causes[0]?.code
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

/** What the screen calls each slip; the others have no name of their own, and are only told. */
const NAMES: Readonly<Record<string, readonly Explanation['code'][]>> = {
  'sign lost': ['reading-sign-lost'],
  'digits swapped': ['digits-swapped'],
  'digit wrong': ['digit-wrong'],
  'digit missing': ['digit-missing'],
  'digit doubled': ['digit-doubled'],
  'point shifted': ['decimal-shifted'],
  'inch for mm': ['unit-inch-for-mm', 'unit-mm-for-inch'],
  'wrong gauge': ['gauge-exchanged'],
  'gauge taken off by hand': ['gauge-doubled'],
  'work position': ['work-position'],
}

/** A slip of less is none that anybody is told of. */
const LEAST_MM = 0.5
const BANDS = { 'of 0.5 to 3 mm': 3, 'over 3 mm': Infinity } as const
const bandOf = (by: number) => (by <= BANDS['of 0.5 to 3 mm'] ? 'of 0.5 to 3 mm' : 'over 3 mm')

/** What was counted of one kind of slip at one depth. */
interface Counted {
  made: number
  told: number
  nameable: number
  named: number
  asked: number
  later: number
}
const counted = new Map<string, Counted>()
const countOf = (key: string): Counted => {
  const known = counted.get(key)
  if (known !== undefined) return known
  const none = { made: 0, told: 0, nameable: 0, named: 0, asked: 0, later: 0 }
  counted.set(key, none)
  return none
}
const alarms = new Map<string, number>()
for (const kind of Object.keys(KINDS) as Kind[])
  for (const depth of DEPTHS)
    for (let time = 0; time < CASES; time += 1) {
      const shop = KINDS[kind](depth)
      const text = formatLength(toNanometres(Math.round(shop.right * 1e6)), 'mm', 3)
      const key = `${kind} ${depth}`
      if (seen(shop, depth, text).told) alarms.set(key, (alarms.get(key) ?? 0) + 1)
      for (const [name, slip] of Object.entries(SLIPS)) {
        const slipped = slip(text, shop)
        const by = Math.abs(Number(slipped) - Number(text))
        if (slipped === undefined || by <= LEAST_MM) continue
        const counts = [name, bandOf(by), 'all of them'].map((row) => countOf(`${key} ${row}`))
        const { told, named } = seen(shop, depth, slipped)
        const codes = NAMES[name]
        // Solving is most of the work: one in ten tells the share.
        const asks = !told && time % 10 === 0
        const later = asks && isFoundLater(kind, shop, text, slipped)
        for (const one of counts) {
          one.made += 1
          if (told) one.told += 1
          if (codes !== undefined) one.nameable += 1
          if (codes?.some((code) => code === named) === true) one.named += 1
          if (asks) one.asked += 1
          if (later) one.later += 1
        }
      }
    }

const share = (count: number, of: number) => `${((100 * count) / Math.max(of, 1)).toFixed(1)} %`

/** Told at the reading · of those that have a name, named first · told, or found before the release. */
const cells = (key: string, isScreen: boolean) => {
  const count = counted.get(key)
  if (count === undefined) return '–'
  const { made, told, nameable, named, asked, later } = count
  const found = asked === 0 ? 1 : later / asked
  const names = !isScreen ? '' : nameable === 0 ? ' · –' : ` · ${share(named, nameable)}`
  return `${share(told, made)}${names} · ${share(told + found * (made - told), made)}`
}
for (const kind of Object.keys(KINDS) as Kind[]) {
  line(`slip at a ${kind}, over ${LEAST_MM} mm`, ...DEPTHS)
  line('---', ...DEPTHS.map(() => '---:'))
  for (const name of [...Object.keys(SLIPS), ...Object.keys(BANDS), 'all of them'])
    if (DEPTHS.some((depth) => counted.has(`${kind} ${depth} ${name}`)))
      line(name, ...DEPTHS.map((depth) => cells(`${kind} ${depth} ${name}`, depth !== 'travels')))
  line(
    'right readings called wrong',
    ...DEPTHS.map(
      (depth) => `${((100 * (alarms.get(`${kind} ${depth}`) ?? 0)) / CASES).toFixed(2)} %`,
    ),
  )
  process.stdout.write('\n')
}
