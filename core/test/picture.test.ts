import { valueOf } from '../src/chain'
import { toNanometres } from '../src/length'
import { ladderOf, layoutLadder, layoutPlan, layoutProof, planViewOf } from '../src/picture'
import { type QuantityName } from '../src/quantities'
import { solve } from '../src/solve'
import { fact, mm, workedDocument, workedSheet } from './worked-example'

const gaugeLine = workedDocument({ school: 'gauge-line' })
const box = { width: 340, height: 300, marginTop: 30, marginBottom: 30, labelPitch: 20 }

const rungs = (document: ReturnType<typeof workedDocument>, quantity?: QuantityName) =>
  Object.fromEntries(
    ladderOf(document, solve(document), quantity).rungs.map(({ key, height, label }) => [
      key,
      [height / 1e6, label && valueOf(label) / 1e6],
    ]),
  )

describe('the ladder', () => {
  test('gauge line: nose, tip, plane and part top where the bare nose would stand', () => {
    expect(rungs(gaugeLine, { of: 'tip-on-plane', tool: 1 })).toEqual({
      nose: [130, -220],
      tip: [50, -300],
      plane: [0, -350],
      'part-top': [-30, -380],
    })
  })

  test('setting plane: the same heights, labelled with where this tip would stand', () => {
    expect(rungs(workedDocument(), { of: 'tip-on-plane', tool: 1 })).toEqual({
      nose: [130, -140],
      tip: [50, -220],
      plane: [0, -270],
      'part-top': [-30, -300],
    })
  })

  test('a carried difference is counted from the plane', () => {
    expect(rungs(workedDocument(), { of: 'carried-difference', row: 'G54' })).toEqual({
      plane: [0, 0],
      'part-top': [-30, -30],
    })
  })

  test('facing puts zero below the stock top', () => {
    const faced = workedDocument({
      offsets: [
        { ...workedSheet().offsets[0]!, Z: { by: 'carried-difference', facing: mm('0.5') } },
      ],
    })
    expect(rungs(faced, { of: 'carried-difference', row: 'G54' })).toMatchObject({
      'part-top': [-30, -30],
      zero: [-30.5, -30.5],
    })
  })

  test('every distance is drawn to one scale, and no label covers another', () => {
    const placed = layoutLadder(
      ladderOf(gaugeLine, solve(gaugeLine), { of: 'tip-on-plane', tool: 1 }),
      box,
    )
    const scales = placed
      .slice(1)
      .map(
        ({ rung, y }, index) => (y - placed[index]!.y) / (placed[index]!.rung.height - rung.height),
      )
    for (const scale of scales) expect(scale).toBeCloseTo(scales[0]!, 12)
    for (const [index, { labelY }] of placed.slice(1).entries())
      expect(labelY - placed[index]!.labelY).toBeGreaterThanOrEqual(box.labelPitch - 1e-9)
    expect(placed.map(({ rung }) => rung.key)).toEqual(['nose', 'tip', 'plane', 'part-top'])
  })
})

