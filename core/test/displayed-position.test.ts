import { type Reading, type SetupDocument } from '../src/facts'
import { expectReading, type ExpectedTouch } from '../src/expect'
import { stepsOf } from '../src/plan'
import { type DisplayedPosition } from '../src/quantities'
import { type SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { event, mm, readingOf, setupOf, workedSheet } from './worked-example'

// The worked case of docs/domain.md, “The relation and the schools”: nose on the plane at −350, part top −380, a tool of 80 mm and a master of 95; here with a 50 mm
// setter. The relative counter shows zero at machine Z −217.4.
const [PLANE, TOP, LENGTH, MASTER, SETTER, ZERO] = [-350, -380, 80, 95, 50, -217.4]

const COUNTER: DisplayedPosition = { of: 'counter' }
const two = (sheet: Partial<SetupSheet> = {}) =>
  workedSheet({
    tools: [
      { number: 1, name: '10 mm end mill', lengthRegister: 1 },
      { number: 9, name: 'master', lengthRegister: 9 },
    ],
    ...sheet,
  })

const at = (machine: number, position?: DisplayedPosition) => ({
  read: mm((machine - (position?.of === 'counter' ? ZERO : 0)).toFixed(3)),
  ...(position && { position }),
})

const nose = (position?: DisplayedPosition) =>
  readingOf<'nose-on-plane'>({
    of: 'nose-on-plane',
    with: ['setter'],
    ...at(PLANE + SETTER, position),
  })
const tip = (tool: number, length: number, position?: DisplayedPosition) =>
  readingOf<'tip-on-plane'>({
    of: 'tip-on-plane',
    tool,
    with: ['setter'],
    ...at(PLANE + length + SETTER, position),
  })
const onTop = (position?: DisplayedPosition, read = at(TOP + LENGTH, position)) =>
  readingOf<'tip-on-part'>({ of: 'tip-on-part', row: 'G54', tool: 1, with: [], ...read })

const register = (document: SetupDocument, address: string) =>
  solve(document).registers.find((one) => one.address === address)
const valueAt = (document: SetupDocument, address: string) => {
  const value = register(document, address)?.value
  return value === undefined ? undefined : value / 1e6
}
const steps = (document: SetupDocument) => stepsOf(document, solve(document), false)
const gaugeLine = (readings: readonly Reading[], sheet: Partial<SetupSheet> = {}) =>
  setupOf(two({ school: 'gauge-line', ...sheet }), readings)

const Z_BY_TOOL: Partial<SetupSheet> = {
  offsets: [
    {
      row: 'G54',
      X: { by: 'one-face', face: 'left', side: 'outside', drawing: mm('0') },
      Y: { by: 'one-face', face: 'front', side: 'outside', drawing: mm('0') },
      Z: { by: 'tool-on-part', tool: 1, facing: mm('0') },
    },
  ],
}

describe('on the relative counter', () => {
  test('nose and tip of one zeroing give the length, wherever it was zeroed', () => {
    const document = gaugeLine([nose(COUNTER), tip(1, LENGTH, COUNTER)])
    expect(valueAt(document, 'H1')).toBe(LENGTH)
  })

  test('nose by the counter and tip by the machine give none, and both are asked for on the same', () => {
    const document = gaugeLine([nose(COUNTER), tip(1, LENGTH)])
    expect(register(document, 'H1')).toMatchObject({ state: 'not-read' })
    const mixed = gaugeLine([nose(), tip(1, LENGTH, COUNTER)])
    expect(register(mixed, 'H1')).toMatchObject({ unplaced: ['tip-on-plane:T1'] })
    expect(solve(mixed).warnings).toContainEqual({
      code: 'counter-zero-unknown',
      place: 'tip-on-plane:T1',
      beside: 'H1',
    })
    expect(steps(mixed).find(({ step }) => step.key === 'tip-on-plane:T1')).toMatchObject({
      done: false,
    })
  })

  test('never a machine position: no H by the plane, no G54 Z, no G54 X', () => {
    const byPlane = setupOf(two(), [tip(1, LENGTH, COUNTER)])
    expect(register(byPlane, 'H1')?.value).toBeUndefined()
    const z = gaugeLine([nose(COUNTER), tip(1, LENGTH, COUNTER), onTop(COUNTER)], Z_BY_TOOL)
    expect(valueAt(z, 'H1')).toBe(LENGTH)
    expect(register(z, 'G54.Z')).toMatchObject({ unplaced: ['tip-on-part:G54:T1'] })
    expect(register(z, 'G54.Z')?.keyIn).toBeUndefined()
    const face = readingOf<'face'>({
      of: 'face',
      row: 'G54',
      face: 'left',
      with: ['finder'],
      read: mm('-3.500'),
      position: COUNTER,
    })
    expect(register(setupOf(two(Z_BY_TOOL), [face]), 'G54.X')).toMatchObject({
      unplaced: ['face:G54:left'],
    })
  })

  test('with lengths by the counter, Z by the machine position is right: the sum of §3', () => {
    const document = gaugeLine([nose(COUNTER), tip(1, LENGTH, COUNTER), onTop()], Z_BY_TOOL)
    expect((valueAt(document, 'H1') ?? 0) + (valueAt(document, 'G54.Z') ?? 0)).toBe(TOP + LENGTH)
  })

  test('read again by the machine position, the earlier reading is not averaged with it', () => {
    const document = gaugeLine(
      [nose(COUNTER), tip(1, LENGTH, COUNTER), onTop(COUNTER), onTop()],
      Z_BY_TOOL,
    )
    expect(valueAt(document, 'G54.Z')).toBe(TOP)
  })

  test('zeroed anew between nose and tip, the length does not hold; read again since, it does', () => {
    const readings = [nose(COUNTER)]
    const zeroed = event({ kind: 'counter-zeroed', axis: 'Z' })
    const after = tip(1, LENGTH, COUNTER)
    const document = { ...gaugeLine([...readings, after]), events: [zeroed] }
    expect(register(document, 'H1')?.value).toBeUndefined()
    const again = { ...document, readings: [...readings, after, nose(COUNTER)] }
    expect(valueAt(again, 'H1')).toBe(LENGTH)
    // X has a counter of its own.
    const inX = { ...document, events: [{ ...zeroed, axis: 'X' } as typeof zeroed] }
    expect(valueAt(inX, 'H1')).toBe(LENGTH)
  })

  test('with the machine position where it was zeroed it is one: −217.4 + 0 on the counter', () => {
    const zeroed = event({
      kind: 'counter-zeroed',
      axis: 'Z',
      machinePosition: mm(ZERO.toFixed(3)),
    })
    const document = {
      ...gaugeLine([nose(COUNTER), tip(1, LENGTH, COUNTER), onTop(COUNTER)], Z_BY_TOOL),
      events: [zeroed],
    }
    expect(valueAt(document, 'G54.Z')).toBe(TOP)
  })

  test('what should be read is told on the same counter', () => {
    const { read: _, ...toBe } = tip(1, LENGTH, COUNTER)
    const sheet = two({
      school: 'gauge-line',
      tools: [{ number: 1, name: 'end mill', lengthRegister: 1, rough: mm('81') }],
    })
    const belief = expectReading(setupOf(sheet, [nose(COUNTER)]), toBe as ExpectedTouch)
    // The nose stood at −300 − (−217.4) = −82.6 on it; a rule says 81 longer, give or take one.
    expect(belief?.mm).toBeCloseTo(-82.6 + 81, 6)
    expect(belief?.standardMm).toBeCloseTo(1, 1)
  })
})

describe('zeroed on the same surface', () => {
  const from = (tool: number | null): DisplayedPosition => ({ of: 'counter-from', tool })
  const beyond = (tool: number, read: string, position: DisplayedPosition) =>
    readingOf<'tip-on-plane'>({
      of: 'tip-on-plane',
      tool,
      with: ['setter'],
      read: mm(read),
      position,
    })

  test('by the nose for each tool: what it shows is the length, and no nose touch is asked for', () => {
    const document = gaugeLine(
      [beyond(1, '80.000', from(null)), beyond(9, '95.000', from(null))],
      Z_BY_TOOL,
    )
    expect(valueAt(document, 'H1')).toBe(LENGTH)
    expect(valueAt(document, 'H9')).toBe(MASTER)
    expect(steps(document).map(({ step }) => step.key)).not.toContain('nose-on-plane')
    // The setter lay there both times: as thick as it may be, it cancels.
    expect(register(document, 'H1')?.chain?.terms.map(({ role }) => role)).toEqual([
      'tip-at-contact',
    ])
  })

  test('by the master: H is the difference, and Z by the master works', () => {
    const sheet: Partial<SetupSheet> = { school: 'master-tool', reference: { masterTool: 9 } }
    const document = setupOf(two({ ...Z_BY_TOOL, ...sheet }), [
      beyond(1, '-15.000', from(9)),
      onTop(),
    ])
    expect(valueAt(document, 'H1')).toBe(LENGTH - MASTER)
    expect(valueAt(document, 'H9')).toBe(0)
    expect(valueAt(document, 'G54.Z')).toBe(TOP + MASTER)
  })

  test('with the nose touched by machine position as well, H by the plane is the sum of both', () => {
    const document = setupOf(two(), [nose(), beyond(1, '80.000', from(null))])
    expect(valueAt(document, 'H1')).toBe(PLANE + LENGTH)
  })

  test('a tool that was changed since takes its length with it; a plane that moved does not', () => {
    const readings = [beyond(1, '80.000', from(null))]
    const moved = { ...gaugeLine(readings), events: [event({ kind: 'plane-moved' })] }
    expect(register(moved, 'H1')).toMatchObject({ state: 'read', value: LENGTH * 1e6 })
    const changed = { ...gaugeLine(readings), events: [event({ kind: 'tool-changed', tool: 1 })] }
    expect(register(changed, 'H1')?.state).toBe('stale')
  })
})

describe('a work position', () => {
  // Zm = EXT + WCS + H + work: G54 Z −380.250 and H1 81.100 from the last job, an external offset of 0.5.
  const work = (length: boolean): DisplayedPosition => ({
    of: 'work',
    row: 'G54',
    holds: { Z: mm('-380.250') },
    ...(length && { length: { address: 'H1', holds: mm('81.100') } }),
  })
  const shows = (machine: number, length: boolean, external = 0) =>
    mm((machine + 380.25 - (length ? 81.1 : 0) - external).toFixed(3))

  test.each([true, false])(
    'with its row, and a length active or not (%s), it is a machine position',
    (length) => {
      const document = gaugeLine(
        [
          nose(),
          tip(1, LENGTH),
          onTop(undefined, { read: shows(TOP + LENGTH, length), position: work(length) } as never),
        ],
        Z_BY_TOOL,
      )
      expect(valueAt(document, 'G54.Z')).toBe(TOP)
    },
  )

  test('on a control that subtracts lengths, and with an external offset', () => {
    const base = two({ school: 'gauge-line', ...Z_BY_TOOL })
    const machine = {
      ...base.machine,
      control: { ...base.machine.control, lengthSign: 'subtracted' as const },
      externalOffset: { Z: mm('0.5') },
    }
    // It subtracts a stored −81.1: the tip is taken to be as long.
    const position: DisplayedPosition = {
      of: 'work',
      row: 'G54',
      holds: { Z: mm('-380.250') },
      length: { address: 'H1', holds: mm('-81.100') },
    }
    const document = setupOf({ ...base, machine }, [
      nose(),
      tip(1, LENGTH),
      onTop(undefined, { read: shows(TOP + LENGTH, true, 0.5), position } as never),
    ])
    expect(valueAt(document, 'G54.Z')).toBe(TOP - 0.5)
  })

  test('what should be read is told as the display shows it', () => {
    const sheet = two({
      school: 'gauge-line',
      tools: [{ number: 1, name: 'end mill', lengthRegister: 1, lastLength: mm('80.000') }],
    })
    const toBe = { of: 'tip-on-plane', tool: 1, with: ['setter'], position: work(true) } as const
    // The tip is expected at machine −350 + 80 + 50; G54 holds −380.25 and H1 81.1.
    expect(expectReading(setupOf(sheet, [nose()]), toBe as ExpectedTouch)?.mm).toBeCloseTo(
      -220 + 380.25 - 81.1,
      6,
    )
  })

  test('nose and tip by the work position give the length, with the length active or not', () => {
    const by = (read: string, length: boolean) => ({ read: mm(read), position: work(length) })
    const noseBy = readingOf<'nose-on-plane'>({
      of: 'nose-on-plane',
      with: ['setter'],
      ...by((PLANE + SETTER + 380.25).toFixed(3), false),
    })
    const tipBy = (length: boolean) =>
      readingOf<'tip-on-plane'>({
        of: 'tip-on-plane',
        tool: 1,
        with: ['setter'],
        ...by((PLANE + LENGTH + SETTER + 380.25 - (length ? 81.1 : 0)).toFixed(3), length),
      })
    expect(valueAt(gaugeLine([noseBy, tipBy(false)]), 'H1')).toBe(LENGTH)
    expect(valueAt(gaugeLine([noseBy, tipBy(true)]), 'H1')).toBe(LENGTH)
  })
})
