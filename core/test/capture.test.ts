import { type Address, type MachineAxis } from '../src/address'
import { type SetupDocument, type SetupFact } from '../src/facts'
import { appendFact } from '../src/facts/fold'
import { type Nanometres } from '../src/length'
import {
  captureAt,
  capturedReading,
  followingStep,
  rowExpected,
  stepsOf,
  zeroesCounter,
} from '../src/plan'
import { type ExpectedTouch } from '../src/expect'
import { type KeyMode, type OffsetKeyMode, type SetupSheet } from '../src/sheet'
import { type ControlProfile } from '../src/sheet/machine'
import { solve } from '../src/solve'
import {
  event,
  fact,
  leftTouch,
  mm,
  noseTouch,
  readingOf,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

const nm = (text: number) => Math.round(text * 1e6) as Nanometres

/** The worked set-up on a control that changes its rows another way. */
const on = (
  control: Partial<ControlProfile>,
  document: SetupDocument = workedDocument({}, []),
): SetupDocument => {
  const { sheet } = document
  const { machine } = sheet
  return {
    ...document,
    // What is entered next comes after all that the tests have made.
    length: 1_000_000,
    sheet: { ...sheet, machine: { ...machine, control: { ...machine.control, ...control } } },
  }
}

/** How a touch of the worked example is made, before it is read. */
const toBe = ({ read: _, ...touch }: ReturnType<typeof leftTouch>): ExpectedTouch => touch
const leftFace = toBe(leftTouch())
const tip = toBe(tipTouch())
const order = (document: SetupDocument) =>
  stepsOf(document, solve(document), false).map(({ step }) => step.key)

/** What the control's row shows after it was told, by what a control does (docs/domain.md, “Keys of a control”). */
function rowAfter(mode: KeyMode, typed: number, machine: number, external = 0): number {
  return mode === 'copy' ? machine + typed : machine - external - typed
}

describe('what is told at the touch, before it is read', () => {
  // The finder's radius is 5; the drawing calls the left face −60: zero is 65 right of the spindle at contact.
  test.each([
    ['position', '-65.000'],
    ['copy', '65.000'],
  ] as const)('X at the left face by %s', (mode, type) => {
    const capture = captureAt(on({ workOffsetKey: mode }), leftFace)
    expect(capture).toMatchObject({ address: 'G54.X', mode, type })
    const row = rowAfter(mode, Number(type), -412.3)
    expect(row).toBeCloseTo(-347.3, 9)
    expect(capture && capturedReading(capture, nm(row))).toEqual(mm('-412.300'))
    // What is expected of the row is what is expected of the touch, moved by what is told.
    expect(
      capture && rowExpected(capture, { mm: -412, standardMm: 0.5, because: [] }),
    ).toMatchObject({ mm: -347, standardMm: 0.5 })
  })

  test('H by copy: the row tells where Z stands, with the setter taken off', () => {
    const capture = captureAt(on({ lengthKey: 'copy' }), tip)
    expect(capture).toMatchObject({ address: 'H1', mode: 'copy', type: '-50.000' })
    expect(capture && capturedReading(capture, nm(-220 - 50))).toEqual(mm('-220.000'))
  })

  test('H that the control’s own cycle stores: nothing is typed, and the row tells where Z stands', () => {
    const capture = captureAt(on({ lengthKey: 'stored' }), tip)
    expect(capture).toMatchObject({ address: 'H1', mode: 'stored' })
    // It stores −270 where the tip stands at −220 on the 50 mm setter.
    expect(capture && capturedReading(capture, nm(-220 - 50))).toEqual(mm('-220.000'))
  })

  test('H by the counter that was zeroed with the nose on the same setter', () => {
    const nose = { ...tip, position: { of: 'counter-from', tool: null } } as ExpectedTouch
    const byNose = on({ lengthKey: 'copy-counter' }, workedDocument({ school: 'gauge-line' }, []))
    const capture = captureAt(byNose, nose)
    expect(capture).toMatchObject({ address: 'H1', mode: 'copy-counter', type: '0.000' })
    expect(capture && capturedReading(capture, nm(80))).toEqual(mm('80.000'))
    // Zeroed nobody knows where, there is nothing to copy.
    expect(
      captureAt(byNose, { ...tip, position: { of: 'counter' } } as ExpectedTouch),
    ).toBeUndefined()
  })

  test('in inches, by what an inch display shows', () => {
    const inches = (text: string) => ({ text, unit: 'in' as const })
    const { gauges } = workedSheet()
    const inch = workedDocument(
      {
        unit: 'in',
        gauges: gauges.map((one) =>
          one.id === 'setter' ? { ...one, size: inches('2.0000') } : one,
        ),
      },
      [],
    )
    const capture = captureAt(on({ lengthKey: 'copy' }, inch), tip)
    expect(capture).toMatchObject({ type: '-2.0000', unit: 'in', decimals: 4 })
    const row = (-8.2513 * 25.4e6) as Nanometres
    expect(capture && capturedReading(capture, row)).toEqual(inches('-6.2513'))
  })

  test('an external offset is what the control takes off by itself', () => {
    const document = on({ workOffsetKey: 'position' })
    const { sheet } = document
    const shifted: SetupDocument = {
      ...document,
      sheet: {
        ...sheet,
        machine: { ...sheet.machine, externalOffset: { X: mm('2'), Y: mm('0'), Z: mm('0') } },
      },
    }
    const capture = captureAt(shifted, leftFace)
    // Told the same; the row is 2 less, and the tip on zero all the same.
    expect(capture?.type).toBe('-65.000')
    expect(capture && capturedReading(capture, nm(-412.3 - 2 + 65))).toEqual(mm('-412.300'))
  })

  test('nothing where numbers are typed, and where what is told depends on where the axis stands', () => {
    expect(captureAt(workedDocument({}, []), leftFace)).toBeUndefined()
    expect(captureAt(on({ workOffsetKey: 'add' }), leftFace)).toBeUndefined()
    const middle = on({ workOffsetKey: 'position' }, twoFaces([leftTouch()]))
    expect(captureAt(middle, { ...leftFace, face: 'right' } as ExpectedTouch)).toBeUndefined()
    // A control that subtracts its lengths holds them with the other sign: a copied place has to be turned as well.
    expect(captureAt(on({ lengthKey: 'copy', lengthSign: 'subtracted' }), tip)).toBeUndefined()
    // The gauge line counts from the nose: before that is known there is no number.
    const noNose = on({ lengthKey: 'copy' }, workedDocument({ school: 'gauge-line' }, []))
    expect(captureAt(noNose, tip)).toBeUndefined()
    const nose = on({ lengthKey: 'copy' }, workedDocument({ school: 'gauge-line' }, [noseTouch()]))
    expect(captureAt(nose, tip)?.address).toBe('H1')
  })

  test('the entered touch gives just the register that the row showed', () => {
    const document = on({ workOffsetKey: 'position' })
    const capture = captureAt(document, leftFace)
    if (capture === undefined) throw new Error('it is captured')
    for (const shown of [-347.3, 12.001, 0]) {
      const read = capturedReading(capture, nm(shown))
      const entered = appendFact(document, {
        ...fact(),
        kind: 'reading',
        body: { ...leftFace, read },
      } as SetupFact)
      const X = solve(entered).registers.find(({ address }) => address === 'G54.X')
      expect(X?.keyIn?.expected).toBe(nm(shown))
      expect(X?.keyIn?.type).toBe(capture.type)
    }
  })
})

const bothFaces = (changes: Partial<SetupSheet> = {}): Partial<SetupSheet> => ({
  ...changes,
  offsets: [
    {
      ...workedSheet().offsets[0]!,
      X: {
        by: 'two-faces',
        side: 'outside',
        size: mm('120'),
        tolerance: mm('0.1'),
        drawing: mm('0'),
      },
    },
  ],
})
const twoFaces = (readings: SetupDocument['readings']) => workedDocument(bothFaces(), readings)

describe('where a register is keyed', () => {
  const between = (document: SetupDocument, from: string, to: string) => {
    const keys = order(document)
    return keys.slice(keys.indexOf(from) + 1, keys.indexOf(to))
  }

  test('together, at the end, where numbers are typed', () => {
    const keys = order(workedDocument({}, []))
    expect(keys.filter((key) => key.startsWith('key-in'))).toHaveLength(4)
    expect(between(workedDocument({}, []), 'carried-difference:G54', 'prove:G54:T1')).toEqual([
      'key-in:H1',
      'key-in:G54.X',
      'key-in:G54.Y',
      'key-in:G54.Z',
    ])
  })

  test('each as it is known, where the person works so', () => {
    expect(
      between(workedDocument({ keying: 'as-known' }, []), 'tip-on-plane:T1', 'prove:G54:T1'),
    ).toEqual([
      'key-in:H1',
      'holding',
      'face:G54:left',
      'key-in:G54.X',
      'face:G54:front',
      'key-in:G54.Y',
      'carried-difference:G54',
      'key-in:G54.Z',
    ])
  })

  test('at the touch where the control captures it; what has no touch of its own stays with the others', () => {
    expect(between(on({ workOffsetKey: 'copy' }), 'holding', 'prove:G54:T1')).toEqual([
      'face:G54:left',
      'key-in:G54.X',
      'face:G54:front',
      'key-in:G54.Y',
      'carried-difference:G54',
      'key-in:H1',
      'key-in:G54.Z',
    ])
    const mixed: Partial<Record<MachineAxis, OffsetKeyMode>> = { X: 'position' }
    expect(order(on({ workOffsetKeys: mixed }))).toEqual(
      expect.arrayContaining(['key-in:G54.X', 'key-in:G54.Y']),
    )
    expect(between(on({ workOffsetKeys: mixed }), 'face:G54:left', 'face:G54:front')).toEqual([
      'key-in:G54.X',
    ])
    expect(between(on({ workOffsetKeys: mixed }), 'face:G54:front', 'prove:G54:T1')).toContain(
      'key-in:G54.Y',
    )
  })

  test('a middle after its second face; the counter is zeroed at the first where it will be halved', () => {
    const halving = (readings: SetupDocument['readings']) =>
      on({ workOffsetKey: 'halve' }, twoFaces(readings))
    expect(between(halving([]), 'face:G54:right', 'face:G54:front')).toEqual(['key-in:G54.X'])
    const [left, right] = (['left', 'right'] as const).map(
      (face) => ({ of: 'face', row: 'G54', face }) as const,
    )
    if (left === undefined || right === undefined) throw new Error('two faces')
    expect(zeroesCounter(halving([]), left)).toBe(true)
    expect(zeroesCounter(halving([leftTouch()]), right)).toBe(false)
    expect(zeroesCounter(on({ workOffsetKey: 'position' }, twoFaces([])), left)).toBe(false)
    expect(zeroesCounter(halving([]), { ...left, face: 'front' })).toBe(false)
  })

  test('a length that counts from the master waits for the master', () => {
    const [tool] = workedSheet().tools
    const tools = [1, 2, 3].map((number) => ({ ...tool!, number, lengthRegister: number }))
    const document = workedDocument(
      { keying: 'as-known', school: 'master-tool', reference: { masterTool: 2 }, tools },
      [],
    )
    expect(between(document, 'tip-on-plane:T1', 'holding')).toEqual([
      'tip-on-plane:T2',
      'key-in:H1',
      'key-in:H2',
      'tip-on-plane:T3',
      'key-in:H3',
    ])
  })

  test('a step that captures leads on to the next touch, one that does not to its key-in', () => {
    const document: SetupDocument = {
      ...on({ workOffsetKey: 'copy' }),
      checkOffs: (['home', 'clean', 'gauges', 'holding'] as const).map((of) => ({
        ...fact(),
        of,
      })),
    }
    const states = stepsOf(document, solve(document), false)
    const next = (...keys: readonly string[]) =>
      followingStep(document.sheet, states, keys)?.step.key
    expect(next('face:G54:left')).toBe('key-in:G54.X')
    expect(next('face:G54:left', 'key-in:G54.X')).toBe('face:G54:front')
    // What is keyed where it was touched waits for nothing else: the length is still to come.
    const keyIn = states.find(({ step }) => step.key === 'key-in:G54.X')
    expect(keyIn?.step.station).toBe('plan')
  })

  test.each(['H1', 'G54.X', 'G54.Z'] as const satisfies readonly Address[])(
    'every register is keyed once, whatever the order: %s',
    (address) => {
      for (const keying of ['as-known', 'together'] as const)
        for (const workOffsetKey of ['set', 'copy', 'halve'] as const)
          expect(
            order(on({ workOffsetKey }, workedDocument({ keying }, []))).filter(
              (key) => key === `key-in:${address}`,
            ),
          ).toHaveLength(1)
    },
  )
})

test('a reading that replaces another is captured like the first', () => {
  const first = leftTouch()
  const document = on({ workOffsetKey: 'position' }, workedDocument({}, [first]))
  const again = { ...leftFace, supersedes: first.id, reason: 'a chip' } as ExpectedTouch
  expect(captureAt(document, again)).toMatchObject({ address: 'G54.X', type: '-65.000' })
  // Once more beside it, the middle of both counts: what is told depends on where it stands.
  expect(captureAt(document, leftFace)).toBeUndefined()
  expect(readingOf(first)).toBeDefined()
})

test('lengths are keyed before Z is told as a position: the control takes off the one that is active, as it is by then', () => {
  const withTool = (workOffsetKey: OffsetKeyMode) => {
    const [first] = workedSheet().offsets
    const offsets = [{ ...first!, Z: { by: 'tool-on-part' as const, tool: 1, facing: mm('0') } }]
    return order(on({ workOffsetKey }, workedDocument({ school: 'gauge-line', offsets }, [])))
  }
  const told = withTool('position')
  expect(told.indexOf('key-in:H1')).toBe(told.indexOf('tip-on-plane:T1') + 1)
  const set = withTool('set')
  expect(set.indexOf('key-in:H1')).toBeGreaterThan(set.indexOf('tip-on-part:T1:G54'))
})

test('what no longer holds is not captured: the row would be keyed wrong at once', () => {
  // All are compared with T1, which was touched before the plane moved.
  const document = on(
    { lengthKey: 'copy' },
    workedDocument(
      {
        school: 'master-tool',
        reference: { masterTool: 1 },
        tools: [1, 2].map((number) => ({ number, name: `T${number}`, lengthRegister: number })),
      },
      [tipTouch()],
    ),
  )
  const second = { ...tip, tool: 2 } as ExpectedTouch
  expect(captureAt(document, second)?.address).toBe('H2')
  const moved = { ...document, events: [event({ kind: 'plane-moved' })] }
  expect(captureAt(moved, second)).toBeUndefined()
})