describe('the plan', () => {
  const offset = workedSheet().offsets[0]!

  test('the part lies where the drawing says, and the finder touches the left face from the left', () => {
    const document = workedDocument()
    const plan = planViewOf(document, solve(document), offset, {
      at: { of: 'face', row: 'G54', face: 'left' },
      with: ['finder'],
    })
    expect([plan.left, plan.right, plan.front, plan.back]).toEqual([-60e6, 60e6, -40e6, 40e6])
    expect(plan.sensor).toMatchObject({ face: 'left', x: -65e6, y: 0, radius: 5e6, direction: 1 })
  })

  test('a second face stands where its reading puts it: a misread digit is seen', () => {
    const twoFaces = {
      ...offset,
      X: {
        by: 'two-faces',
        side: 'outside',
        size: mm('120'),
        tolerance: mm('0.05'),
        drawing: mm('0'),
      },
    } as const
    const base = workedDocument({ offsets: [twoFaces] })
    const right = {
      ...base.readings[2]!,
      id: 'x',
      of: 'face',
      face: 'right',
      row: 'G54',
      read: mm('-262.300'),
    } as (typeof base.readings)[number]
    const document = { ...base, readings: [...base.readings, right] }
    const plan = planViewOf(document, solve(document), twoFaces, {
      at: { of: 'face', row: 'G54', face: 'right' },
      with: ['finder'],
    })
    expect(plan.faces.find(({ face }) => face === 'right')).toEqual({
      face: 'right',
      role: 'next',
      position: 80e6,
    })
  })

  test('is placed to one scale with Y upwards, the sensor rim on the face', () => {
    const document = workedDocument()
    const placed = layoutPlan(
      planViewOf(document, solve(document), offset, {
        at: { of: 'face', row: 'G54', face: 'front' },
        with: ['finder'],
      }),
      { width: 340, height: 240, margin: 40 },
    )
    expect(placed.part.width / placed.part.height).toBeCloseTo(120 / 80, 12)
    const front = placed.faces.find(({ face }) => face === 'front')!
    expect(front.y1).toBeCloseTo(placed.part.y + placed.part.height, 9)
    expect(placed.sensor!.y - placed.sensor!.radius).toBeCloseTo(front.y1, 9)
    expect([placed.sensor!.dx, placed.sensor!.dy]).toEqual([0, -1])
  })

  test('draws touches around a bore with the sensor inside it, the next one marked', () => {
    const circle = {
      by: 'circle',
      side: 'inside',
      diameter: mm('40'),
      tolerance: mm('0.1'),
      drawing: mm('0'),
    } as const
    const bore = { ...offset, X: circle, Y: circle }
    const document = workedDocument({ offsets: [bore] }, [])
    const plan = planViewOf(document, solve(document), bore, {
      at: { of: 'circle-point', row: 'G54', point: 2 },
      with: ['finder'],
    })
    // The second touch is at the back: the tool moves Y+ against the wall, its axis a radius short of it.
    expect(plan.touches[1]).toMatchObject({ role: 'next', x: 0, y: 20e6, dy: 1 })
    const placed = layoutPlan(plan, { width: 340, height: 240, margin: 40 })
    const wall = placed.circle!.y - placed.circle!.radius
    expect(placed.touches[1]!.y).toBeCloseTo(wall + placed.touches[1]!.radius, 6)
    expect(placed.touches[1]!.dy).toBeCloseTo(-1, 12)
  })

  test('draws two touches of a turned edge near its ends, from outside', () => {
    const corner = { by: 'turned-corner', face: 'front', drawing: mm('0') } as const
    const turned = { ...offset, X: { ...corner, face: 'left' as const }, Y: corner }
    const document = workedDocument({ offsets: [turned] }, [])
    const { touches } = planViewOf(document, solve(document), turned)
    expect(touches.map(({ x, y, dx, dy }) => [x / 1e6, y / 1e6, dx, dy])).toEqual([
      [18, 0, 0, 1],
      [102, 0, 0, 1],
      [0, 12, 1, 0],
    ])
  })

  test('a tool on the stock top stands on its plate; its numbers are those of its tip', () => {
    const plate = { id: 'plate', kind: 'plate', name: 'plate', size: mm('12.700') } as const
    const base = workedDocument(
      {
        gauges: [plate],
        offsets: [{ ...offset, Z: { by: 'tool-on-part', tool: 1, facing: mm('0.5') } }],
      },
      [
        {
          ...fact(),
          of: 'tip-on-part',
          tool: 1,
          row: 'G54',
          read: mm('-37.300'),
          with: ['plate'],
        },
      ],
    )
    const ladder = ladderOf(base, solve(base), { of: 'tip-on-part', tool: 1, row: 'G54' })
    expect(ladder).toMatchObject({ body: 'tool', touches: 'part' })
    expect(ladder.rungs.map(({ key, label }) => [key, label && valueOf(label) / 1e6])).toEqual([
      ['tip', -37.3],
      ['part-top', -50],
      ['zero', -50.5],
    ])
    expect(ladder.spans).toMatchObject([{ from: 'tip', to: 'part-top', kind: 'gauge' }])
  })
})

describe('a cautious move from the side', () => {
  const room = { top: 50, bottom: 250 }
  const nm = (mm: number) => toNanometres(mm * 1e6)

  test('the block is to scale with the height that the tip is raised to', () => {
    expect(layoutProof({ clearance: nm(50), highest: nm(100) }, room)).toEqual({
      zero: 250,
      ends: 150,
      raised: 50,
      isToScale: true,
    })
  })

  test('a block that would be too small to be seen is drawn larger, and that is known', () => {
    const placed = layoutProof({ clearance: nm(5), highest: nm(400) }, room)
    expect(placed.isToScale).toBe(false)
    expect(placed.zero - placed.ends).toBeGreaterThan(60)
    expect(placed.ends).toBeGreaterThan(placed.raised)
  })

  test('without a travel, and where the block is higher than the travel allows, the height is a guess', () => {
    for (const move of [{ clearance: nm(50) }, { clearance: nm(50), highest: nm(40) }]) {
      const placed = layoutProof(move, room)
      expect(placed).toMatchObject({ zero: 250, raised: 50, isToScale: false })
      expect(placed.ends).toBeGreaterThan(placed.raised)
      expect(placed.ends).toBeLessThan(placed.zero)
    }
  })
})
