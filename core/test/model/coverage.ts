import { type WrittenLength } from '../../src/length'
import { solve } from '../../src/solve'
import type { Chance } from '../random'
import { setupOf } from '../worked-example'
import { asFact, Machinist, type Hand } from './machinist'
import { modelSheet, type ModelOptions, type ModelSheet } from './sheet'
import { trueRegisters } from './world'

// Readings scatter by the repeatability that is declared, gauges by their uncertainty, and a display rounds to its
// step: how often does the stated interval hold the true number?

/** One standard deviation of a contact with a gauge, and of its size, in millimetres, as the sheet declares them. */
const DECLARED: Readonly<Record<string, readonly [contact: number, size: number]>> = {
  setter: [0.003, 0.002],
  raised: [0.003, 0.002],
  block: [0.005, 0.001],
  paper: [0.012, 0.005],
  shim: [0.005, 0.005],
  finder: [0.005, 0.002],
  sensor: [0.005, 0.002],
  probe: [0.002, 0.001],
}
/** Nothing between, and a number that is declared with how sure it is. */
const BARE = 0.02
const DIAL = 0.003
const MICROMETER = 0.003
const DECLARED_NUMBER = 0.008

export interface CoverageWay {
  readonly name: string
  readonly address: string
  readonly options: ModelOptions
  readonly usual?: Partial<Record<'plane' | 'part' | 'face', string>>
  /** Repeats of every touch; five and more speak for themselves. */
  readonly repeats?: number
  /** What the sheet declares, and is not quite so. */
  readonly declares?: 'length' | 'constant' | 'master' | 'quill'
  readonly radius?: boolean
}

const mm = (rows: ModelOptions['rows'], more: ModelOptions = {}): ModelOptions => ({
  unit: 'mm',
  decimals: 3,
  rows,
  ...more,
})
const one = (more: ModelOptions = {}) => mm(['G54'], more)
const two = (more: ModelOptions = {}) => mm(['G54', 'G55'], more)

