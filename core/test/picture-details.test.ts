import { valueOf } from '../src/chain'
import type { Reading, SetupDocument } from '../src/facts'
import { edgeAngle } from '../src/features/edge'
import { ladderOf, layoutPlan, planViewOf, type PlanView } from '../src/picture'
import type { QuantityName } from '../src/quantities'
import type { AxisPlan, OffsetPlan, SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import {
  difference,
  frontTouch,
  leftTouch,
  mm,
  noseTouch,
  readingOf,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

// What larger samples of mutants found untried in the pictures: the spans of the ladder, touches that are still to come, which
// row a step is about, and how a plan fills its box.

const [G54] = workedSheet().offsets as [OffsetPlan]

const ladder = (document: SetupDocument, quantity?: QuantityName, using: readonly string[] = []) =>
  ladderOf(document, solve(document), quantity, using)

const spans = (document: SetupDocument, quantity?: QuantityName, using: readonly string[] = []) =>
  ladder(document, quantity, using).spans.map(
    ({ from, to, kind, chain }) => `${kind} ${from}–${to} ${valueOf(chain) / 1e6}`,
  )

const heights = (document: SetupDocument, quantity?: QuantityName, using: readonly string[] = []) =>
  Object.fromEntries(
    ladder(document, quantity, using).rungs.map(({ key, height, label, guessed }) => [
      key,
      [height / 1e6, label === undefined ? (guessed ? 'guess' : 'unknown') : valueOf(label) / 1e6],
    ]),
  )

const TIP: QuantityName = { of: 'tip-on-plane', tool: 1 }
const NOSE: QuantityName = { of: 'nose-on-plane' }
const gaugeLine = (changes: Partial<SetupSheet>, readings: readonly Reading[]) =>
  workedDocument({ school: 'gauge-line', ...changes }, readings)

describe('the distances of the ladder', () => {
  test('are the tool’s length, and what lies beneath it', () => {
    expect(spans(gaugeLine({}, [noseTouch(), tipTouch()]), TIP)).toEqual([
      'tool-length nose–tip 80',
      'gauge tip–plane 50',
    ])
    // With nothing between there is nothing beneath; without the nose there is no length.
    const bare = { ...tipTouch(), with: [] } as Reading
    expect(spans(gaugeLine({}, [noseTouch(), bare]), TIP)).toEqual(['tool-length nose–tip 130'])
    expect(spans(gaugeLine({}, [tipTouch()]), TIP)).toEqual(['gauge tip–plane 50'])
    expect(heights(gaugeLine({}, [tipTouch()]), TIP)).not.toHaveProperty('nose')
  })

  test('reach from the plane to the stock top, and to zero where something is faced off', () => {
    const all = [noseTouch(), tipTouch(), leftTouch(), frontTouch(), difference()]
    expect(spans(workedDocument({}, all))).toEqual(['part-above-plane plane–part-top -30'])
    const faced = { offsets: [{ ...G54, Z: { ...G54.Z, facing: mm('0.5') } }] } as const
    expect(spans(workedDocument(faced, all))).toEqual(['part-above-plane plane–zero -30.5'])
    expect(spans(workedDocument({}, [noseTouch(), tipTouch()]))).toEqual([])
    expect(spans(workedDocument(faced, all), NOSE)).toEqual(['part-above-plane plane–zero -30.5'])
  })
})

describe('a touch that is still to come', () => {
  test('stands on the gauge that was chosen, without a number; once it is read on its own', () => {
    const blank = gaugeLine({}, [])
    expect(heights(blank, TIP, ['setter'])).toMatchObject({ tip: [50, 'unknown'] })
    expect(heights(blank, TIP, ['paper'])).toMatchObject({ tip: [0.09, 'unknown'] })
    expect(heights(blank, NOSE, ['setter'])).toMatchObject({ nose: [50, 'unknown'] })
    expect(heights(gaugeLine({}, [noseTouch()]), NOSE, ['paper'])).toMatchObject({
      nose: [50, -300],
    })
  })

  test('of the bare nose on the part stands on the part, as far as it is known', () => {
    const onPart: QuantityName = { of: 'nose-on-part', row: 'G54' }
    const byNose = { offsets: [{ ...G54, Z: { by: 'nose-on-part', facing: mm('0') } }] } as const
    expect(heights(gaugeLine(byNose, [noseTouch()]), onPart, ['paper'])).toMatchObject({
      nose: [40.09, 'unknown'],
      'part-top': [40, 'guess'],
    })
    const read = readingOf<'nose-on-part'>({
      ...{ of: 'nose-on-part', row: 'G54', read: mm('-379.91'), with: ['paper'] },
    })
    const touched = gaugeLine(byNose, [noseTouch(), read])
    expect(heights(touched, onPart)).toMatchObject({
      nose: [-29.91, -379.91],
      'part-top': [-30, -380],
    })
    expect(ladder(touched, onPart)).toMatchObject({ body: 'nose', touches: 'part' })
    expect(ladder(touched, NOSE)).toMatchObject({ body: 'nose', touches: 'plane' })
  })
})

test('a step shows the part of its own row, and a whole set-up its first', () => {
  const second = { ...G54, row: 'G55' } as OffsetPlan
  const higher = { ...difference(), row: 'G55', read: mm('-12.000') } as Reading
  const document = workedDocument({ offsets: [G54, second] }, [
    ...[noseTouch(), tipTouch(), difference(), higher],
  ])
  const top = (quantity?: QuantityName) => heights(document, quantity)['part-top']?.[0]
  expect(top({ of: 'carried-difference', row: 'G55' })).toBe(-12)
  expect(top({ of: 'carried-difference', row: 'G54' })).toBe(-30)
  expect(top(TIP)).toBe(-30)
  expect(top()).toBe(-30)
})

describe('a plan fills its box', () => {
  const plan = (changes: Partial<PlanView> = {}): PlanView => ({
    ...planViewOf(workedDocument({}, []), solve(workedDocument({}, [])), G54),
    ...changes,
  })
  const placed = (view: PlanView, width: number, height: number) =>
    layoutPlan(view, { width, height, margin: 30 })

  test('as wide or as high as it may be, with its margin, in the middle', () => {
    // The part is 120 by 80 about its zero.
    const wide = placed(plan(), 360, 900).part
    expect([wide.x, wide.width]).toEqual([30, 300])
    expect(wide.y + wide.height / 2).toBeCloseTo(450, 9)
    expect(wide.height).toBeCloseTo(200, 9)
    const high = placed(plan(), 900, 260).part
    expect([high.y, high.height].map((one) => Number(one.toFixed(9)))).toEqual([30, 200])
    expect(high.x + high.width / 2).toBeCloseTo(450, 9)
  })

  test('with its zero in sight where that lies beside the part', () => {
    const beside = plan({ left: 100e6 as never, right: 220e6 as never, faces: [] })
    const { zero, part } = placed(beside, 280, 900)
    expect(zero.x).toBeCloseTo(30, 9)
    expect(part.x + part.width).toBeCloseTo(250, 9)
  })

  test('of a bore fills it further than of a boss, which leaves room for the sensor', () => {
    const circle = (side: 'inside' | 'outside') =>
      plan({ circle: { x: 0, y: 0, radius: 20e6, side } as never, sensorRadius: 5e6 as never })
    const [inside, outside] = [circle('inside'), circle('outside')].map(
      (view) => placed(view, 200, 200).circle!.radius,
    )
    // 40 mm over 200 less twice a third of the margin; 60 mm over 200 less twice the margin.
    expect(inside).toBeCloseTo((20 * (200 - 20)) / 40, 9)
    expect(outside).toBeCloseTo((20 * (200 - 60)) / 60, 9)
  })
})

test('faces stand beside the one that was read first, whichever of them is asked for now', () => {
  const twoFaces = {
    ...({ by: 'two-faces', side: 'outside', size: mm('120') } as const),
    ...{ tolerance: mm('0.05'), drawing: mm('0') },
  } satisfies AxisPlan
  const offset = { ...G54, X: twoFaces }
  const right = { ...leftTouch(), face: 'right', read: mm('-282.100') } as Reading
  const document = workedDocument({ offsets: [offset] }, [leftTouch(), right])
  const at = (face: 'left' | 'right') =>
    Object.fromEntries(
      planViewOf(document, solve(document), offset, {
        at: { of: 'face', row: 'G54', face },
        with: ['finder'],
      }).faces.map((one) => [one.face, one.position / 1e6]),
    )
  // The finder's axis went 130.2; its diameter of 10 off that, the part is 120.2 wide: each is drawn beside the other one.
  expect(at('right')).toMatchObject({ left: -60, right: 60.2 })
  expect(at('left')).toMatchObject({ left: -60.2, right: 60 })
})

test('a sensor that stood further off at one touch does not turn an edge, whichever face and way it is', () => {
  const [near, far] = [5, 5.5]
  const touches = {
    // The spindle axis stands outside of the face by the sensor's radius: in front of the front face, behind the back one.
    front: (x: number, standOff: number) => ({ x, y: -standOff, standOff }),
    back: (x: number, standOff: number) => ({ x, y: standOff, standOff }),
    left: (y: number, standOff: number) => ({ x: -standOff, y, standOff }),
    right: (y: number, standOff: number) => ({ x: standOff, y, standOff }),
  } as const
  for (const face of ['front', 'back', 'left', 'right'] as const)
    for (const [from, to] of [
      [0, 100],
      [100, 0],
    ] as const)
      for (const [one, other] of [
        [near, far],
        [far, near],
      ] as const) {
        const angle = edgeAngle(face, touches[face](from, one), touches[face](to, other))
        if (!angle.ok) throw new Error(face)
        expect(Math.abs(angle.value)).toBeLessThan(1e-9)
      }
})
