import { StandIn } from '../src/stand-in'
import { benchMill, mm, PART } from './bench-mill'

const at = (X: number, Y: number, Z: number) => ({ X: mm(X), Y: mm(Y), Z: mm(Z) })

/** Homed, in hand. */
function homed(part: Parameters<typeof benchMill>[0] = {}, lostMotion = 0, seed = 7): StandIn {
  const machine = new StandIn(benchMill(part, lostMotion), seed)
  machine.home()
  return machine
}

/** Lowers a tool onto the setter by clicks, until the needle stands at zero; gives machine Z. */
function touchSetter(machine: StandIn, tool: number): number {
  machine.driveTo({ Z: 0 })
  machine.load(tool)
  machine.driveTo({ X: mm(-80), Y: mm(-80) })
  machine.driveTo({ Z: -mm(350) + machine.spindle.length + mm(2) })
  for (const step of [0.1, 0.01, 0.001])
    for (let clicks = 0; clicks < 500; clicks += 1) {
      const seen = machine.sensed().find(({ by }) => by === 'setter')
      if (seen?.by === 'setter' && seen.needle >= -mm(step)) break
      machine.click('Z', -1, mm(step))
    }
  machine.click('Z', -1, mm(0.001))
  return machine.machine.Z
}

/** Finds the left face with the edge finder; gives machine X at the kick. */
function kick(machine: StandIn): number {
  machine.driveTo({ Z: 0 })
  machine.load(3)
  machine.driveTo({ X: mm(-306), Y: mm(-160) })
  machine.driveTo({ Z: mm(-380 + 90 - 5) })
  machine.turnSpindle(1000)
  for (let clicks = 0; clicks < 2000; clicks += 1) {
    const seen = machine.sensed().find(({ by }) => by === 'finder')
    if (seen?.by === 'finder' && seen.kicked) break
    machine.click('X', 1, mm(0.001))
  }
  machine.turnSpindle(0)
  return machine.machine.X
}

test('nothing is homed when power comes, and a program does not start before it is', () => {
  const machine = new StandIn(benchMill(), 1)
  expect(machine.shown.isHomed).toEqual({ X: false, Y: false, Z: false })
  machine.open('a.nc', 'G0 X-1')
  machine.start()
  expect(machine.shown).toMatchObject({ execution: 'stopped', alarm: 'An axis is not homed.' })
  machine.release()
  machine.home('Z')
  expect(machine.shown.isHomed).toEqual({ X: false, Y: false, Z: true })
  machine.home()
  machine.open('a.nc', 'G0 X-1')
  machine.start()
  machine.advance(1000)
  expect(machine.shown.execution).toBe('ended')
})

test('touched by hand, keyed in and run, the tip stands on part zero: setter, edge finder, carried difference', () => {
  const machine = homed()
  const Z = touchSetter(machine, 1)
  // The pad is 150 above the table at −500; the tool is 80.
  expect(Math.abs(Z - mm(-270))).toBeLessThan(mm(0.008))
  machine.key('H1', { key: 'set', typed: Z })
  const X = kick(machine)
  // The finder is 10 thick: it kicks half of that before the face, a little late.
  expect(Math.abs(X - mm(-305))).toBeLessThan(mm(0.015))
  machine.driveTo({ Z: 0 })
  machine.key('G54.X', { key: 'set', typed: X + mm(5) })
  machine.key('G54.Y', { key: 'set', typed: mm(-160) })
  // The part is 30 lower than the pad.
  machine.key('G54.Z', { key: 'set', typed: mm(-30) })
  machine.load(1)
  machine.open('first.nc', 'G90 G54 G0 X10 Y0\nG43 H1 Z0.5\nM30')
  machine.start()
  machine.advance(60_000)
  expect(machine.shown).toMatchObject({ execution: 'ended', isMoving: false })
  expect(machine.crash).toBeUndefined()
  const gap = machine.truth.Z - machine.spindle.length - PART.high.Z
  expect(Math.abs(gap - mm(0.5))).toBeLessThan(mm(0.02))
})

