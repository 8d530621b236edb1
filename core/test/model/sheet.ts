import type { OffsetRow } from '../../src/address'
import type { LengthUnit, WrittenLength } from '../../src/length'
import type { School } from '../../src/schools'
import type { AxisPlan, OffsetKeyMode, OffsetPlan, SetupSheet } from '../../src/sheet'
import type { Chance } from '../random'
import { GAUGE_IDS, gaugeFacts, some, someWorld, type World } from './world'

/** What a case of the model is about; what is left out is drawn by chance. */
export interface ModelOptions {
  readonly school?: School
  readonly unit?: LengthUnit
  readonly rows?: readonly OffsetRow[]
  readonly zWay?: OffsetPlan['Z']['by']
  readonly xyWay?: AxisPlan['by']
  readonly key?: OffsetKeyMode
  readonly decimals?: number
  /** Set where the control is to have length registers, whatever chance says. */
  readonly keepsLengths?: true
}

export interface ModelSheet {
  readonly world: World
  readonly sheet: SetupSheet
  readonly write: (nm: number) => WrittenLength
}

const SCHOOLS: readonly School[] = ['setting-plane', 'gauge-line', 'part-top', 'master-tool']

/** Which ways of Z give the right number, by school and place; the model's own table. */
export function waysOfZ(school: School, place: number): readonly OffsetPlan['Z']['by'][] {
  const later = place > 0 ? (['fixture-difference'] as const) : []
  return school === 'part-top'
    ? place === 0
      ? ['part-top', 'part-top', 'part-top', 'carried-difference', 'nose-on-part', 'tool-on-part']
      : ['fixture-difference', 'tool-on-part', 'nose-on-part', 'carried-difference']
    : [
        'carried-difference',
        'nose-on-part',
        'tool-on-part',
        ...later,
        ...(place === 0 && school !== 'setting-plane' ? (['part-top'] as const) : []),
      ]
}

/** A length in digits: millimetres, or inches with the same length in millimetres now and then. */
export function writer(chance: Chance, unit: LengthUnit, grain: number) {
  return (nm: number): WrittenLength => {
    if (unit === 'mm') return { text: decimal(nm, 1_000_000, 6), unit }
    // A multiple of 254 nm is whole in both units; others are written in millimetres.
    const inMm = nm % 254 !== 0 || chance.next() < 0.2
    return inMm
      ? { text: `${decimal(nm, 1_000_000, 6)}mm`, unit }
      : { text: decimal(nm, 25_400_000, grain % 254 === 0 ? 5 : 6), unit }
  }
}

function decimal(nm: number, per: number, decimals: number): string {
  const text = (nm / per).toFixed(decimals)
  // Trailing zeros are neither needed nor refused; a few stay.
  return text.replace(/(\.\d*?)0+$/, '$1').replace(/\.$/, '.0')
}

