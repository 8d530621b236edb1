import type { Address } from '../src/address'
import { checkDocument, type Reading, type SetupDocument } from '../src/facts'
import type { ReadBack } from '../src/facts/bodies/bodies'
import { stepsOf } from '../src/plan'
import { type OffsetKeyMode, type OffsetPlan } from '../src/sheet'
import { solve, type Solution } from '../src/solve'
import { describeWarning } from '../src/words'
import {
  checkFailed,
  difference,
  event,
  fact,
  frontTouch,
  leftTouch,
  MIRA,
  mm,
  noseTouch,
  readingOf,
  shown,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

const registers = (document: SetupDocument, now?: string) =>
  new Map(
    solve(document, now === undefined ? {} : { now }).registers.map(
      (register) => [register.address as string, register] as const,
    ),
  )
const stateOf = (document: SetupDocument, address: string) =>
  registers(document).get(address)?.state
const tip = (tool: number, read: string) =>
  readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool, read: mm(read), with: ['setter'] })

const twoTools = [
  { number: 1, name: 'first', lengthRegister: 1 },
  { number: 2, name: 'second', lengthRegister: 2 },
]

test('a number that was carried over is to be keyed again; it is no slip', () => {
  const shift = { X: mm('-0.050'), Y: mm('0'), Z: mm('0') }
  const document: SetupDocument = {
    ...workedDocument({}, [leftTouch(), frontTouch()]),
    readBacks: [shown('G54.X', '-347.300'), shown('G54.Y', '-210.000')],
    events: [event({ kind: 'home-lost' }), event({ kind: 'home-recovered', shift })],
  }
  expect(registers(document).get('G54.X')).toMatchObject({ state: 'read', value: -347_350_000 })
  expect(registers(document).get('G54.X')?.readBack).toBeUndefined()
  // Its number is the same: what the control has of it after its power was gone is read back anew, and nothing is keyed.
  expect(registers(document).get('G54.Y')).toMatchObject({ state: 'read', value: -210_000_000 })
  const looked = { ...document, readBacks: [...document.readBacks, shown('G54.Y', '-210.000')] }
  expect(stateOf(looked, 'G54.Y')).toBe('keyed')
})

test('what was proven before the power was cut is proven again before it counts, whatever is found to hold', () => {
  const zero = { X: mm('0'), Y: mm('0'), Z: mm('0') }
  const proof = () => ({
    ...event({ kind: 'unit-changed' }),
    ...{ row: 'G54', tool: 1, clearance: mm('50'), gap: mm('50'), overZero: true },
  })
  const before = {
    ...workedDocument({}, [tip(1, '-220.000'), leftTouch(), frontTouch()]),
    readBacks: [shown('H1', '-270.000'), shown('G54.X', '-347.300'), shown('G54.Y', '-210.000')],
    proofs: [proof()],
  } as unknown as SetupDocument
  expect(stateOf(before, 'G54.X')).toBe('proven')
  const lost = [event({ kind: 'home-lost' }), event({ kind: 'home-recovered', shift: zero })]
  const readAnew = ['H1 -270.000', 'G54.X -347.300', 'G54.Y -210.000'].map((row) =>
    shown(row.split(' ')[0] as Address, row.split(' ')[1]!),
  )
  const after = { ...before, events: lost, readBacks: [...before.readBacks, ...readAnew] }
  expect(stateOf(after, 'G54.X')).toBe('keyed')
  const proven = { ...after, proofs: [...before.proofs, proof()] } as unknown as SetupDocument
  expect(stateOf(proven, 'G54.X')).toBe('proven')
})

test('a repeat that is typed as a whole number is explained like any other', () => {
  const document = workedDocument({}, [tip(1, '-220.000'), tip(1, '-2')])
  expect(solve(document).warnings.map(({ code }) => code)).toContain('repeats-spread')
})

describe('read again after something moved', () => {
  test('the readings from before give way; nothing has to be struck out', () => {
    const [first, carried] = [tip(1, '-220.000'), difference()]
    const changed = event({ kind: 'tool-changed', tool: 1 })
    const document: SetupDocument = {
      ...workedDocument({}, [first, carried, tip(1, '-215.000')]),
      events: [changed],
    }
    expect(registers(document).get('H1')).toMatchObject({ state: 'read', value: -265_000_000 })
  })

  test('before it is read again it is stale, and its step is open', () => {
    const document: SetupDocument = {
      ...workedDocument({}, [tip(1, '-220.000'), difference()]),
      events: [event({ kind: 'tool-changed', tool: 1 })],
    }
    expect(stateOf(document, 'H1')).toBe('stale')
    const step = stepsOf(document, solve(document), false).find(
      ({ step: { key } }) => key === 'tip-on-plane:T1',
    )
    expect(step).toMatchObject({ done: false, trust: 'stale' })
  })

  test('what the control shows from before is the value to be replaced, not a slip', () => {
    const base = workedDocument({}, [tip(1, '-220.000')])
    const readBacks = [shown('H1', '-270.000')]
    const changed = event({ kind: 'tool-changed', tool: 1 })
    const again = tip(1, '-215.000')
    const register = registers({
      ...base,
      readBacks,
      readings: [...base.readings, again],
      events: [changed],
    }).get('H1')
    expect(register?.state).toBe('read')
    expect(register?.readBack).toBeUndefined()
    expect(register?.keyIn?.before).toBe(-270_000_000)
  })
})

