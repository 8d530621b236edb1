import { parseSetupText } from '@pine/contract'
import { offsetAddress } from '@pine/core/address'
import { type ExpectedTouch } from '@pine/core/expect'
import { type Reading, type SetupDocument } from '@pine/core/facts'
import { readFileSync } from 'node:fs'
import { random } from './chance'

// Random shops of bench/core/expect.ts: one reading that is to come, what it reads, and what is known before by depth.

const parsed = parseSetupText(
  readFileSync(new URL('../../docs/examples/setting-plane.json', import.meta.url), 'utf8'),
)
if (!parsed.ok) throw new Error('the example is broken')
const one = parsed.document

const between = (low: number, high: number) => low + (high - low) * random()
const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
const mm = (value: number) => ({ text: value.toFixed(3), unit: 'mm' as const })

export const SETTER = 50
export const OTHER = 100
export const DEPTHS = ['travels', 'sheet', 'rule', 'crib and memory'] as const
export type Depth = (typeof DEPTHS)[number]

export interface Case {
  readonly document: SetupDocument
  /** With what is read later, where that is not there yet. */
  readonly whole?: SetupDocument
  readonly toBe: ExpectedTouch
  readonly right: number
  /** What the same touch of another tool reads, of the face across, of a counter that was not zeroed. */
  readonly otherTool?: number
  readonly otherFace?: number
  readonly notZeroed?: number
  /** What the display shows in the row's coordinates. */
  readonly workPosition?: number
}

/** A document of the example with another sheet and other readings. */
const shopWith = (
  sheet: Partial<SetupDocument['sheet']>,
  readings: readonly Reading[],
  readBacks: SetupDocument['readBacks'] = [],
) => ({
  ...one,
  sheet: { ...one.sheet, ...sheet },
  readings,
  readBacks,
  // What is entered next comes after all that is there.
  length: 1000,
})
const readingOf = (of: Reading['of'], changes: object): Reading =>
  ({ ...one.readings.find((reading) => reading.of === of), ...changes }) as Reading

/** A tool on the setting plane, of a length that tools have; what is known of it by depth. */
export function toolCase(depth: Depth): Case {
  const [length, other] = [between(55, 260), between(55, 260)]
  const plane = between(-520, -300)
  const right = plane + SETTER + length + 0.005 * normal()
  const known =
    depth === 'rule'
      ? { rough: mm(length + normal()) }
      : depth === 'crib and memory'
        ? { lastLength: mm(length + 0.1 * normal()) }
        : {}
  const gauges = [
    { id: 'setter', kind: 'height-setter', name: 'setter', size: mm(SETTER) },
    { id: 'block', kind: 'gauge-block', name: 'block', size: mm(OTHER) },
  ] as const
  const nose = readingOf('nose-on-plane', { read: mm(plane + SETTER), with: ['setter'] })
  const others = one.readings.filter(({ of }) => of === 'face' || of === 'carried-difference')
  const remembers = depth === 'crib and memory'
  const zero = between(-280, -120)
  const shows = { ...one.readBacks[0]!, address: offsetAddress('G54', 'Z'), shown: mm(zero) }
  return {
    document: shopWith(
      {
        gauges,
        tools: [{ number: 1, name: 'mill', lengthRegister: 1, ...known }],
        ...(remembers && { stood: { plane: mm(plane + 0.02 * normal()) } }),
      },
      // Nothing but the travels is known where the plane was not touched; one that stood there before is remembered.
      depth === 'travels' || remembers ? others : [nose, ...others],
      [shows],
    ),
    toBe: { of: 'tip-on-plane', tool: 1, with: ['setter'] },
    right,
    otherTool: right - length + other,
    workPosition: right - zero,
  }
}