export function modelSheet(chance: Chance, options: ModelOptions = {}): ModelSheet {
  const unit = options.unit ?? (chance.next() < 0.3 ? 'in' : 'mm')
  const decimals =
    options.decimals ?? (unit === 'mm' ? chance.of([2, 3, 3, 4]) : chance.of([3, 4, 4]))
  const rows = options.rows ?? (['G54', 'G55', 'G57'] as const).slice(0, chance.whole(1, 3))
  const tools = [1, 2, 3, 4].slice(0, chance.whole(2, 4))
  const world = someWorld(chance, { unit, decimals, rows, tools })
  const write = writer(chance, unit, world.grain)
  const school = options.school ?? chance.of(SCHOOLS)
  const known = school !== 'part-top' && chance.next() < 0.4 ? 2 : undefined
  const quilled = chance.next() < 0.4
  const offsets = rows.map((row, place): OffsetPlan => {
    const by =
      options.zWay !== undefined && waysOfZ(school, place).includes(options.zWay)
        ? options.zWay
        : chance.of(waysOfZ(school, place))
    const facing = write(some(chance, world.grain, 0, 2))
    const quill =
      quilled && by !== 'fixture-difference'
        ? { quill: { measured: write(world.quill.measured), running: write(world.quill.running) } }
        : {}
    const Z = {
      by,
      facing,
      ...quill,
      ...(by === 'tool-on-part' && { tool: chance.of(tools) }),
      ...(by === 'fixture-difference' && { from: chance.of(rows.slice(0, place)) }),
    } as OffsetPlan['Z']
    return { row, ...plansInPlane(chance, world, row, write, options.xyWay), Z }
  })
  const diameters = chance.next() < 0.6
  const keepsNone = options.keepsLengths === undefined && chance.next() < 0.15
  return {
    world,
    write,
    sheet: {
      name: 'model',
      unit,
      machine: {
        name: 'model',
        kind: 'mill',
        control: {
          decimals: unit === 'mm' ? { mm: decimals, in: 4 } : { mm: 3, in: decimals },
          lengthKey: chance.of(['set', 'add', 'copy', 'copy-counter'] as const),
          workOffsetKey:
            options.key ?? chance.of(['set', 'add', 'position', 'copy', 'halve'] as const),
          ...(chance.next() < 0.3 && {
            workOffsetKeys: { Z: chance.of(['set', 'add', 'position', 'copy'] as const) },
          }),
          ...(keepsNone
            ? { toolLengths: 'none' as const }
            : chance.next() < 0.3 && { lengthSign: 'subtracted' as const }),
          ...(chance.next() < 0.5 && { diameterRegister: 'radius' as const }),
        },
        lostMotion: {
          X: write(world.lostMotion.X),
          Y: write(world.lostMotion.Y),
          Z: write(world.lostMotion.Z),
        },
        externalOffset: {
          X: write(world.external.X),
          Y: write(world.external.Y),
          Z: write(world.external.Z),
        },
      },
      school,
      reference: {
        ...(school === 'master-tool' && {
          masterTool: chance.of(tools),
          ...(chance.next() < 0.5 && { masterLength: write(world.masterDeclared) }),
        }),
        ...(school === 'gauge-line' && chance.next() < 0.5 && { constant: write(world.constant) }),
        ...(chance.next() < 0.2 && { planeRow: 'G59' as const }),
      },
      zero: 'the model’s',
      plane: 'the model’s',
      stock: { X: write(2e8), Y: write(2e8), Z: write(1e8) },
      gauges: GAUGE_IDS.map((id) => ({
        id,
        kind: gaugeFacts(id).kind as never,
        name: id,
        size: write(world.gauges[id]!),
        ...(gaugeFacts(id).wall && { wall: write(world.walls[id]!) }),
        ...(gaugeFacts(id).foot && { foot: write(world.feet[id]!) }),
      })),
      tools: tools.map((number) => ({
        number,
        name: `tool ${number}`,
        ...(!keepsNone && { lengthRegister: number + 10 }),
        ...(diameters && { diameterRegister: number + 20 }),
        ...(number === known && { length: write(world.lengths[number]!) }),
      })),
      offsets,
    },
  }
}

function plansInPlane(
  chance: Chance,
  world: World,
  row: OffsetRow,
  write: ModelSheet['write'],
  wanted: AxisPlan['by'] | undefined,
): Pick<OffsetPlan, 'X' | 'Y'> {
  const part = world.parts[row]!
  const drawing = () => write(some(chance, world.grain, -50, 50))
  const side = chance.of(['outside', 'inside'] as const)
  const tolerance = write(10 * world.grain)
  const faces = (axis: 'X' | 'Y'): AxisPlan => {
    const [low, high] = axis === 'X' ? (['left', 'right'] as const) : (['front', 'back'] as const)
    const by =
      wanted === 'one-face' || wanted === 'two-faces'
        ? wanted
        : chance.of(['one-face', 'two-faces'] as const)
    return by === 'one-face'
      ? { by, face: chance.of([low, high]), side, drawing: drawing() }
      : { by, side, size: write(part.faces[high] - part.faces[low]), tolerance, drawing: drawing() }
  }
  switch (
    wanted ??
    chance.of(['one-face', 'two-faces', 'circle', 'sweep', 'turned-corner'] as const)
  ) {
    case 'circle': {
      const circle = () =>
        ({
          by: 'circle',
          side,
          diameter: write(2 * part.circle.radius),
          tolerance,
          drawing: drawing(),
        }) as const
      return { X: circle(), Y: circle() }
    }
    case 'sweep':
      return {
        X: { by: 'sweep', side, drawing: drawing() },
        Y: { by: 'sweep', side, drawing: drawing() },
      }
    case 'turned-corner':
      return {
        X: { by: 'turned-corner', face: chance.of(['left', 'right']), drawing: drawing() },
        Y: { by: 'turned-corner', face: chance.of(['front', 'back']), drawing: drawing() },
      }
    case 'one-face':
    case 'two-faces':
      return { X: faces('X'), Y: faces('Y') }
  }
}