describe('re-base', () => {
  // T1 stands on the setter at −220, the plane is set again 0.4 lower, T1 stands at −220.4 on it.
  const rebased = (...before: Reading[]): SetupDocument => {
    const touched = before.length > 0 ? before : [tip(1, '-220.000'), tip(2, '-180.000')]
    const moved = event({ kind: 'plane-moved' })
    return {
      ...workedDocument({ tools: twoTools }, [...touched, tip(1, '-220.400')]),
      events: [moved, event({ kind: 'rebased', tool: 1 })],
    }
  }

  test('all lengths shift by what the tool that was touched twice tells', () => {
    expect(registers(rebased()).get('H1')?.value).toBe(-270_400_000)
    expect(registers(rebased()).get('H2')).toMatchObject({ state: 'read', value: -230_400_000 })
  })

  test('without it the other tool is stale', () => {
    const document = rebased()
    expect(stateOf({ ...document, events: [document.events[0]!] }, 'H2')).toBe('stale')
  })

  test('a difference that was carried from the old plane shifts the other way', () => {
    const document = rebased(tip(1, '-220.000'), difference())
    // The part did not move: 30.0 below the old plane is 29.6 below the new one.
    expect(registers(document).get('G54.Z')).toMatchObject({ state: 'read', value: -29_600_000 })
  })

  test('a tool that was not touched on both planes cannot tell', () => {
    const document = rebased()
    const untold = event({ kind: 'rebased', tool: 2 })
    expect(
      checkDocument({
        ...document,
        events: [document.events[0]!, untold],
      }),
    ).toMatchObject([
      { code: 'rebase-undetermined', place: `facts.${untold.place}.body`, received: 'T2' },
    ])
  })
})

describe('the control', () => {
  test('an external offset that changed is taken off every work offset', () => {
    const document: SetupDocument = {
      ...workedDocument(),
      events: [event({ kind: 'external-changed', axis: 'Z', value: mm('-5') })],
    }
    expect(registers(document).get('G54.Z')?.value).toBe(-25_000_000)
    expect(registers(document).get('G54.X')?.value).toBe(-347_300_000)
  })

  test('a unit that changed takes away what was read back before it', () => {
    const [base, before, switching] = [
      workedDocument(),
      shown('H1', '-270.000'),
      event({ kind: 'unit-changed' }),
    ]
    const document = { ...base, readBacks: [before, shown('G54.Z', '-30.000')] }
    expect(stateOf(document, 'H1')).toBe('keyed')
    const switched = { ...document, events: [switching] }
    expect(stateOf(switched, 'H1')).toBe('read')
    expect(stateOf(switched, 'G54.Z')).toBe('keyed')
  })

  test('home found again by its marks shifts what was read before, and makes nothing stale', () => {
    const base = workedDocument()
    const lost = event({ kind: 'home-lost' })
    const shift = { X: mm('0.12'), Y: mm('0'), Z: mm('-0.25') }
    const found = event({ kind: 'home-recovered', shift })
    expect(stateOf({ ...base, events: [lost] }, 'G54.X')).toBe('stale')
    const after = registers({ ...base, events: [lost, found] })
    expect(after.get('G54.X')).toMatchObject({ state: 'read', value: -347_180_000 })
    expect(after.get('H1')).toMatchObject({ state: 'read', value: -270_250_000 })
    // A difference on the counter does not know where home is.
    expect(after.get('G54.Z')?.value).toBe(-30_000_000)
  })
})