test.each([
  // A turned sign misses by twice the difference, downwards.
  ['G54.Z', 30, /^The tip met the table|^The tip met the part at rapid|end of its travel/],
  ['G54.Z', -60, /^The tip met the part at rapid\.$/],
] as const)('%s keyed as %s crashes, and says what met what', (row, typed, words) => {
  const machine = homed()
  machine.rows.write('H1', mm(-270))
  machine.rows.write('G54.X', mm(-240))
  machine.rows.write('G54.Y', mm(-160))
  machine.key(row, { key: 'set', typed: mm(typed) })
  machine.load(1)
  machine.open('first.nc', 'G90 G54 G0 X0 Y0\nG43 H1 Z0.5\nM30')
  machine.start()
  machine.advance(60_000)
  if (typed > 0) {
    expect(machine.crash).toBeUndefined()
    expect(machine.truth.Z - machine.spindle.length - PART.high.Z).toBeCloseTo(mm(60.5), -4)
  } else expect(machine.crash?.words).toMatch(words)
  // What is wrecked does nothing more.
  if (machine.crash) {
    const before = machine.machine
    machine.click('Z', 10, mm(1))
    expect(machine.machine).toEqual(before)
  }
})

test('without its length in force the nose goes where the tip was meant: the holder crashes', () => {
  const machine = homed()
  machine.rows.write('G54.X', mm(-240))
  machine.rows.write('G54.Y', mm(-160))
  machine.rows.write('G54.Z', mm(-380))
  machine.load(1)
  machine.open('no-length.nc', 'G90 G54 G0 X0 Y0\nZ5\nM30')
  machine.start()
  machine.advance(60_000)
  expect(machine.crash).toMatchObject({ why: 'rapid', what: 'tip', body: 'part' })
})

test('a hand feels hard metal, and presses in only if it goes on', () => {
  const machine = homed()
  machine.load(1)
  machine.driveTo({ X: mm(-240), Y: mm(-160) })
  machine.driveTo({ Z: mm(-299.9) })
  const top = -mm(300)
  machine.driveTo({ Z: top })
  machine.click('Z', -2, mm(0.01))
  expect(machine.crash).toBeUndefined()
  machine.click('Z', -10, mm(0.01))
  expect(machine.crash).toMatchObject({
    why: 'pressed',
    words: 'The tip met the part and was pressed in.',
  })
})

test('a setter is broken by a turning spindle, and beyond its spring', () => {
  const down = (turns: number) => {
    const machine = homed()
    machine.load(1)
    machine.driveTo({ X: mm(-80), Y: mm(-80) })
    machine.turnSpindle(turns)
    machine.driveTo({ Z: mm(-272) })
    return machine.crash?.why
  }
  expect([down(0), down(500)]).toEqual(['spring', 'turning'])
})

test('block by block it waits after each; feed hold and the rapid override are minded; distance to go adds up', () => {
  const machine = homed()
  machine.open('moves.nc', 'G0 X-100\nG1 X-200 F1000\nM0\nG0 X0\nM30')
  machine.start('block-by-block')
  machine.advance(500)
  // 6 m a minute is 50 mm in half a second.
  const half = machine.shown
  expect(half.toGo.X + half.machine.X).toBe(mm(-100))
  expect(half.machine.X).toBeCloseTo(mm(-50), -5)
  machine.hold()
  machine.advance(10_000)
  expect(machine.shown.machine).toEqual(half.machine)
  expect(machine.shown.execution).toBe('interrupted')
  machine.start('block-by-block')
  machine.overrideRapid(0.5)
  machine.advance(500)
  expect(machine.shown.machine.X).toBeCloseTo(mm(-75), -5)
  machine.advance(10_000)
  expect(machine.shown).toMatchObject({ execution: 'interrupted', machine: { X: mm(-100) } })
  machine.start('program')
  machine.advance(1_000)
  expect(machine.shown.machine.X).toBeCloseTo(mm(-100 - 1000 / 60), -5)
  machine.advance(20_000)
  // M0 waits for a start.
  expect(machine.shown).toMatchObject({ execution: 'interrupted', machine: { X: mm(-200) } })
  machine.start()
  machine.advance(60_000)
  expect(machine.shown).toMatchObject({ execution: 'ended', machine: { X: 0 } })
})

