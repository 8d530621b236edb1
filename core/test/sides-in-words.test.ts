import { type Address } from '../src/address'
import { toNanometres } from '../src/length'
import { planViewOf } from '../src/picture'
import { faceName } from '../src/quantities'
import { type AxisPlan, type OffsetPlan } from '../src/sheet'
import { solve } from '../src/solve'
import { FACES, type Face, type Side } from '../src/touch'
import { describeApproach, describeReadBackError, describeStep, speakPlan } from '../src/words'
import { leftTouch, mm, workedDocument, workedSheet } from './worked-example'

// What sentences say of sides, signs and axes, held against where things are: a part seen from above, X to the right and
// Y away from the person (ISO 841, of the tool relative to the part).

/** Where each face lies from the middle of the part, or each wall from the middle of the slot. */
const AT: Readonly<Record<Face, readonly [x: number, y: number]>> = {
  left: [-1, 0],
  right: [1, 0],
  front: [0, -1],
  back: [0, 1],
}

/** The way from one place to another: its axis, its sign, and what a person calls it. */
function way(from: readonly [number, number], to: readonly [number, number]) {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const alongX = dx !== 0
  const plus = (alongX ? dx : dy) > 0
  return {
    sign: `${alongX ? 'X' : 'Y'}${plus ? '+' : '\u2212'}`,
    towards: alongX ? (plus ? 'right' : 'left') : plus ? 'back' : 'front',
  }
}

const CASES = FACES.flatMap((face) =>
  (['outside', 'inside'] as const).map((side) => [face, side] as const),
)

const offsetFor = (face: Face, side: Side): OffsetPlan => {
  const plan = (own: Face): AxisPlan => ({ by: 'one-face', face: own, side, drawing: mm('0') })
  const inX = face === 'left' || face === 'right'
  return {
    ...workedSheet().offsets[0]!,
    X: plan(inX ? face : 'left'),
    Y: plan(inX ? 'front' : face),
  }
}

describe.each(CASES)('the %s, touched from %s', (face, side) => {
  const place = AT[face]
  // From outside the tool comes from beyond the face; in a slot it comes from its middle.
  const start = side === 'outside' ? ([2 * place[0], 2 * place[1]] as const) : ([0, 0] as const)
  const move = way(start, place)
  const document = workedDocument({ offsets: [offsetFor(face, side)] }, [])
  const quantity = { of: 'face', row: 'G54', face } as const

  test('is named by its side, a wall where it is inside', () => {
    expect(faceName(face, side)).toBe(`${face} ${side === 'outside' ? 'face' : 'wall'}`)
  })

  test(`the tool moves ${move.sign}`, () => {
    expect(describeApproach(face, side)).toBe(`tool moves ${move.sign}`)
  })

  test('the sentence says where it comes from, or where it goes to', () => {
    const { sentence, title, field } = describeStep(document, quantity, ['finder'])
    const axis = move.sign.charAt(0)
    expect(title).toContain(`G54 ${axis} `)
    expect(field).toBe(`Machine ${axis} at contact`)
    expect(sentence).toContain(
      side === 'outside'
        ? `from the ${way([0, 0], start).towards}`
        : `from the middle towards the ${move.towards}`,
    )
  })

  test('the plan is spoken with the same direction', () => {
    const view = planViewOf(document, solve(document), document.sheet.offsets[0]!, {
      at: quantity,
      with: ['finder'],
    })
    expect(speakPlan(view)).toContain(
      `To touch now: ${face}, the tool moving to the ${move.towards}.`,
    )
  })
})

test.each(FACES)('an edge, touched along its %s face, is come to from outside', (face) => {
  const { sentence } = describeStep(
    workedDocument(),
    { of: 'edge-point', row: 'G54', face, point: 1 },
    ['finder'],
  )
  expect(sentence).toContain(`from the ${way([0, 0], AT[face]).towards}`)
})

describe('what a wrong register does', () => {
  const control = workedSheet().machine.control
  const say = (address: Address, error: number) =>
    describeReadBackError(address, toNanometres(error), (nm) => `${nm / 1e6} mm`, control)

  // A zero that lies further plus takes every cut with it.
  test.each([
    ['G54.X', 1e6, [1, 0]],
    ['G54.X', -1e6, [-1, 0]],
    ['G59.1.Y', 1e6, [0, 1]],
    ['G54.1 P3.Y', -1e6, [0, -1]],
  ] as const)('%s off by %d is cut to that side', (address, error, to) => {
    expect(say(address, error)).toContain(`1 mm too far to the ${way([0, 0], to).towards}`)
  })

  test.each([
    ['G54.Z', 1e6, 'every tool stops 1 mm above'],
    ['G54.Z', -1e6, 'every tool goes 1 mm too deep'],
    ['H3', 1e6, 'this tool stops 1 mm above'],
    ['H3', -1e6, 'this tool goes 1 mm too deep'],
  ] as const)('%s off by %d: %s', (address, error, words) =>
    expect(say(address, error)).toContain(words),
  )
})

test('what is read on the plan is spoken as read', () => {
  const document = workedDocument({}, [leftTouch()])
  const view = planViewOf(document, solve(document), document.sheet.offsets[0]!)
  expect(speakPlan(view)).toContain('Read: left.')
})