describe('a gauge that failed its check', () => {
  /** Its first readings, this many, were made before the last good check. */
  const failed = (document: SetupDocument, gauge: string, good: number) => ({
    ...document,
    events: [checkFailed(gauge, document.readings[good - 1])],
  })
  const stale = (document: SetupDocument) =>
    [...registers(document)].flatMap(([address, { state }]) => (state === 'stale' ? [address] : []))

  test('what was read with it since its last good check is suspect', () => {
    expect(stale(failed(workedDocument(), 'finder', 0))).toEqual(['G54.X', 'G54.Y'])
    expect(stale(failed(workedDocument(), 'finder', 3))).toEqual(['G54.Y'])
    expect(stale(failed(workedDocument(), 'setter', 0))).toEqual(['H1'])
  })

  test('nobody knows when it changed: between two touches as well, so it does not cancel', () => {
    const length = (goodUntil: number) =>
      stale(failed(workedDocument({ school: 'gauge-line' }), 'setter', goodUntil))
    expect(length(0)).toContain('H1')
    // Only the tip was touched after the last good check.
    expect(length(1)).toContain('H1')
    expect(length(2)).not.toContain('H1')
  })

  test('at both ends of one difference it was the same, whatever it was', () => {
    const carried = readingOf<'carried-difference'>({
      of: 'carried-difference',
      row: 'G54',
      zeroedOn: 'plane',
      withOnPlane: ['setter'],
      read: mm('-30.000'),
      with: ['setter'],
    })
    const document = workedDocument({}, [tipTouch(), leftTouch(), frontTouch(), carried])
    expect(stale(failed(document, 'setter', 0))).toEqual(['H1'])
  })
})

describe('age, and accepting what is stale', () => {
  const { machine } = workedSheet()
  const document = workedDocument({ machine: { ...machine, policy: { maxAgeDays: 7 } } })
  const later = '2026-03-10T12:00:00Z'

  test('a reading that is older than the shop allows is stale, with its day', () => {
    expect(registers(document, '2026-03-05T12:00:00Z').get('H1')?.state).toBe('read')
    expect(registers(document, later).get('H1')).toMatchObject({
      state: 'stale',
      stale: { by: 'age', days: 7 },
    })
  })

  test('core has no clock: without a moment nothing ages', () => {
    expect(registers(document).get('H1')?.state).toBe('read')
  })

  test('accepted with a name and a reason it holds, until something else happens', () => {
    const moved = event({ kind: 'plane-moved' })
    const accepted = {
      ...document,
      events: [moved],
      acceptances: [
        {
          ...fact(),
          address: 'H1' as const,
          reason: 'checked with a caliper',
          accepts: moved.id,
        },
      ],
    }
    expect(registers(accepted).get('H1')).toMatchObject({
      state: 'read',
      stale: { by: 'event' },
      accepted: { by: MIRA, reason: 'checked with a caliper' },
    })
    expect(registers(accepted).get('G54.Z')?.state).toBe('stale')
    expect(stateOf({ ...accepted, events: [moved, event({ kind: 'plane-moved' })] }, 'H1')).toBe(
      'stale',
    )
  })
})

test('a setting plane that is kept as a work offset reads the ball when the nose pinches it', () => {
  const ball = { id: 'ball', kind: 'ball', name: '1 inch ball', size: mm('25.4') } as const
  const document = workedDocument(
    {
      school: 'gauge-line',
      reference: { planeRow: 'G55' },
      gauges: [...workedSheet().gauges, ball],
    },
    [
      readingOf<'nose-on-plane'>({ of: 'nose-on-plane', read: mm('-274.6'), with: ['ball'] }),
      leftTouch(),
      frontTouch(),
    ],
  )
  const value = registers(document).get('G55.Z')?.value
  expect(value).toBe(-300_000_000)
  // Work position in G55 while the nose pinches the ball: machine position less the register.
  expect(-274_600_000 - value!).toBe(25_400_000)
  expect(
    checkDocument(workedDocument({ reference: { planeRow: 'G54' } })).map(({ code }) => code),
  ).toContain('row-taken')
})

