import { Rows } from '../src/control'
import type { Place } from '../src/kit'
import { isAlarm, Runner, type BlockDone } from '../src/program'
import { mm } from './bench-mill'

const HOME = { X: 0, Y: 0, Z: 0 }

/** A control that is wherever its last move ended. */
function running(text: string, from: Place = HOME) {
  const rows = new Rows({
    ...{ unit: 'mm', decimals: 3, lengthSign: 1, diameterAs: 'diameter', keepsLengths: true },
    tools: 20,
  })
  let at = from
  const runner = new Runner(text.split('\n'), { rows, position: () => at, home: HOME })
  const places: Place[] = []
  const block = (): BlockDone | { readonly alarm: string } => {
    const done = runner.next()
    if (!isAlarm(done))
      for (const { to } of done.segments) {
        at = to
        places.push(to)
      }
    return done
  }
  const all = (): string | undefined => {
    for (let blocks = 0; blocks < 1000 && !runner.isOver; blocks += 1) {
      const done = block()
      if (isAlarm(done)) return done.alarm
    }
    return undefined
  }
  return { rows, runner, places, block, all }
}

const at = (X: number, Y: number, Z: number) => ({ X: mm(X), Y: mm(Y), Z: mm(Z) })

test('G10 L2 states a work offset, and a move counts from it: NISTIR 6556, 3.5.5 (from memory)', () => {
  const { rows, places, all } = running('G20 G90\nG10 L2 P1 X3.5 Y17.2\nG54 G0 X0 Y0 Z0')
  expect(all()).toBeUndefined()
  expect(rows.read('G54.X')).toBe(3.5 * 25_400_000)
  expect(rows.read('G54.Y')).toBeCloseTo(17.2 * 25_400_000, -2)
  expect(places.at(-1)).toEqual({ X: 88_900_000, Y: 436_880_000, Z: 0 })
})

test.each([
  // School, H, Z of the row: the sum is −300 every time (docs/domain.md, §3).
  ['part top', -300, 0],
  ['setting plane', -270, -30],
  ['gauge line', 80, -380],
  ['master of 95', -15, -285],
])('the tip of a tool of 80 mm comes to part zero by the %s', (_school, H, Z) => {
  const { rows, places, all } = running('G0 G54 G43 H1 Z0')
  rows.write('H1', mm(H))
  rows.write('G54.Z', mm(Z))
  expect(all()).toBeUndefined()
  expect(places).toEqual([at(0, 0, -300)])
})

test('G91, G53, G28, G52 and G92 each count from their own', () => {
  const { places, all, rows } = running(
    [
      'G54 G0 X10',
      'G91 X5',
      'G90 G53 X1',
      'G52 X100',
      'X0',
      'G52 X0',
      'G92 X50',
      'X60',
      'G28 X0',
    ].join('\n'),
  )
  rows.write('G54.X', mm(-200))
  expect(all()).toBeUndefined()
  expect(places.map(({ X }) => X / 1e6)).toEqual([-190, -185, 1, -100, -90, -150, 0])
})

test('an arc passes its quarter, a whole circle comes back, and a wrong end is an alarm', () => {
  const quarter = running('G0 X10 Y0\nG3 X0 Y10 I-10 J0 F100')
  expect(quarter.all()).toBeUndefined()
  for (const { X, Y } of quarter.places.slice(1)) expect(Math.hypot(X, Y)).toBeCloseTo(1e7, -1)
  expect(quarter.places.at(-1)).toEqual(at(0, 10, 0))
  const way = quarter.places[45]!
  expect(way.X > 0 && way.Y > 0).toBe(true)
  const clockwise = running('G0 X10 Y0\nG2 X0 Y10 I-10 J0 F100')
  clockwise.all()
  expect(clockwise.places[90]!.Y).toBeLessThan(0)
  const whole = running('G0 X10 Y0\nG3 I-10 F100')
  whole.all()
  expect([whole.places.length, whole.places.at(-1)]).toEqual([361, at(10, 0, 0)])
  const byRadius = running('G0 X10 Y0\nG3 X0 Y10 R10 F100')
  byRadius.all()
  expect(byRadius.places[45]!.X).toBeGreaterThan(0)
  const long = running('G0 X10 Y0\nG3 X0 Y10 R-10 F100')
  long.all()
  expect(long.places.length).toBeGreaterThan(260)
  expect(running('G0 X10 Y0\nG3 X0 Y11 I-10 F100').all()).toMatch(/does not lie on its circle/)
  expect(running('G0 X10 Y0\nG3 X0 Y50 R1 F100').all()).toMatch(/too small/)
})

