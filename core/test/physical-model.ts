import { type Reading, type ReadingBody, type SetupDocument } from '../src/facts'
import { formatLength, toNanometres, type LengthUnit, type WrittenLength } from '../src/length'
import { type School } from '../src/schools'
import { type OffsetPlan, type SetupSheet, type Tool } from '../src/sheet'
import type { Chance } from './random'
import { fact, setupOf, workedSheet } from './worked-example'

/** What is really there, in nanometres; heights are machine Z at which the bare nose would touch. */
export interface World {
  readonly plane: number
  readonly tops: readonly number[]
  readonly lengths: readonly number[]
  readonly facing: readonly number[]
  readonly faces: { readonly left: number; readonly right: number; readonly front: number }
  readonly lostMotion: { readonly X: number; readonly Y: number; readonly Z: number }
  readonly external: number
  readonly quill: { readonly measured: number; readonly running: number }
}

const SETTER = 50_000_000
const BLOCK = 25_000_000
const TIP = 10_000_000
/** Cutters from here on, up to as much larger as SPREAD; a remainder of the length makes each its own. */
const DIAMETER = 6_000_000
const SPREAD = 14_000_000

/** A world, a way to set it up, and the readings that a careful machinist would take in it. */
export function modelSetup(
  chance: Chance,
  unit: LengthUnit = 'mm',
): { world: World; document: SetupDocument } {
  const fixtures = chance.whole(1, 3)
  const world: World = {
    plane: chance.micrometres(-400_000, -300_000),
    tops: Array.from({ length: fixtures }, () => chance.micrometres(-450_000, -250_000)),
    lengths: Array.from({ length: chance.whole(2, 6) }, () => chance.micrometres(30_000, 200_000)),
    facing: Array.from({ length: fixtures }, () => chance.micrometres(0, 2_000)),
    faces: {
      left: chance.micrometres(-450_000, -350_000),
      right: chance.micrometres(-300_000, -200_000),
      front: chance.micrometres(-280_000, -220_000),
    },
    lostMotion: {
      X: chance.micrometres(0, 30),
      Y: chance.micrometres(0, 30),
      Z: chance.micrometres(0, 30),
    },
    external: chance.micrometres(-5_000, 5_000),
    quill: { measured: chance.micrometres(0, 20_000), running: chance.micrometres(0, 20_000) },
  }
  const write = (nm: number): WrittenLength => {
    // Micrometres fit into three decimals of a millimetre; written in inches they would be rounded.
    const text = formatLength(toNanometres(nm), 'mm', 3)
    return { text: unit === 'mm' ? text : `${text}mm`, unit }
  }
  const school = chance.of<School>(['setting-plane', 'gauge-line', 'part-top', 'master-tool'])
  const sheet = sheetOf(chance, world, school, write, unit)
  return {
    world,
    document: setupOf(sheet, readingsOf(chance, world, sheet, write)),
  }
}

function sheetOf(
  chance: Chance,
  world: World,
  school: School,
  write: (nm: number) => WrittenLength,
  unit: LengthUnit,
): SetupSheet {
  const onPart = school === 'part-top'
  const offsets = world.tops.map((_, index): OffsetPlan => {
    const row = `G5${4 + index}` as OffsetPlan['row']
    const facing = write(world.facing[index] ?? 0)
    const quill = { measured: write(world.quill.measured), running: write(world.quill.running) }
    const later = index > 0 && chance.next() < 0.5
    const Z: OffsetPlan['Z'] = later
      ? { by: 'fixture-difference', from: 'G54', facing }
      : onPart && index === 0
        ? { by: 'part-top', facing, quill }
        : chance.of<OffsetPlan['Z']>([
            { by: 'carried-difference', facing, quill },
            ...(onPart ? [] : [{ by: 'nose-on-part', facing, quill } as const]),
            { by: 'tool-on-part', tool: 2, facing, quill },
          ])
    return {
      row,
      X: {
        by: 'two-faces',
        side: 'outside',
        size: write(world.faces.right - world.faces.left),
        tolerance: write(1000),
        drawing: write(7_000_000),
      },
      Y: { by: 'one-face', face: 'front', side: 'outside', drawing: write(-40_000_000) },
      Z,
    }
  })
  const tools = world.lengths.map((length, index): Tool => {
    const isKnown = index === 2 && !onPart
    return {
      number: index + 1,
      name: `tool ${index + 1}`,
      lengthRegister: index + 1,
      ...(index === 0 && { diameterRegister: 1 }),
      ...(isKnown && { length: write(length) }),
    }
  })
  return {
    ...workedSheet(),
    unit,
    school,
    machine: {
      ...workedSheet().machine,
      lostMotion: {
        X: write(world.lostMotion.X),
        Y: write(world.lostMotion.Y),
        Z: write(world.lostMotion.Z),
      },
      externalOffset: { Z: write(world.external) },
    },
    reference: {
      masterTool: 1,
      ...(school === 'gauge-line' && { constant: write(152_400_000) }),
      ...(school === 'master-tool' && { masterLength: write(95_000_000) }),
    },
    gauges: [
      { id: 'setter', kind: 'height-setter', name: 'setter', size: write(SETTER) },
      { id: 'block', kind: 'gauge-block', name: 'block', size: write(BLOCK) },
      { id: 'finder', kind: 'edge-finder', name: 'finder', size: write(TIP) },
    ],
    tools,
    offsets,
  }
}