/** The right face of a part whose left one was read; the drawing says how far they lie apart. */
export function faceCase(depth: Depth): Case {
  const [size, left] = [between(30, 200), between(-500, -250)]
  const right = left + size + 10 + 0.3 * normal()
  const X = {
    by: 'two-faces',
    side: 'outside',
    size: mm(size),
    tolerance: mm(1),
    drawing: mm(0),
  } as const
  const [plan] = one.sheet.offsets
  const gauges = [
    { id: 'finder', kind: 'edge-finder', name: 'finder', size: mm(10) },
    { id: 'pin', kind: 'pin', name: 'pin', size: mm(4) },
  ] as const
  const at = mm(right - 5 + 0.1 * normal())
  const stood = { faces: [{ row: 'G54', face: 'right', at }] } as const
  const sheet = {
    gauges,
    stock: { ...one.sheet.stock!, X: mm(size) },
    offsets: [{ ...plan!, X }],
    ...(depth === 'crib and memory' && { stood }),
  }
  const whole = shopWith(sheet, [
    readingOf('face', { face: 'left', read: mm(left), with: ['finder'] }),
  ])
  return {
    document: depth === 'travels' ? shopWith(sheet, []) : whole,
    whole,
    toBe: { of: 'face', row: 'G54', face: 'right', with: ['finder'] },
    right,
    otherFace: left,
  }
}

/** The stock top from a plane that is the jaws: parallels, jaws and stock say how far. */
export function heightCase(depth: Depth): Case {
  const [jaw, parallels, height] = [50, between(10, 45), between(15, 80)]
  const right = parallels + height - jaw + 0.3 * normal()
  const holding = { jaw: mm(jaw), parallels: mm(parallels), plane: 'jaws' } as const
  return {
    document: shopWith(
      {
        stock: { ...one.sheet.stock!, Z: mm(height) },
        ...(depth !== 'travels' && { holding }),
      },
      [],
    ),
    toBe: {
      of: 'carried-difference',
      row: 'G54',
      zeroedOn: 'plane',
      withOnPlane: [],
      with: [],
    },
    right,
    notZeroed: right + between(-200, 200),
  }
}

/** A touch around a bore of 20 to 120 mm: two others were made, or three; its X is slipped, its Y is read right. */
export function boreCase(depth: Depth): Case {
  const radius = between(10, 60)
  const [x, y] = [between(-500, -150), between(-300, -100)]
  const start = between(0, 2 * Math.PI)
  const touch = (turn: number) => {
    const at = start + turn
    const away = radius - 5 + 0.003 * normal()
    return { x: x + away * Math.cos(at), y: y + away * Math.sin(at) }
  }
  const circle = () =>
    ({
      by: 'circle',
      side: 'inside',
      diameter: mm(2 * radius + 0.02 * normal()),
      tolerance: mm(0.1),
      drawing: mm(0),
    }) as const
  const [plan] = one.sheet.offsets
  const made = { travels: 0, sheet: 2, rule: 2, 'crib and memory': 3 }[depth]
  const turns = [0, Math.PI / 2, Math.PI, (3 * Math.PI) / 2].map((turn) => turn + 0.1 * normal())
  const point = (number: number): Reading => {
    const { x: read, y: readY } = touch(turns[number] ?? 0)
    return readingOf('face', {
      id: `019c2f00-0000-7000-8000-00000000aaa${number}`,
      of: 'circle-point',
      point: number + 1,
      read: mm(read),
      readY: mm(readY),
      with: ['finder'],
      place: 500 + number,
    })
  }
  const sheet = {
    gauges: [{ id: 'finder', kind: 'edge-finder', name: 'finder', size: mm(10) }] as const,
    offsets: [{ ...plan!, X: circle(), Y: circle() }],
  }
  const own = touch(turns[made] ?? 0)
  const whole = [0, 1, 2, 3].filter((number) => number !== made)
  return {
    document: shopWith(
      sheet,
      Array.from({ length: made }, (_, number) => point(number)),
    ),
    whole: shopWith(sheet, whole.map(point)),
    toBe: {
      of: 'circle-point',
      row: 'G54',
      point: made + 1,
      readY: mm(own.y),
      with: ['finder'],
    },
    right: own.x,
  }
}
