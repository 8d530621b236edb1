import type { OffsetRow } from '../../src/address'
import type { LengthUnit } from '../../src/length'
import type { SetupSheet } from '../../src/sheet'
import type { Face } from '../../src/touch'
import type { Chance } from '../random'

// The independent physical model: what is really there, in nanometres. It imports types of core and no arithmetic.

export type Axis = 'X' | 'Y' | 'Z'
export const AXES: readonly Axis[] = ['X', 'Y', 'Z']

/** One part in its fixture, as machine positions of a display that stands at home (no lost home, no screw). */
export interface PartInPlace {
  /** Machine Z at which the bare nose touches the stock top. */
  readonly top: number
  /** The sides of a square part, or the walls of a slot. */
  readonly faces: Readonly<Record<Face, number>>
  readonly circle: { readonly x: number; readonly y: number; readonly radius: number }
  /** Corner of a turned part, and its turn, counter-clockwise seen from above. */
  readonly corner: { readonly x: number; readonly y: number; readonly radians: number }
}

/** What is really there. Everything in it may move, and then a new world is made. */
export interface World {
  /** The smallest step that everything is a whole multiple of, so that readings are exact. */
  readonly grain: number
  /** What a display reads more than the true position; it changes when home is lost. */
  readonly zero: Readonly<Record<Axis, number>>
  /** Machine Z at which the bare nose touches the setting plane. */
  readonly plane: number
  readonly lengths: Readonly<Record<number, number>>
  readonly diameters: Readonly<Record<number, number>>
  readonly parts: Readonly<Record<string, PartInPlace>>
  /** True sizes of gauges, by id: height, thickness, diameter or radius, as the gauge is marked. */
  readonly gauges: Readonly<Record<string, number>>
  readonly walls: Readonly<Record<string, number>>
  /** How high a gauge's foot stands above the plane. */
  readonly feet: Readonly<Record<string, number>>
  readonly lostMotion: Readonly<Record<Axis, number>>
  readonly external: Readonly<Record<Axis, number>>
  readonly quill: { readonly measured: number; readonly running: number }
  /** The master's true length differs from what it is declared with; K of H = L − K. */
  readonly masterDeclared: number
  readonly constant: number
}

/** Whole grains between two millimetre numbers. */
export const some = (chance: Chance, grain: number, from: number, to: number): number =>
  chance.whole(Math.ceil((from * 1e6) / grain), Math.floor((to * 1e6) / grain)) * grain

export const grainOf = (unit: LengthUnit, decimals: number): number =>
  unit === 'mm' ? 10 ** (6 - decimals) : 25_400_000 / 10 ** decimals

export function somePart(chance: Chance, grain: number): PartInPlace {
  const at = (from: number, to: number) => some(chance, grain, from, to)
  const [left, front] = [at(-450, -350), at(-280, -220)]
  return {
    top: at(-450, -250),
    faces: { left, right: left + at(30, 120), front, back: front + at(30, 120) },
    circle: { x: at(-400, -200), y: at(-250, -100), radius: at(12, 60) },
    corner: { x: at(-400, -200), y: at(-250, -100), radians: (chance.next() - 0.5) * 0.08 },
  }
}

/** What each gauge is: whether it stands in the spindle, rises, and what share of it counts by axis. */
export const GAUGES = {
  setter: { kind: 'height-setter', z: 1, from: 40, to: 60 },
  raised: { kind: 'height-setter', z: 1, from: 40, to: 60, foot: true },
  light: { kind: 'light-setter', z: 1, from: 30, to: 60 },
  ball: { kind: 'ball', z: 1, from: 20, to: 30 },
  block: { kind: 'gauge-block', z: 1, xy: 1, from: 5, to: 30, rises: true },
  paper: { kind: 'paper', z: 1, xy: 1, from: 0.08, to: 0.11 },
  shim: { kind: 'shim', z: 1, xy: 1, from: 0.1, to: 0.5 },
  pin: { kind: 'pin', z: 1, xy: 0.5, from: 6, to: 12, rises: true, inSpindle: true },
  plate: { kind: 'plate', z: 1, xy: 1, from: 8, to: 12, wall: true },
  finder: { kind: 'edge-finder', xy: 0.5, from: 4, to: 10, inSpindle: true },
  wobbler: { kind: 'wobbler', xy: 0.5, from: 4, to: 10, inSpindle: true },
  cutter: { kind: 'cutter', xy: 0.5, from: 6, to: 20, inSpindle: true },
  sensor: { kind: 'dial-sensor', xy: 0, from: 60, to: 90, inSpindle: true },
  probe: { kind: 'probe', xy: 1, from: 1, to: 3, inSpindle: true },
} as const satisfies Record<
  string,
  {
    kind: string
    z?: number
    xy?: number
    from: number
    to: number
    rises?: boolean
    wall?: boolean
    foot?: boolean
    inSpindle?: boolean
  }
>

export type GaugeId = keyof typeof GAUGES
type Facts = {
  readonly kind: string
  readonly z?: number
  readonly xy?: number
  readonly from: number
  readonly to: number
  readonly rises?: boolean
  readonly wall?: boolean
  readonly foot?: boolean
  readonly inSpindle?: boolean
}
export const gaugeFacts = (id: string): Facts => GAUGES[id as GaugeId]
export const GAUGE_IDS = Object.keys(GAUGES) as readonly GaugeId[]