/** Each kind of register, by each way that it is found. */
export const COVERAGE_WAYS: readonly CoverageWay[] = [
  { name: 'H, setting plane, setter', address: 'H11', options: one({ school: 'setting-plane' }) },
  {
    name: 'H, setting plane, block slid under',
    address: 'H11',
    options: one({ school: 'setting-plane' }),
    usual: { plane: 'block' },
  },
  {
    name: 'H, setting plane, raised setter',
    address: 'H11',
    options: one({ school: 'setting-plane' }),
    usual: { plane: 'raised' },
  },
  {
    name: 'H, setting plane, display of 0.01',
    address: 'H11',
    options: one({ school: 'setting-plane', decimals: 2 }),
  },
  {
    name: 'H, setting plane, five repeats',
    address: 'H11',
    options: one({ school: 'setting-plane' }),
    repeats: 5,
  },
  { name: 'H, gauge line', address: 'H11', options: one({ school: 'gauge-line' }) },
  {
    name: 'H, gauge line, constant declared',
    address: 'H11',
    options: one({ school: 'gauge-line' }),
    declares: 'constant',
  },
  {
    name: 'H, gauge line, known length',
    address: 'H12',
    options: one({ school: 'gauge-line' }),
    declares: 'length',
  },
  {
    name: 'H, part top, paper',
    address: 'H11',
    options: one({ school: 'part-top', zWay: 'part-top' }),
  },
  { name: 'H, master tool', address: 'H11', options: one({ school: 'master-tool' }) },
  {
    name: 'H, master declared with a length',
    address: 'H11',
    options: one({ school: 'master-tool' }),
    declares: 'master',
  },
  { name: 'D, diameter', address: 'D21', options: one() },
  { name: 'D, radius', address: 'D21', options: one(), radius: true },
  {
    name: 'Z, carried difference',
    address: 'G54.Z',
    options: one({ school: 'setting-plane', zWay: 'carried-difference' }),
  },
  {
    name: 'Z, carried, the same setter at both ends',
    address: 'G54.Z',
    options: one({ school: 'setting-plane', zWay: 'carried-difference' }),
    usual: { part: 'setter' },
  },
  {
    name: 'Z, bare nose on paper',
    address: 'G54.Z',
    options: one({ school: 'gauge-line', zWay: 'nose-on-part' }),
  },
  {
    name: 'Z, bare nose, nothing between',
    address: 'G54.Z',
    options: one({ school: 'setting-plane', zWay: 'nose-on-part' }),
    usual: { part: '' },
  },
  {
    name: 'Z, tool on the part',
    address: 'G54.Z',
    options: one({ school: 'setting-plane', zWay: 'tool-on-part' }),
  },
  {
    name: 'Z, a quill',
    address: 'G54.Z',
    options: one({ school: 'setting-plane', zWay: 'carried-difference' }),
    declares: 'quill',
  },
  {
    name: 'Z, difference from another part',
    address: 'G55.Z',
    options: two({ school: 'setting-plane', zWay: 'fixture-difference' }),
  },
  {
    name: 'Z, later part under part top, bare nose',
    address: 'G55.Z',
    options: two({ school: 'part-top', zWay: 'nose-on-part' }),
  },
  { name: 'X, one face, edge finder', address: 'G54.X', options: one({ xyWay: 'one-face' }) },
  {
    name: 'X, one face, probe',
    address: 'G54.X',
    options: one({ xyWay: 'one-face' }),
    usual: { face: 'probe' },
  },
  {
    name: 'X, one face, dial sensor',
    address: 'G54.X',
    options: one({ xyWay: 'one-face' }),
    usual: { face: 'sensor' },
  },
  { name: 'X, middle of two faces', address: 'G54.X', options: one({ xyWay: 'two-faces' }) },
  {
    name: 'X, middle, five repeats of each',
    address: 'G54.X',
    options: one({ xyWay: 'two-faces' }),
    repeats: 5,
  },
  { name: 'Y, touches around a circle', address: 'G54.Y', options: one({ xyWay: 'circle' }) },
  { name: 'Y, swept dial', address: 'G54.Y', options: one({ xyWay: 'sweep' }) },
  { name: 'X, turned corner', address: 'G54.X', options: one({ xyWay: 'turned-corner' }) },
  { name: 'Y, turned corner', address: 'G54.Y', options: one({ xyWay: 'turned-corner' }) },
]

/** A standard normal number (Box and Muller 1958). */
const normal = (chance: Chance): number =>
  Math.sqrt(-2 * Math.log(1 - chance.next())) * Math.cos(2 * Math.PI * chance.next())

const text = (mm: number): WrittenLength => ({ text: mm.toFixed(6), unit: 'mm' })

/** How many of so many cases hold the true number within the expanded uncertainty that is stated. */
export function coverage(way: CoverageWay, cases: number, chance: Chance): number {
  let held = 0
  const scatter = (standard: number) => standard * 1e6 * normal(chance)
  const hand: Hand = {
    contact: (gauges) =>
      scatter(
        gauges.length === 0 ? BARE : Math.max(...gauges.map((id) => DECLARED[id]?.[0] ?? BARE)),
      ),
    dial: () => scatter(DIAL),
    micrometer: () => scatter(MICROMETER),
  }
  for (let made = 0; made < cases; made += 1) {
    const drawn = declare(modelSheet(chance, { ...way.options, keepsLengths: true }), way)
    const world = misjudged(offTheStep(drawn.world, chance), scatter, way)
    const usual = { plane: 'setter', part: 'paper', face: 'finder', ...way.usual }
    const machinist = new Machinist(chance, drawn, world, hand, usual)
    const readings = Array.from({ length: way.repeats ?? 1 }, () => machinist.everything())
      .flat()
      .map((reading) =>
        asFact(reading.of === 'tool-diameter' ? { ...reading, with: ['mic'] } : reading),
      )
    const register = solve(setupOf(drawn.sheet, readings)).registers.find(
      ({ address }) => address === way.address,
    )
    const is = trueRegisters(world, drawn.sheet).get(way.address)
    if (register?.value === undefined || register.budget === undefined || is === undefined)
      throw new Error(`${way.name}: ${way.address} has no number`)
    if (Math.abs(register.value - is) <= register.budget.expandedMm * 1e6) held += 1
  }
  return held
}