describe('the tool in the spindle and the one that the control takes for active', () => {
  const onPart = (
    holds: number | null,
    controlSays: number | null,
    workOffsetKey: OffsetKeyMode = 'position',
    readBacks: readonly ReadBack[] = [],
  ) => {
    const { machine } = workedSheet()
    const control = { ...machine.control, workOffsetKey }
    const onNose: OffsetPlan = {
      ...workedSheet().offsets[0]!,
      Z: { by: 'nose-on-part', facing: mm('0') },
    }
    return solve({
      ...workedDocument(
        { school: 'gauge-line', machine: { ...machine, control }, offsets: [onNose] },
        [
          noseTouch(),
          tipTouch(),
          {
            ...readingOf<'nose-on-part'>({
              of: 'nose-on-part',
              row: 'G54',
              read: mm('-330.000'),
              with: [],
            }),
            spindle: { holds, controlSays },
          },
        ],
      ),
      readBacks,
    })
  }
  const said = (solution: Solution) =>
    solution.warnings.map((warning) => describeWarning(warning, (nm) => `${nm / 1e6} mm`))

  test('alike: nothing to say', () => {
    expect(onPart(null, null).warnings).toEqual([])
  })
  test('a control that works Z out with a length of 80 active is off by those 80, unless it is told so', () => {
    const solution = onPart(null, 1)
    expect(solution.warnings).toMatchObject([
      {
        code: 'control-tool-differs',
        place: 'nose-on-part:G54',
        amount: 80_000_000,
        tools: [null, null, 1],
      },
    ])
    expect(said(solution)).toEqual([expect.stringContaining('Every tip would come 80 mm too deep')])
  })
  test('a position is told with what the active length is by now, and not with what it is to become', () => {
    const lineWith = (readBacks: readonly ReadBack[]) =>
      onPart(null, 1, 'position', readBacks).registers.find(({ address }) => address === 'G54.Z')
        ?.keyIn
    // Nobody has looked at H1: it may hold last job's length.
    expect(lineWith([])).toMatchObject({
      mode: 'set',
      type: '-330.000',
      insteadOf: { mode: 'position', because: 'length-unread' },
    })
    // −330 with H1 of 80 active: the control works out −330 − 80 − V, and G54 Z is to be −330.
    expect(lineWith([shown('H1', '80.000')])).toMatchObject({
      mode: 'position',
      activeLength: 'H1',
      type: '-80.000',
    })
    // Last job's 75 is still there: it takes 75 off.
    expect(lineWith([{ ...shown('H1', '75.000'), moment: 'before' }])?.type).toBe('-75.000')
  })
  test('where Z is typed, what the control takes for active touches nothing', () => {
    expect(onPart(null, 1, 'set').warnings).toEqual([])
    expect(onPart(null, 1, 'copy').warnings).toEqual([])
  })
  test('a tool where the bare nose was to be stands 80 higher, however Z is keyed', () => {
    for (const key of ['set', 'position'] as const) {
      const solution = onPart(1, 1, key)
      expect(solution.warnings).toMatchObject([
        { code: 'spindle-tool-differs', tools: [null, 1, 1], amount: -80_000_000 },
      ])
      expect(said(solution)).toEqual([expect.stringContaining('80 mm too high')])
    }
  })
})

describe('this time against last time', () => {
  const lengths = (today: readonly string[], last: readonly string[], nose: boolean) =>
    solve(
      workedDocument(
        {
          school: nose ? 'gauge-line' : 'setting-plane',
          tools: last.map((text, index) => ({
            number: index + 1,
            name: `tool ${index + 1}`,
            lengthRegister: index + 1,
            lastLength: mm(text),
          })),
        },
        [...(nose ? [noseTouch()] : []), ...today.map((read, index) => tip(index + 1, read))],
      ),
    ).warnings

  test('a length of 80.01 was 80.00: a tool repeats so', () => {
    expect(lengths(['-219.990'], ['80.000'], true)).toEqual([])
  })
  test('one wrong digit is named', () => {
    expect(lengths(['-210.000'], ['80.000'], true)).toMatchObject([
      {
        code: 'differs-from-last-time',
        place: 'H1',
        amount: 10_000_000,
        causes: [{ code: 'digit-wrong' }],
      },
    ])
  })
  test('a setter that was not there is named', () => {
    const [warning] = lengths(['-270.000'], ['80.000'], true)
    expect(warning?.causes?.map(({ code }) => code)).toContain('gauge-forgotten')
  })
  test('without a nose touch the tool that changed stands out from the others', () => {
    expect(lengths(['-220', '-180', '-199'], ['80', '120', '100'], false)).toMatchObject([
      { place: 'H3', amount: 1_000_000 },
    ])
    expect(lengths(['-220', '-179'], ['80', '120'], false)).toEqual([])
  })
})

test('a repeat that lies far off is explained: two digits changed places', () => {
  const document = workedDocument({}, [tip(1, '-218.462'), tip(1, '-218.426'), tip(1, '-281.462')])
  expect(solve(document).warnings).toMatchObject([
    {
      code: 'repeats-spread',
      place: 'tip-on-plane:T1',
      causes: [{ code: 'digits-swapped' }],
    },
  ])
})

test.each([
  ['in the second and third decimal', ['-218.409', '-218.490'], 'mm'],
  ['in inches beside a set-up in millimetres', ['-8.60110', '-8.61010'], 'in'],
] as const)('and so is one that was %s', (_, [first, second], unit) => {
  const read = (text: string) => ({ ...tip(1, '0'), read: { text, unit } }) as Reading
  const [told] = solve(workedDocument({}, [read(first), read(second)])).warnings
  expect(told).toMatchObject({ code: 'repeats-spread' })
  expect(told?.causes?.map(({ code }) => code)).toContain('digits-swapped')
})