test('work, counter and machine position are one place told three ways', () => {
  const machine = homed()
  machine.rows.write('G55.X', mm(-240))
  machine.rows.write('EXT.X', mm(1))
  machine.activate({ row: 'G55' })
  machine.driveTo({ X: mm(-200) })
  machine.counters.setTo('X', machine.machine.X)
  machine.click('X', 5, mm(0.1))
  expect([machine.shown.machine.X, machine.shown.work.X, machine.shown.counter.X]).toEqual([
    mm(-199.5),
    mm(-199.5 + 240 - 1),
    mm(0.5),
  ])
})

test('power takes the count and keeps the tables; an emergency stop ends everything until it is released', () => {
  const machine = homed()
  machine.key('H1', { key: 'set', typed: mm(-270) })
  machine.driveTo({ X: mm(-100) })
  const stood = machine.truth.X
  machine.losePower()
  machine.click('X', 1, mm(1))
  machine.powerOn()
  expect([machine.truth.X, machine.shown.machine.X, machine.shown.isHomed.X]).toEqual([
    stood,
    0,
    false,
  ])
  expect(machine.rows.read('H1')).toBe(mm(-270))
  machine.home()
  machine.open('a.nc', 'M3 S500\nG1 X-400 F100')
  machine.start()
  machine.advance(1000)
  expect(machine.shown.spindle).toBe(500)
  machine.pressEmergencyStop()
  machine.advance(60_000)
  expect(machine.shown).toMatchObject({ emergencyStop: true, spindle: 0, execution: 'stopped' })
  machine.release()
  machine.start()
  expect(machine.shown.execution).toBe('active')
})

test('a stop of an axis and a block that is not known end the program with an alarm', () => {
  const ends = (program: string) => {
    const machine = homed()
    machine.open('a.nc', program)
    machine.start()
    machine.advance(600_000)
    return machine.shown
  }
  expect(ends('G0 X-900')).toMatchObject({ alarm: 'X is at the end of its travel.' })
  expect(ends('G0 X-1\nG7 X1')).toMatchObject({
    ...{ alarm: 'G7 is not known to this control.', execution: 'stopped' },
    program: { name: 'a.nc', line: 2, block: 'G7 X1' },
  })
})

test('the control believes what it is told of the tool in the spindle', () => {
  const machine = homed()
  machine.load(2, 1)
  expect([machine.shown.tool, machine.spindle.holds?.number]).toEqual([1, 2])
  machine.open('change.nc', 'T1 M6\nM30')
  machine.start()
  machine.advance(1)
  expect([machine.shown.tool, machine.spindle.holds?.number]).toEqual([1, 1])
})

test('a taper seats otherwise each time; the same seed and the same hands tell the same story', () => {
  const story = (seed: number) => {
    const machine = homed({}, 0.01, seed)
    return [1, 2, 3].map(() => {
      machine.load(5)
      return machine.spindle.length
    })
  }
  expect(new Set(story(3)).size).toBe(3)
  expect(story(3)).toEqual(story(3))
  expect(story(3)).not.toEqual(story(4))
})

test('what a machine without switches shows after power is no position until somebody says one', () => {
  const machine = new StandIn(benchMill({ hasSwitches: false }), 5)
  machine.home()
  expect(machine.shown.isHomed.X).toBe(false)
  machine.setHere('X', mm(-12))
  expect([machine.shown.isHomed.X, machine.shown.machine.X]).toEqual([true, mm(-12)])
  expect(machine.key('H99', { key: 'set', typed: 0 })).toBe(false)
  expect(at(1, 2, 3)).toEqual({ X: 1e6, Y: 2e6, Z: 3e6 })
})
