import { finderShows, gapsTo, meets, sense, type Assembly } from '../src/shop'
import { mm, PART, SETTER, TOOLS } from './bench-mill'

const [mill, , finder, sensor] = TOOLS as [Assembly, Assembly, Assembly, Assembly]
const at = (X: number, Y: number, Z: number) => ({ X: mm(X), Y: mm(Y), Z: mm(Z) })
const touching = (tool: Assembly, X: number, Y: number, Z: number, spindle = 0) => ({
  ...{ tool, length: tool.length, at: at(X, Y, Z), spindle },
})

test('a point lies so far outside a box, turned or not', () => {
  expect(gapsTo(PART, mm(-310), mm(-150))).toBe(mm(10))
  expect(gapsTo(PART, mm(-240), mm(-150))).toBe(-mm(30))
  expect(gapsTo(PART, mm(-303), mm(-204))).toBeCloseTo(mm(5), -1)
  // Turned by a right angle it lies to the left of its corner.
  const turned = { ...PART, turned: Math.PI / 2 }
  expect(gapsTo(turned, mm(-340), mm(-150))).toBeCloseTo(-mm(40), -1)
  expect(gapsTo(turned, mm(-290), mm(-150))).toBeCloseTo(mm(10), -1)
})

test('paper drags within a hundredth, then it is pinched and torn; a block passes or stops', () => {
  const feels = (above: number, holds: Parameters<typeof sense>[1]['holds']) =>
    sense([PART], { ...touching(mill, -240, -160, -300 + above), holds })
  const paper = { kind: 'paper', thickness: mm(0.1) } as const
  const words = [0.101, 0.1, 0.095, 0.09, 0].map((above) => feels(above, paper)[0])
  expect(words.map((one) => one && 'feels' in one && one.feels)).toEqual([
    ...['free', 'drags', 'drags', 'pinched', 'torn'],
  ])
  const block = { kind: 'block', size: mm(25) } as const
  expect(feels(25, block)).toEqual([{ by: 'block', feels: 'passes' }])
  expect(feels(24.999, block)).toEqual([{ by: 'block', feels: 'stops' }])
  expect(feels(0, { kind: 'clip', clipped: true })).toEqual([{ by: 'clip', lit: true }])
  expect(feels(0, { kind: 'clip', clipped: false })).toEqual([{ by: 'clip', lit: false }])
  // Beside the part there is nothing to lay it on.
  expect(sense([PART], { ...touching(mill, -400, -160, -300), holds: paper })).toEqual([])
})

test('the needle of a setter stands at zero where its height is met, and it gives way so far', () => {
  const needle = (Z: number) => sense([SETTER], touching(mill, -80, -80, Z))
  expect(needle(-270)).toEqual([{ by: 'setter', needle: 0, over: false }])
  expect(needle(-270.4)).toEqual([{ by: 'setter', needle: mm(0.4), over: false }])
  expect(needle(-271.1)).toEqual([{ by: 'setter', needle: mm(1.1), over: true }])
  expect(needle(-200)).toEqual([])
  const clear = meets([SETTER], mill, mill.length, at(-80, -80, -270.9))
  const broken = meets([SETTER], mill, mill.length, at(-80, -80, -271.2))
  expect([clear.length, broken[0]?.by]).toEqual([0, mm(0.2)])
})

test('an edge finder runs truer the nearer the face comes, then jumps aside', () => {
  expect([-0.4, -0.1, 0, 0.004, 0.006].map((past) => finderShows(mm(past), mm(0.3)))).toEqual([
    { runsOut: mm(0.3), kicked: false },
    { runsOut: mm(0.1), kicked: false },
    { runsOut: 0, kicked: false },
    { runsOut: 0, kicked: false },
    { runsOut: mm(0.3), kicked: true },
  ])
  // Against the left face its axis stands half its tip outside.
  const shows = (X: number, turns: number) =>
    sense([PART], touching(finder, X, -160, -310, turns)).find(({ by }) => by === 'finder')
  expect(shows(-305.2, 1000)).toEqual({ by: 'finder', runsOut: mm(0.2), kicked: false })
  expect(shows(-304.99, 1000)).toMatchObject({ kicked: true })
  expect(shows(-305, 0)).toBeUndefined()
  // Above the part it meets no face.
  expect(sense([PART], touching(finder, -305, -160, -280, 1000))).toEqual([])
})

test('both needles of a sensor stand at zero where the axis is over the face', () => {
  expect(sense([PART], touching(sensor, -300, -160, -310))).toEqual([
    { by: 'dial-sensor', needle: 0, over: false },
  ])
  expect(sense([PART], touching(sensor, -297, -160, -310))[0]).toMatchObject({ over: true })
})

test('tip, holder and nose meet what stands in their way, from above or beside', () => {
  const met = (X: number, Z: number, tool: Assembly | null = mill) =>
    meets([PART], tool ?? undefined, tool?.length ?? 0, at(X, -160, Z)).map(
      ({ what, from, by }) => [what, from, by / 1e6],
    )
  expect(met(-240, -300)).toEqual([])
  expect(met(-240, -301)).toEqual([['tip', 'above', 1]])
  expect(met(-304, -310)).toEqual([['tip', 'beside', 1]])
  // The holder is 40 wide: beside the part it comes down on its edge.
  expect(met(-310, -345)).toEqual([['holder', 'above', 5]])
  expect(met(-240, -381, null)).toEqual([['nose', 'above', 1]])
  // A finder's tip is pushed aside by so much.
  expect(met(-304.6, -310, finder)).toEqual([])
  expect(met(-304, -310, finder)).toEqual([['tip', 'beside', 0.5]])
})
