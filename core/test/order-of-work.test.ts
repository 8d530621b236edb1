import { axisOfAddress, registerName, rowOfAddress } from '../src/address'
import { addressParts } from '../src/address/address'
import { isOffsetRow } from '../src/address/row'
import { type AxisMarks, type CheckOff, type SetupDocument } from '../src/facts'
import { foundAgain } from '../src/freshness/home-marks'
import { oldFrom } from '../src/freshness/stale'
import { type Nanometres } from '../src/length'
import { axesAtHome, neededFirst, partZeroOf, recoveryOf, stepsOf } from '../src/plan'
import { proofKey } from '../src/proof'
import { proofOfKey } from '../src/proof/proof-key'
import { quantityKey, type QuantityName } from '../src/quantities'
import { moduleOf, QUANTITIES, quantityOfKey } from '../src/quantities/quantities'
import { adviceForRegister } from '../src/registers'
import { type OffsetPlan, type SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import {
  event,
  fact,
  leftTouch,
  mm,
  noseTouch,
  planeReadings,
  shown,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

const [tool] = workedSheet().tools
const [offset] = workedSheet().offsets
if (!tool || !offset) throw new Error('the worked sheet has them')

const stepsFor = (document: SetupDocument) => stepsOf(document, solve(document), false)
const reads = (changes: Partial<SetupSheet>, readings: SetupDocument['readings'] = []) =>
  stepsFor(workedDocument(changes, readings)).flatMap(({ step }) =>
    step.does === 'read' && step.station === 'lengths' ? [step.key] : [],
  )
const tools = (...known: readonly (string | undefined)[]) =>
  known.map((length, index) => ({
    ...tool,
    number: index + 1,
    lengthRegister: index + 1,
    ...(length !== undefined && { length: mm(length) }),
  }))
const zBy = (Z: OffsetPlan['Z'], row: OffsetPlan['row'] = 'G54'): OffsetPlan => ({
  ...offset,
  row,
  Z,
})

describe('which tools are touched', () => {
  test('each whose length is not known; one that is known finds the plane for the others', () => {
    expect(reads({ tools: tools(undefined, undefined) })).toEqual([
      'tip-on-plane:T1',
      'tip-on-plane:T2',
    ])
    // T2 and T3 are known: one of them on the plane is enough.
    expect(reads({ tools: tools(undefined, '80', '95') })).toEqual([
      'tip-on-plane:T1',
      'tip-on-plane:T2',
    ])
    expect(reads({ tools: tools('80') })).toEqual(['tip-on-plane:T1'])
  })

  test('by the part’s top, each on the first part, known or not', () => {
    const partTop = {
      school: 'part-top',
      offsets: [
        zBy({ by: 'part-top', facing: mm('0') }),
        zBy({ by: 'fixture-difference', from: 'G54', facing: mm('0') }, 'G55'),
      ],
    } as const
    expect(reads({ ...partTop, tools: tools(undefined, '80') })).toEqual([
      'tip-on-part:G54:T1',
      'tip-on-part:G54:T2',
    ])
  })

  test('a later part by a difference from the plane needs the plane under the first: one tool touches both', () => {
    const later = (by: 'carried-difference' | 'nose-on-part') =>
      ({
        school: 'part-top',
        tools: tools(undefined, undefined),
        offsets: [zBy({ by: 'part-top', facing: mm('0') }), zBy({ by, facing: mm('0') }, 'G55')],
      }) as const
    expect(reads(later('carried-difference'))).toEqual([
      'tip-on-plane:T1',
      'tip-on-part:G54:T1',
      'tip-on-part:G54:T2',
    ])
    expect(reads(later('nose-on-part'))).not.toContain('tip-on-plane:T1')
  })

  test('a D is measured where there is one to key', () => {
    expect(reads({ tools: [{ ...tool, diameterRegister: 1 }] })).toContain('tool-diameter:T1')
  })

  test('a master that nothing is compared with needs no touch of its own', () => {
    const alone = {
      school: 'master-tool',
      reference: { masterTool: 1 },
      offsets: [zBy({ by: 'tool-on-part', tool: 1, facing: mm('0') })],
    } as const
    expect(reads(alone)).toEqual([])
    expect(reads({ ...alone, tools: tools(undefined, undefined) })).toEqual([
      'tip-on-plane:T1',
      'tip-on-plane:T2',
    ])
    expect(reads({ ...alone, reference: { masterTool: 2 } })).toEqual(['tip-on-plane:T1'])
    expect(reads({ ...alone, offsets: [offset] })).toEqual(['tip-on-plane:T1'])
  })
})

describe('what a step waits for', () => {
  const homed: readonly CheckOff[] = [{ ...fact(), of: 'home' }]
  const needs = (document: SetupDocument, key: string) => {
    const states = stepsFor({ ...document, checkOffs: homed })
    const state = states.find(({ step }) => step.key === key)
    if (state === undefined)
      throw new Error(`no step ${key} in ${states.map(({ step }) => step.key)}`)
    return neededFirst(document.sheet, states, state.step)?.step.key
  }
  const byTool = (Z: OffsetPlan['Z'], other: OffsetPlan['Z']) =>
    workedDocument({ offsets: [zBy(Z), zBy(other, 'G55')] }, [])

  test('a tool on the part waits for its length where it sets Z of that row, and of no other', () => {
    const tip = { by: 'tool-on-part', tool: 1, facing: mm('0') } as const
    const carried = { by: 'carried-difference', facing: mm('0') } as const
    expect(needs(byTool(tip, carried), 'tip-on-part:G54:T1')).toBe('tip-on-plane:T1')
    expect(needs(byTool(carried, tip), 'tip-on-part:G55:T1')).toBe('tip-on-plane:T1')
    // By the part's top the touch is the length: it waits for nothing, whatever another row is found by.
    const partTop = workedDocument(
      { school: 'part-top', offsets: [zBy({ by: 'part-top', facing: mm('0') })] },
      [],
    )
    expect(needs(partTop, 'tip-on-part:G54:T1')).toBeUndefined()
  })

  test('a length waits for its own tool, then for what is open at all', () => {
    const two = workedDocument({ tools: tools(undefined, undefined) }, [])
    expect(needs(two, 'key-in:H2')).toBe('tip-on-plane:T2')
    const touched = { ...two, readings: [tipTouch()] }
    expect(needs(touched, 'key-in:H1')).toBe('tip-on-plane:T2')
    expect(needs({ ...two, readings: planeReadings() }, 'key-in:G54.X')).toBe('tip-on-plane:T2')
  })
})

describe('what is accepted unproven', () => {
  const keyed: SetupDocument = {
    ...workedDocument({}, planeReadings()),
    readBacks: [
      shown('H1', '-270.000'),
      shown('G54.X', '-347.300'),
      shown('G54.Y', '-210.000'),
      shown('G54.Z', '-30.000'),
    ],
  }
  const isDone = (document: SetupDocument) =>
    stepsFor(document).find(({ step }) => step.key === 'prove:G54:T1')?.done
  const accept = (address: 'H1' | 'G54.X' | 'G54.Y' | 'G54.Z', accepts = 'unproven') => ({
    ...fact(),
    address,
    accepts,
    reason: 'seen',
  })
  const all = () => [accept('H1'), accept('G54.X'), accept('G54.Y'), accept('G54.Z')]

  test('is each register of the proof, one by one, and for that reason', () => {
    expect(isDone(keyed)).toBe(false)
    expect(isDone({ ...keyed, acceptances: all() })).toBe(true)
    expect(isDone({ ...keyed, acceptances: all().slice(1) })).toBe(false)
    expect(isDone({ ...keyed, acceptances: all().slice(0, 3) })).toBe(false)
    expect(isDone({ ...keyed, acceptances: [...all().slice(1), accept('H1', 'age')] })).toBe(false)
  })

  test('is a keyed number: one that is not read back is not there to be accepted', () => {
    const unread = { ...keyed, readBacks: keyed.readBacks.slice(1) }
    expect(isDone({ ...unread, acceptances: all() })).toBe(false)
    expect(isDone({ ...workedDocument({}, []), acceptances: all() })).toBe(false)
  })
})

describe('a zero that is looked for by its marks', () => {
  const mark = (dial: string, coarse: string) => ({ dial: mm(dial), coarse: mm(coarse) })
  const marks: AxisMarks = { X: mark('1', '100'), Y: mark('2', '200'), Z: mark('3', '300') }
  const turn = { X: mm('5'), Y: mm('5'), Z: mm('5') }
  const written = (of: CheckOff['of'] = 'home'): CheckOff =>
    ({ ...fact(), of, ...(of === 'home' && { marks }) }) as CheckOff
  const lost = (dialTurn?: typeof turn): SetupDocument => ({
    ...workedDocument({
      machine: { ...workedSheet().machine, homing: 'marks', ...(dialTurn && { dialTurn }) },
    }),
    checkOffs: [written()],
    events: [event({ kind: 'home-lost' })],
  })

  test('tells what each axis shifted by, once both its numbers are there', () => {
    const found = recoveryOf(lost(turn), {
      ...marks,
      X: mark('1.2', '100'),
      Z: mark('2.5', '299.5'),
    })
    expect(found?.marks).toEqual(marks)
    // Zero was set where the dial shows 0.2 more: everything shows that much less now.
    expect(found?.shift).toEqual({ X: mm('-0.200000'), Y: mm('0.000000'), Z: mm('0.500000') })
    const half = recoveryOf(lost(turn), { ...marks, Y: mark('', '200') })
    expect(Object.keys(half?.axes ?? {})).toEqual(['X', 'Z'])
    expect(half?.shift).toBeUndefined()
    expect(recoveryOf(lost(turn), { ...marks, Y: mark('2', '') })?.shift).toBeUndefined()
    expect(recoveryOf(lost(turn), { ...marks, Y: { dial: mm('2') } })?.shift).toBeUndefined()
  })

  test('the dial says how much, the scale in which turn; without the turn of the dial the difference counts', () => {
    // The dial is back where it was, the scale a whole turn further on.
    const turned = { ...marks, X: mark('1', '105') }
    expect(recoveryOf(lost(turn), turned)?.axes.X).toMatchObject({ turns: 1, shift: -5_000_000 })
    // Between two turns nothing is certain, and nothing may be entered.
    expect(recoveryOf(lost(turn), { ...marks, X: mark('1', '102.5') })?.shift).toBeUndefined()
    expect(recoveryOf(lost(), { ...marks, X: mark('1.2', '100') })?.axes.X).toMatchObject({
      turns: 0,
      shift: -200_000,
      certain: true,
    })
    // The dial went round, and nobody said how much a turn is: the scale says that it cannot be 0.2.
    expect(recoveryOf(lost(), { ...marks, X: mark('1.2', '105') })?.shift).toBeUndefined()
  })

  test('an axis has the marks that it has: dials that fall, no scale, a scale alone, none', () => {
    const of = (was: AxisMarks, now: AxisMarks, dialTurn: typeof turn | undefined = turn) => {
      const document = lost(dialTurn)
      const checkOffs = document.checkOffs.map((one) => ({ ...one, marks: was }) as CheckOff)
      return recoveryOf({ ...document, checkOffs }, now)
    }
    const dial = (text: string) => ({ dial: mm(text) })
    // It shows 0.3 more and counts down: the axis stands 0.3 towards minus, where everything reads 0.3 more.
    const falls = of(
      { X: { ...dial('1'), dialFalls: true }, Y: mark('2', '200') },
      { X: { ...dial('1.3'), dialFalls: true }, Y: mark('2', '200') },
    )
    expect(falls).toMatchObject({
      shift: { X: mm('0.300000'), Y: mm('0.000000') },
      anew: ['Z'],
    })
    expect(falls?.shift).not.toHaveProperty('Z')
    // Without a scale the nearer way round: 4.9 of 5 after 0.1 is 0.2 back, over the dial’s zero.
    expect(of({ X: dial('0.1') }, { X: dial('4.9') })?.axes.X).toMatchObject({
      shift: 200_000,
      turns: 0,
      certain: true,
    })
    // Nobody finds a mark by eye as badly as by a quarter of a turn.
    expect(of({ X: dial('0.1') }, { X: dial('1.36') })?.shift).toBeUndefined()
    expect(of({ X: dial('0.1') }, { X: dial('1.34') })?.shift).toBeDefined()
    // A scale alone is no finer than it is: X is touched again, as is what was not found at all.
    expect(of({ X: { coarse: mm('100') } }, { X: { coarse: mm('100') } })).toBeUndefined()
    const scaleOfX = { X: { coarse: mm('100') }, Y: dial('2') }
    expect(of(scaleOfX, scaleOfX)).toMatchObject({
      anew: ['X', 'Z'],
      shift: { Y: mm('0.000000') },
    })
    expect(of({ X: dial('1'), Y: dial('2') }, { Y: dial('2') })).toMatchObject({
      anew: ['X', 'Z'],
      shift: { Y: mm('0.000000') },
    })
  })

  test('dials at part zero say whether it was found again: by more than a tenth it was not', () => {
    const at: AxisMarks = { X: mark('1', '100'), Y: { dial: mm('2'), dialFalls: true } }
    const partZero = (more = {}): CheckOff =>
      ({ ...fact(), of: 'part-zero', row: 'G54', marks: at, ...more }) as CheckOff
    const before = lost(turn)
    const document = { ...before, checkOffs: [...before.checkOffs, partZero()] }
    const now = (x: string, y: string): AxisMarks => ({ X: mark(x, '100'), Y: { dial: mm(y) } })
    expect(partZeroOf(document, now('1.1', '2.11'))).toMatchObject({
      row: 'G54',
      was: at,
      off: { X: 100_000, Y: -110_000 },
      elsewhere: ['Y'],
    })
    expect(partZeroOf(document, {})?.elsewhere).toEqual([])
    // Another part stands elsewhere, one that was left out tells nothing, switches need no dials.
    const other = event({ kind: 'part-changed', row: 'G54' })
    expect(partZeroOf({ ...document, events: [other] }, now('1', '2'))?.was).toBeUndefined()
    const left = { ...before, checkOffs: [partZero({ marks: {}, leftOut: 'none' })] }
    expect(partZeroOf(left, now('1', '2'))?.was).toBeUndefined()
    expect(partZeroOf(workedDocument(), now('1', '2'))).toBeUndefined()
  })

  test('dials at part zero are a step once X and Y are keyed, again after a loss, and not where the axes have none', () => {
    const state = (document: SetupDocument) => {
      const solution = solve(document)
      const steps = stepsOf(document, solution, false)
      return steps.find(({ step }) => step.key === 'part-zero')
    }
    const home = (marks?: AxisMarks) =>
      ({ ...fact(), of: 'home', ...(marks && { marks }) }) as CheckOff
    const { machine } = workedSheet()
    const byMarks = (...checkOffs: readonly CheckOff[]) => ({
      ...workedDocument({ machine: { ...machine, homing: 'marks' } }),
      checkOffs,
    })
    expect(state(byMarks(home(marks)))?.done).toBe(false)
    expect(state(byMarks())).toBeDefined()
    expect(state(byMarks(home()))).toBeUndefined()
    expect(state(byMarks(home({ Z: mark('1', '2') })))).toBeUndefined()
    expect(state({ ...workedDocument(), checkOffs: [home(marks)] })).toBeUndefined()
    const written = byMarks(home(marks), {
      ...fact(),
      of: 'part-zero',
      row: 'G54',
      marks,
    } as CheckOff)
    expect(state(written)?.done).toBe(true)
    for (const one of [event({ kind: 'home-lost' }), event({ kind: 'part-changed', row: 'G54' })])
      expect(state({ ...written, events: [one] })?.done).toBe(false)
    expect(state({ ...written, events: [event({ kind: 'plane-moved' })] })?.done).toBe(true)
    // X and Y of the row stand in the control before one can drive there.
    const open = byMarks(home(marks))
    const steps = stepsOf(open, solve(open), false)
    const step = steps.find(({ step }) => step.key === 'part-zero')?.step
    expect(step && neededFirst(open.sheet, steps, step)?.step.key).toBe('key-in:G54.X')
  })

  test('there is none to look for where nothing was lost, or nothing was written down before', () => {
    const document = lost(turn)
    expect(recoveryOf({ ...document, events: [] }, marks)).toBeUndefined()
    expect(
      recoveryOf({ ...document, events: [event({ kind: 'plane-moved' })] }, marks),
    ).toBeUndefined()
    expect(recoveryOf({ ...document, checkOffs: [] }, marks)).toBeUndefined()
    // Written down after the loss: that is another zero.
    expect(recoveryOf({ ...document, checkOffs: [written()] }, marks)).toBeUndefined()
  })

  test('a dial turns by something', () => {
    const at = (dial: number) => ({ dial: dial as Nanometres, coarse: 0 as Nanometres })
    expect(() => foundAgain(at(0), at(1), 0 as Nanometres)).toThrow(/above zero/)
    expect(() => foundAgain(at(0), at(1), -5 as Nanometres)).toThrow(/above zero/)
  })
})

describe('advice for a register', () => {
  const needing = (depth: string) => workedDocument({ needs: { depth: mm(depth) } })
  const registerOf = (document: SetupDocument, wanted: string) => {
    const found = solve(document).registers.find(({ address }) => address === wanted)
    if (found === undefined) throw new Error(wanted)
    return found
  }

  test('is given where the number is not sure enough, about its largest part', () => {
    const document = needing('0.02')
    const register = registerOf(document, 'H1')
    expect(register.fitness).not.toBe('fit')
    const advice = adviceForRegister(document, register)
    expect(advice?.do).toBeDefined()
    expect(advice?.sourceId).toBe(register.budget?.lines[0]?.source.id)
  })

  test('is none where it is, where nothing is needed, and where there is no number yet', () => {
    const enough = needing('5')
    expect(registerOf(enough, 'H1').fitness).toBe('fit')
    expect(adviceForRegister(enough, registerOf(enough, 'H1'))).toBeUndefined()
    const free = workedDocument()
    expect(adviceForRegister(free, registerOf(free, 'H1'))).toBeUndefined()
    const unread = workedDocument({ needs: { depth: mm('0.02') } }, [])
    expect(adviceForRegister(unread, registerOf(unread, 'H1'))).toBeUndefined()
  })

  test('names what is better than the gauge that this very reading was made with', () => {
    const adviceWith = (using: readonly string[], depth: string) => {
      const [left, nose, tip] = [leftTouch(), noseTouch(), { ...tipTouch(), with: using }]
      // Other readings were made with other gauges: they say nothing of this one.
      const document = workedDocument({ needs: { depth: mm(depth) } }, [left, nose, tip])
      return adviceForRegister(document, registerOf(document, 'H1'))
    }
    // By the repeatabilities of common practice (gauge-kinds.ts): the next one that is enough, not the best.
    expect(adviceWith(['paper'], '0.05')).toMatchObject({ to: 'height-setter' })
    expect(adviceWith([], '0.05')).toMatchObject({ to: 'shim' })
    expect(adviceWith(['setter'], '0.02')).toMatchObject({ to: 'probe' })
  })

  test('names the next better contact than the one that was used', () => {
    const [nose, tip] = [noseTouch(), tipTouch()]
    const onPaper = workedDocument({ needs: { depth: mm('0.06') } }, [
      { ...nose, with: ['paper'] },
      { ...tip, with: ['paper'] },
    ])
    const advice = adviceForRegister(onPaper, registerOf(onPaper, 'H1'))
    expect(advice).toMatchObject({
      do: expect.stringMatching(/repeat|change-gauge/),
      sourceId: tip.id,
    })
  })
})

describe('when numbers grow old', () => {
  const DAY = 86_400_000
  const chain = (...at: readonly string[]) => ({
    terms: at.map((moment, index) => ({
      coefficient: 1,
      role: 'axis-at-contact' as const,
      source: {
        id: `r${index}`,
        kind: 'reading' as const,
        name: 'read',
        length: { nm: 0 as Nanometres, decimals: 3, unit: 'mm' as const, text: '0' },
        at: moment,
      },
    })),
  })

  test('is as many days after the first of their readings', () => {
    const [early, late] = ['2026-03-02T08:00:00Z', '2026-03-05T08:00:00Z']
    expect(oldFrom([chain(late, early)] as never, 2)).toBe(Date.parse(early) + 2 * DAY)
    expect(oldFrom([chain(late), chain(early)] as never, 2)).toBe(Date.parse(early) + 2 * DAY)
    expect(oldFrom([chain(late), chain()] as never, 1)).toBe(Date.parse(late) + DAY)
    expect(oldFrom([chain()] as never, 1)).toBeUndefined()
    expect(oldFrom([], 1)).toBeUndefined()
  })
})

describe('an address', () => {
  test.each([
    'H',
    'H1234',
    'aH1',
    'H1a',
    'H-1',
    'h1',
    'G54',
    'G54.A',
    'G54.XX',
    'G54.X.',
    'xG54.X',
    'G53.X',
    'G54.1 P0.X',
    'G54.1 P01.X',
    'G54.1 P1x.X',
    'x G54.1 P1.X',
    'G54.1 P301.X',
    '',
  ])('“%s” is none', (text) => {
    expect(addressParts(text)).toBeUndefined()
    expect(rowOfAddress(text)).toBeUndefined()
    expect(registerName(text)).toBe(text)
  })

  test('is told apart to the letter', () => {
    expect(addressParts('H123')).toEqual({ of: 'length', register: 123 })
    expect(addressParts('D7')).toEqual({ of: 'diameter', register: 7 })
    expect(addressParts('G54.1 P300.Y')).toEqual({
      of: 'work-offset',
      row: 'G54.1 P300',
      axis: 'Y',
    })
    expect([axisOfAddress('G59.3.X'), axisOfAddress('H1'), axisOfAddress('D1')]).toEqual([
      'X',
      'Z',
      'Z',
    ])
    expect(['G54.1 P10', 'G54.1 P300'].every(isOffsetRow)).toBe(true)
    expect(['G54.1 P', 'G54.1 P1000', 'G54.1 P1 ', ' G54'].some(isOffsetRow)).toBe(false)
  })
})

test('a superseded reading stands no more: its number is the one that took its place', () => {
  const wrong = leftTouch()
  const right = { ...leftTouch(), read: mm('-412.000'), supersedes: wrong.id, reason: 'misread' }
  const value = (...readings: SetupDocument['readings']) =>
    solve(workedDocument({}, readings)).registers.find(({ address }) => address === 'G54.X')?.value
  expect(value(wrong, right)).toBe(-347_000_000)
  // Without that it would be a repeat that does not repeat: neither counts.
  const { supersedes: _wrong, reason: _why, ...again } = right
  expect(value(wrong, again)).toBeUndefined()
})

describe('keys', () => {
  const NAMED: readonly (readonly [QuantityName, string, string])[] = [
    [{ of: 'nose-on-plane' }, 'nose-on-plane', 'the bare nose on the plane'],
    [{ of: 'tip-on-plane', tool: 12 }, 'tip-on-plane:T12', 'T12 on the plane'],
    [{ of: 'face', row: 'G54', face: 'left' }, 'face:G54:left', 'G54 left face'],
    [
      { of: 'circle-point', row: 'G54.1 P2', point: 3 },
      'circle-point:G54.1 P2:3',
      'G54.1 P2 touch 3 around it',
    ],
    [
      { of: 'edge-point', row: 'G54', face: 'back', point: 2 },
      'edge-point:G54:back:2',
      'G54 back face',
    ],
    [{ of: 'sweep', row: 'G55' }, 'sweep:G55', 'G55 by the swept dial'],
    [{ of: 'nose-on-part', row: 'G54' }, 'nose-on-part:G54', 'G54 top by the nose'],
    [{ of: 'tip-on-part', row: 'G54', tool: 3 }, 'tip-on-part:G54:T3', 'G54 top by T3'],
    [{ of: 'tool-diameter', tool: 3 }, 'tool-diameter:T3', 'T3 across'],
    [
      { of: 'fixture-difference', row: 'G55', from: 'G54' },
      'fixture-difference:G55:G54',
      'G55 from G54',
    ],
    [{ of: 'carried-difference', row: 'G54' }, 'carried-difference:G54', 'G54 from the plane'],
  ]

  test('of every quantity are written and read in one place, and called by people', () => {
    expect(NAMED.map(([{ of }]) => of).sort()).toEqual(Object.keys(QUANTITIES).sort())
    for (const [name, key, called] of NAMED) {
      expect(quantityKey(name)).toBe(key)
      expect(quantityOfKey(key)).toEqual(name)
      expect(moduleOf(name).called(name)).toBe(called)
    }
  })

  test('that name nothing are none', () => {
    for (const key of ['', 'H1', 'face', 'face:G54', 'face:G54:left:1', 'toString', 'prove:G54:T1'])
      expect(quantityOfKey(key)).toBeUndefined()
    for (const key of [
      '',
      'prove:G54',
      'prove:G53:T1',
      'prove:G54:1',
      'xprove:G54:T1',
      'prove:G54:T1x',
    ])
      expect(proofOfKey(key)).toBeUndefined()
    expect(proofOfKey(proofKey({ row: 'G54.1 P2', tool: 14 }))).toEqual({
      row: 'G54.1 P2',
      tool: 14,
    })
  })
})

describe('a machine that homes each axis by itself', () => {
  const machine = { ...workedSheet().machine, homing: 'axis-by-axis' } as const
  const homed = (...axes: readonly ('X' | 'Y' | 'Z')[]): SetupDocument => ({
    ...workedDocument({ machine }, []),
    checkOffs: axes.map((axis) => ({ ...fact(), of: 'home' as const, axes: [axis] })),
  })
  const waitsFor = (document: SetupDocument, key: string) => {
    const states = stepsOf(document, solve(document), false)
    const { step } = states.find((one) => one.step.key === key)!
    return neededFirst(document.sheet, states, step)?.step.key
  }
  const isDone = (document: SetupDocument) =>
    stepsOf(document, solve(document), false).find(({ step }) => step.key === 'home')?.done

  test('a reading waits for its own axis, and home is done with all three', () => {
    expect(waitsFor(homed(), 'tip-on-plane:T1')).toBe('home')
    expect(waitsFor(homed('Z'), 'tip-on-plane:T1')).toBeUndefined()
    expect(waitsFor(homed('Z'), 'face:G54:left')).toBe('home')
    expect(waitsFor(homed('Z', 'X'), 'face:G54:left')).toBeUndefined()
    expect(waitsFor(homed('Z', 'X'), 'face:G54:front')).toBe('home')
    expect([isDone(homed()), isDone(homed('Z', 'X')), isDone(homed('Z', 'X', 'Y'))]).toEqual([
      false,
      false,
      true,
    ])
    expect(axesAtHome(homed('Z', 'X'))).toEqual(['X', 'Z'])
  })

  test('once home is lost, all of them are', () => {
    const lost = {
      ...homed('X', 'Y', 'Z'),
      events: [event({ kind: 'home-lost' })],
    }
    expect(isDone(lost)).toBe(false)
    expect(axesAtHome(lost)).toEqual([])
    const again = { ...lost, checkOffs: [...lost.checkOffs, { ...fact(), of: 'home' as const }] }
    expect(isDone(again)).toBe(true)
  })
})