/** Displays stand a backlash too far when the axis last moved towards plus: sliding a block under means rising. */
function readingsOf(
  chance: Chance,
  world: World,
  sheet: SetupSheet,
  write: (nm: number) => WrittenLength,
): readonly Reading[] {
  const touchZ = (height: number) => {
    const rising = chance.next() < 0.3
    return rising
      ? { read: write(height + BLOCK + world.lostMotion.Z), with: ['block'] }
      : { read: write(height + SETTER), with: ['setter'] }
  }
  const onPart = sheet.school === 'part-top'
  const [first = 0] = world.tops
  const length = (tool: number) => world.lengths[tool - 1] ?? 0
  const readings: ReadingBody[] = [
    { of: 'nose-on-plane', ...touchZ(world.plane) },
    ...sheet.tools.map(({ number }): ReadingBody =>
      onPart && number !== 2
        ? ({
            of: 'tip-on-part',
            tool: number,
            row: 'G54',
            ...touchZ(first + length(number)),
          } as never)
        : ({ of: 'tip-on-plane', tool: number, ...touchZ(world.plane + length(number)) } as never),
    ),
    ...(onPart
      ? [{ of: 'tip-on-part', tool: 2, row: 'G54', ...touchZ(first + length(2)) } as never]
      : []),
  ]
  sheet.offsets.forEach(({ row, Z }, index) => {
    const top = world.tops[index] ?? 0
    const counter = chance.next() < 0.5
    if (Z.by === 'carried-difference') {
      const up = top - world.plane
      readings.push({
        of: 'carried-difference',
        row,
        zeroedOn: counter ? 'plane' : 'part',
        read: write(counter ? up : -up),
        with: [],
        withOnPlane: [],
      } as never)
    }
    if (Z.by === 'nose-on-part') readings.push({ of: 'nose-on-part', row, ...touchZ(top) } as never)
    if (Z.by === 'tool-on-part' && !(onPart && index === 0))
      readings.push({
        of: 'tip-on-part',
        tool: Z.tool,
        row,
        ...touchZ(top + length(Z.tool)),
      } as never)
    if (Z.by === 'fixture-difference') {
      const up = top - first
      readings.push({
        of: 'fixture-difference',
        row,
        from: Z.from,
        zeroedOn: counter ? 'from' : 'row',
        read: write(counter ? up : -up),
        with: [],
      } as never)
    }
    const { faces, lostMotion } = world
    readings.push(
      {
        of: 'face',
        row,
        face: 'left',
        read: write(faces.left - TIP / 2 + lostMotion.X),
        with: ['finder'],
      } as never,
      {
        of: 'face',
        row,
        face: 'right',
        read: write(faces.right + TIP / 2),
        with: ['finder'],
      } as never,
      {
        of: 'face',
        row,
        face: 'front',
        read: write(faces.front - TIP / 2 + lostMotion.Y),
        with: ['finder'],
      } as never,
    )
  })
  readings.push({
    of: 'tool-diameter',
    tool: 1,
    read: write(DIAMETER + (length(1) % SPREAD)),
    with: [],
  } as never)
  return readings.map((reading) => ({ ...reading, ...fact() }) as Reading)
}