export function someWorld(chance: Chance, { unit, decimals, rows, tools }: WorldSize): World {
  const grain = grainOf(unit, decimals)
  const at = (from: number, to: number) => some(chance, grain, from, to)
  const each = <T>(keys: readonly (string | number)[], make: () => T): Record<string, T> =>
    Object.fromEntries(keys.map((key) => [key, make()]))
  // Halves of diameters are whole grains too.
  const even = (from: number, to: number) => 2 * some(chance, grain, from / 2, to / 2)
  const axis = (make: () => number) => ({ X: make(), Y: make(), Z: make() })
  return {
    grain,
    zero: { X: 0, Y: 0, Z: 0 },
    plane: at(-400, -300),
    lengths: each(tools, () => at(30, 200)),
    diameters: each(tools, () => even(4, 20)),
    parts: each(rows, () => somePart(chance, grain)),
    gauges: Object.fromEntries(GAUGE_IDS.map((id) => [id, even(GAUGES[id].from, GAUGES[id].to)])),
    walls: each(GAUGE_IDS, () => at(3, 6)),
    feet: Object.fromEntries(GAUGE_IDS.map((id) => [id, gaugeFacts(id).foot ? at(-60, 60) : 0])),
    lostMotion: axis(() => at(0, 0.03)),
    external: axis(() => at(-5, 5)),
    quill: { measured: at(1, 20), running: at(0, 20) },
    masterDeclared: at(0, 100),
    constant: at(50, 160),
  }
}

export interface WorldSize {
  readonly unit: LengthUnit
  readonly decimals: number
  readonly rows: readonly OffsetRow[]
  readonly tools: readonly number[]
}

/** What a gauge counts along an axis; in Z on the plane its foot counts as well. */
export function countOf(world: World, id: string, axis: Axis, onPlane: boolean): number {
  const { z, xy, wall } = gaugeFacts(id)
  if (axis === 'Z') return (z ?? NaN) * world.gauges[id]! + (onPlane ? world.feet[id]! : 0)
  return (xy ?? NaN) * (wall ? world.walls[id]! : world.gauges[id]!)
}

/**
 * What every register has to hold, so that the tip of every tool stands on program zero. From the definitions of
 * the four schools (docs/domain.md, “The relation and the schools”), and not from what was read.
 */
export function trueRegisters(world: World, sheet: SetupSheet): ReadonlyMap<string, number> {
  const { zero, plane, lengths, external, quill } = world
  const [first] = sheet.offsets
  const control = sheet.machine.control
  const facingOf = (row: string) => nm(sheet.offsets.find((one) => one.row === row)!.Z.facing)
  const K = sheet.reference?.constant === undefined ? 0 : world.constant
  const master = sheet.reference?.masterTool ?? 0
  const declared = sheet.reference?.masterLength === undefined ? 0 : world.masterDeclared
  // Machine position from which the school counts: H = L + base.
  const base = {
    'setting-plane': plane + zero.Z,
    'gauge-line': -K,
    'part-top': world.parts[first!.row]!.top + zero.Z,
    'master-tool': declared - (lengths[master] ?? 0),
  }[sheet.school]
  const H = (tool: number) => lengths[tool]! + base
  const registers = new Map<string, number>()
  const keepsLengths = control.toolLengths !== 'none'
  for (const { number, lengthRegister, diameterRegister } of sheet.tools) {
    if (keepsLengths)
      registers.set(
        `H${lengthRegister}`,
        (control.lengthSign === 'subtracted' ? -1 : 1) * H(number),
      )
    if (diameterRegister !== undefined)
      registers.set(
        `D${diameterRegister}`,
        world.diameters[number]! / (control.diameterRegister === 'radius' ? 2 : 1),
      )
  }
  // A fixture that is counted from another was measured with the quill as it was there.
  const measuredWith = new Map<string, number>()
  for (const { row, Z, X, Y } of sheet.offsets) {
    const part = world.parts[row]!
    const own = Z.quill !== undefined
    const measured =
      Z.by === 'fixture-difference' ? (measuredWith.get(Z.from) ?? 0) : own ? quill.measured : 0
    const running = own || (Z.by === 'fixture-difference' && measured !== 0) ? quill.running : 0
    measuredWith.set(row, measured)
    const wcsZ = part.top + zero.Z - facingOf(row) - base + (running - measured) - external.Z
    if (keepsLengths) registers.set(`${row}.Z`, wcsZ)
    else
      for (const { number } of sheet.tools) registers.set(`${row}.Z.T${number}`, wcsZ + H(number))
    for (const [axis, plan] of [
      ['X', X],
      ['Y', Y],
    ] as const) {
      const feature = featureAt(part, plan, axis)
      registers.set(`${row}.${axis}`, feature + zero[axis] - nm(plan.drawing) - external[axis])
    }
  }
  const planeRow = sheet.reference?.planeRow
  if (planeRow !== undefined) registers.set(`${planeRow}.Z`, plane + zero.Z - external.Z)
  return registers
}

function featureAt(
  part: PartInPlace,
  plan: SetupSheet['offsets'][number]['X'],
  axis: 'X' | 'Y',
): number {
  const [low, high] = axis === 'X' ? (['left', 'right'] as const) : (['front', 'back'] as const)
  switch (plan.by) {
    case 'one-face':
      return part.faces[plan.face]
    case 'two-faces':
      return (part.faces[low] + part.faces[high]) / 2
    case 'circle':
    case 'sweep':
      return axis === 'X' ? part.circle.x : part.circle.y
    case 'turned-corner':
      return axis === 'X' ? part.corner.x : part.corner.y
  }
}

/** Nanometres of a text such as `12.5`, `-0.4 mm` or `1.2 in`: the model reads its own texts by itself. */
export function nm({ text, unit }: { readonly text: string; readonly unit: string }): number {
  const inches = /in|"/.test(text) || (unit === 'in' && !/mm/.test(text))
  return Math.round(Number.parseFloat(text) * (inches ? 25_400_000 : 1_000_000))
}