/** What is really there stands anywhere between two steps of a display. */
function offTheStep(world: ModelSheet['world'], chance: Chance): ModelSheet['world'] {
  const off = () => (chance.next() - 0.5) * world.grain
  return {
    ...world,
    plane: world.plane + off(),
    parts: Object.fromEntries(
      Object.entries(world.parts).map(([row, part]) => [row, { ...part, top: part.top + off() }]),
    ),
  }
}

/** What is really there is not quite what is marked and declared. */
function misjudged(
  world: ModelSheet['world'],
  scatter: (standard: number) => number,
  { declares }: CoverageWay,
): ModelSheet['world'] {
  const gauges = Object.fromEntries(
    Object.entries(world.gauges).map(([id, size]) => [id, size + scatter(DECLARED[id]?.[1] ?? 0)]),
  )
  const feet = Object.fromEntries(
    Object.entries(world.feet).map(([id, foot]) => [id, foot === 0 ? 0 : foot + scatter(0.002)]),
  )
  const by = () => scatter(DECLARED_NUMBER)
  return {
    ...world,
    gauges,
    feet,
    ...(declares === 'length' && { lengths: { ...world.lengths, 2: world.lengths[2]! + by() } }),
    ...(declares === 'constant' && { constant: world.constant + by() }),
    ...(declares === 'master' && { masterDeclared: world.masterDeclared + by() }),
    ...(declares === 'quill' && {
      quill: { measured: world.quill.measured + by(), running: world.quill.running + by() },
    }),
  }
}

/** The sheet says how sure each of its numbers is. */
function declare(model: ModelSheet, { declares, radius }: CoverageWay): ModelSheet {
  const { sheet, world, write } = model
  const uncertainty = text(DECLARED_NUMBER)
  const { constant: _k, masterLength: _m, planeRow: _p, ...reference } = sheet.reference ?? {}
  return {
    ...model,
    sheet: {
      ...sheet,
      machine: {
        ...sheet.machine,
        control: { ...sheet.machine.control, diameterRegister: radius ? 'radius' : 'diameter' },
      },
      gauges: [
        ...sheet.gauges.map((gauge) => {
          const [contact, size] = DECLARED[gauge.id] ?? [BARE, 0]
          return {
            ...gauge,
            repeatability: text(contact),
            uncertainty: text(size),
            ...(gauge.foot && { footUncertainty: text(0.002) }),
          }
        }),
        {
          id: 'mic',
          kind: 'micrometer',
          name: 'mic',
          size: text(25),
          repeatability: text(MICROMETER),
        },
      ],
      reference: {
        ...reference,
        ...(sheet.school === 'master-tool' && { masterTool: 2 }),
        ...(declares === 'constant' && {
          constant: write(world.constant),
          constantUncertainty: uncertainty,
        }),
        ...(declares === 'master' && {
          masterLength: write(world.masterDeclared),
          masterLengthUncertainty: uncertainty,
        }),
      },
      tools: sheet.tools.map(({ length: _length, ...tool }) => ({
        ...tool,
        diameterRegister: tool.number + 20,
        ...(declares === 'length' &&
          tool.number === 2 && {
            length: write(world.lengths[2]!),
            lengthUncertainty: uncertainty,
          }),
      })),
      offsets: sheet.offsets.map((offset) => {
        const { quill: _quill, ...Z } = offset.Z
        return {
          ...offset,
          Z: {
            ...Z,
            ...(declares === 'quill' && {
              quill: {
                measured: write(world.quill.measured),
                running: write(world.quill.running),
                uncertainty,
              },
            }),
          } as typeof Z,
        }
      }),
    },
  }
}