test('a drilling cycle goes over, to R, in, out; pecked in steps; back to where it came from or to R', () => {
  const Z = ({ places }: { places: Place[] }) => places.map((one) => one.Z / 1e6)
  const one = running('G0 Z10\nG98 G81 X5 Y5 Z-3 R1 F100')
  one.all()
  expect(Z(one)).toEqual([10, 10, 1, -3, 1, 10])
  const pecked = running('G0 Z10\nG99 G83 X5 Z-3 R1 Q2 F100\nX10\nG80')
  expect(pecked.all()).toBeUndefined()
  expect(Z(pecked)).toEqual([10, 10, 1, -1, 1, -3, 1, 1, 1, -1, 1, -3, 1])
})

test('G10 L20, L10, L12 and L1 write their rows; in inches too', () => {
  const { rows, all } = running(
    [
      'G21 G10 L20 P2 X10',
      'G10 L10 P3 R-270.5',
      'G10 L12 P3 R10',
      'G10 L1 P4 Z80 R5',
      'G20 G10 L10 P5 R1',
    ].join('\n'),
    at(-50, 0, 0),
  )
  rows.write('EXT.X', mm(1))
  expect(all()).toBeUndefined()
  expect(['G55.X', 'H3', 'D3', 'H4', 'D4', 'H5'].map((row) => rows.read(row) / 1e6)).toEqual([
    ...[-61, -270.5, 10, 80, 10, 25.4],
  ])
})

test('a subprogram runs so often as it is called, and what is over is over', () => {
  const { places, runner, all } = running('G91\nM98 P100 L3\nG0 Y1\nM30\nO100\nG0 X1\nM99')
  expect(all()).toBeUndefined()
  expect(places.map(({ X, Y }) => [X / 1e6, Y / 1e6])).toEqual([
    [1, 0],
    [2, 0],
    [3, 0],
    [3, 1],
  ])
  runner.finish()
  expect([runner.isOver, runner.modal.lengthRow, runner.modal.isAbsolute]).toEqual([
    true,
    undefined,
    true,
  ])
})

test.each([
  ['G1 X1', 'G1 without a feed.'],
  ['G0 X1 Q', '“Q” is no word'],
  ['G5 X1', 'G5 is not known'],
  ['G43', 'G43 without H.'],
  ['G41 X1', 'G41 without D.'],
  ['M6', 'M6 without a tool.'],
  ['G81 X1 Z-1 F10', 'A cycle without R and Z.'],
  ['G10 L2 X1', 'G10 without P.'],
  ['G10 L10 P99 R1', 'There is no row H99.'],
  ['G10 L2 P12 X1', 'no such work offset'],
  ['M98 P7', 'There is no program O7'],
  ['M99', 'nothing to go back to'],
  ['G2 X1 F1', 'without I, J or R'],
  ['G0 X#1', '“X#1” is no word'],
])('%s stops with why, and leaves everything as it was', (block, why) => {
  const { runner, all, places } = running(block)
  const before = runner.modal
  expect(all()).toContain(why)
  expect([runner.modal, runner.line, places]).toEqual([before, 1, []])
})

test('comments, block numbers, a skipped mark and small letters are read past', () => {
  const { places, all } = running('%\nO1 (first; part)\nN10 g0x1.(here)y2 ; there\n/N20 Z.5')
  expect(all()).toBeUndefined()
  expect(places).toEqual([at(1, 2, 0), at(1, 2, 0.5)])
})
