import { type Address } from '../src/address'
import { type Reading, type SetupDocument } from '../src/facts'
import { type OffsetKeyMode } from '../src/sheet'
import { type ControlProfile } from '../src/sheet/machine'
import { solve } from '../src/solve'
import {
  event,
  fact,
  frontTouch,
  leftTouch,
  mm,
  noseTouch,
  readingOf,
  shown,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

const keyed = (
  workOffsetKey: OffsetKeyMode,
  document: SetupDocument,
  lengthKey: 'set' | 'copy' = 'set',
) => {
  const { machine } = document.sheet
  const control = { ...machine.control, workOffsetKey, lengthKey }
  return (address: Address) =>
    solve({
      ...document,
      sheet: { ...document.sheet, machine: { ...machine, control } },
    }).registers.find((register) => register.address === address)?.keyIn
}

const rightTouch = () =>
  readingOf<'face'>({
    of: 'face',
    row: 'G54',
    face: 'right',
    read: mm('-282.300'),
    with: ['finder'],
  })

const twoFaces = (readings: readonly Reading[]) =>
  workedDocument(
    {
      offsets: [
        {
          ...workedSheet().offsets[0]!,
          X: {
            by: 'two-faces',
            side: 'outside',
            size: mm('120'),
            tolerance: mm('0.1'),
            drawing: mm('25'),
          },
        },
      ],
    },
    readings,
  )

describe('a control that copies the machine position', () => {
  // The face lies at −412.3 + 5 = −407.3, which the drawing calls −60: X = −347.3.
  test('X: copied at the touch it shows −412.300, and 65.000 is to be added', () => {
    expect(keyed('copy', workedDocument({}, [tipTouch(), leftTouch()]))('G54.X')).toMatchObject({
      copies: '-412.300',
      type: '65.000',
      after: '-347.300',
    })
  })

  test('H: a tip that stands on the setter copies −220, less the setter is −270', () => {
    expect(keyed('set', workedDocument({}, [tipTouch()]), 'copy')('H1')).toMatchObject({
      copies: '-220.000',
      type: '-50.000',
      after: '-270.000',
    })
  })

  test('without a touch there is nothing to copy: the number itself is stored', () => {
    expect(keyed('copy', workedDocument())('G54.Z')).toMatchObject({
      mode: 'set',
      type: '-30.000',
      after: '-30.000',
    })
  })
})

describe('a control that halves the counter', () => {
  // Zeroed at −412.3, the counter shows 130 at −282.3; its half lies at −347.3, which the drawing calls 25.
  test('the middle is told as what the drawing says it is', () => {
    expect(keyed('halve', twoFaces([leftTouch(), rightTouch()]))('G54.X')).toMatchObject({
      mode: 'halve',
      counter: { full: '130.000', half: '65.000' },
      type: '25.000',
      after: '-372.300',
    })
  })

  test('touched from the right first, the counter runs the other way', () => {
    expect(keyed('halve', twoFaces([rightTouch(), leftTouch()]))('G54.X')).toMatchObject({
      counter: { full: '-130.000', half: '-65.000' },
      type: '25.000',
    })
  })

  test('or without a drive: told at the second face, the control works out the same row', () => {
    const line = keyed('halve', twoFaces([leftTouch(), rightTouch()]))('G54.X')
    // Row = machine position there − what is told.
    const right = Number(rightTouch().read.text)
    expect(right - Number(line?.counter?.atSecond)).toBeCloseTo((line?.expected ?? NaN) / 1e6, 6)
  })

  test('the counter is zeroed at the first face of a pair alone: read out of turn, nothing is halved', () => {
    // Touched again on the left, the counter is not zeroed there: the right face was read before.
    const again = [rightTouch(), leftTouch()]
    const superseded = { ...rightTouch(), supersedes: again[0]!.id } as Reading
    expect(keyed('halve', twoFaces([...again, superseded]))('G54.X')).toMatchObject({
      mode: 'position',
    })
    // The front was touched in between: the counter says nothing of X any more.
    expect(
      keyed('halve', twoFaces([leftTouch(), frontTouch(), rightTouch()]))('G54.X'),
    ).toMatchObject({ mode: 'position' })
  })

  test('two faces on a control that does not halve: no counter is spoken of', () => {
    expect(keyed('set', twoFaces([leftTouch(), rightTouch()]))('G54.X')).not.toHaveProperty(
      'counter',
    )
    expect(keyed('copy', twoFaces([leftTouch(), rightTouch()]))('G54.X')).not.toHaveProperty(
      'counter',
    )
  })

  test('a single face cannot be halved: its position is told', () => {
    expect(keyed('halve', workedDocument({}, [leftTouch()]))('G54.X')).toMatchObject({
      mode: 'position',
      type: '-65.000',
    })
  })
})

// A D row holds a size, not a place: nothing can be copied into it.
test('a diameter is typed, however lengths are keyed', () => {
  const document = workedDocument(
    { tools: [{ number: 1, name: 'mill', lengthRegister: 1, diameterRegister: 1 }] },
    [readingOf<'tool-diameter'>({ of: 'tool-diameter', tool: 1, read: mm('9.98'), with: [] })],
  )
  expect(keyed('set', document, 'copy')('D1')).toMatchObject({ mode: 'set', type: '9.980' })
})

// Copied, told or halved, a row is right only while the axis stands where it was touched (docs/domain.md, “How it goes at the machine”).
describe('once the axis has moved away from the touch the number itself is stored', () => {
  const { place } = fact()
  const touches = [tipTouch(), leftTouch()]
  const at = (mode: OffsetKeyMode, changes: Partial<SetupDocument>) =>
    keyed(mode, { ...workedDocument({}, touches), ...changes })('G54.X')
  const moved = { mode: 'set', type: '-347.300', insteadOf: { because: 'moved-away' } }
  test.each(['copy', 'position'] as const)('%s', (mode) => {
    expect(at(mode, {})).toMatchObject({ mode })
    // Whoever touched the front went round the part; whoever tried a tool's diameter stands where they stood.
    const touched = (...more: readonly Reading[]) => at(mode, { readings: [...touches, ...more] })
    expect(touched(frontTouch())).toMatchObject(moved)
    expect(
      touched(
        readingOf<'tool-diameter'>({ of: 'tool-diameter', tool: 1, read: mm('9.98'), with: [] }),
      ),
    ).toMatchObject({ mode })
    expect(at(mode, { events: [event({ kind: 'tool-changed', tool: 1 })] })).toMatchObject(moved)
    expect(at(mode, { sheetPlace: fact().place })).toMatchObject(moved)
    const proof = {
      row: 'G54',
      tool: 1,
      clearance: mm('25'),
      gap: mm('25'),
      overZero: true,
    } as const
    expect(at(mode, { proofs: [{ ...fact(), ...proof }] })).toMatchObject(moved)
    expect(at(mode, { checkOffs: [{ ...fact(), of: 'holding' }] })).toMatchObject(moved)
    const lift = { moves: 'in', where: 'lengths', amount: mm('10') } as const
    expect(at(mode, { lifts: [{ ...fact(), ...lift }] })).toMatchObject(moved)
    // What happened before the touch moved nothing since.
    expect(at(mode, { sheetPlace: place })).toMatchObject({ mode })
  })
  test('halved once, the axis stands in the middle and at neither face', () => {
    const halved = { ...fact(), address: 'G54.X', mode: 'halve', typed: mm('25') } as const
    const both = twoFaces([leftTouch(), rightTouch()])
    expect(keyed('halve', both)('G54.X')).toMatchObject({ mode: 'halve' })
    expect(
      keyed('halve', { ...both, keyIns: [{ ...halved, place: fact().place }] })('G54.X'),
    ).toMatchObject({ mode: 'set', type: '-372.300' })
  })
  test('beside each line that counts from the touch stands the one for an axis that was jogged away', () => {
    const { machine } = workedSheet()
    const control = { ...machine.control, workOffsetKey: 'position' as const }
    const document = workedDocument({ machine: { ...machine, control } }, [leftTouch()])
    const X = solve(document).registers.find(({ address }) => address === 'G54.X')
    expect(X?.keyIn).toMatchObject({ mode: 'position', type: '-65.000' })
    expect(X?.keyInElsewhere).toMatchObject(moved)
  })
})

// The whole line by mode, and nothing beside it: what is said in one mode is not said in another.
describe('a line of the key-in sheet', () => {
  const { machine } = workedSheet()
  const lineOf = (
    address: Address,
    control: Partial<ControlProfile>,
    { readings, before }: { readings?: readonly Reading[]; before?: string } = {},
  ) => {
    const base = workedDocument(
      {
        school: 'gauge-line',
        machine: {
          ...machine,
          control: { ...machine.control, ...control },
          externalOffset: { X: mm('2.000'), Z: mm('-1.000') },
        },
        tools: [{ number: 1, name: 'mill', lengthRegister: 1, diameterRegister: 1 }],
        offsets: [
          { ...workedSheet().offsets[0]!, Z: { by: 'nose-on-part', facing: mm('0.5') } },
          {
            ...workedSheet().offsets[0]!,
            row: 'G55',
            Z: { by: 'fixture-difference', from: 'G54', facing: mm('0.5') },
          },
        ],
      },
      readings ?? [
        noseTouch(),
        tipTouch(),
        leftTouch(),
        readingOf<'nose-on-part'>({
          of: 'nose-on-part',
          row: 'G54',
          read: mm('-380.000'),
          with: [],
          spindle: { holds: null, controlSays: null },
        }),
        readingOf<'fixture-difference'>({
          of: 'fixture-difference',
          row: 'G55',
          from: 'G54',
          zeroedOn: 'from',
          read: mm('2.000'),
          with: [],
        }),
        readingOf<'tool-diameter'>({ of: 'tool-diameter', tool: 1, read: mm('9.98'), with: [] }),
      ],
    )
    const readBacks =
      before === undefined ? [] : [{ ...shown(address, before), moment: 'before' as const }]
    // The touch that is asked about is the last one: there the axis stands.
    const last = base.readings.find(({ of }) => of === LAST_TOUCH[address])
    const ordered =
      last === undefined
        ? base.readings
        : [...base.readings.filter((one) => one !== last), { ...last, place: fact().place }]
    return solve({ ...base, readings: ordered, readBacks }).registers.find(
      (one) => one.address === address,
    )?.keyIn
  }
  const LAST_TOUCH: Partial<Record<Address, Reading['of']>> = {
    'G54.X': 'face',
    'G54.Z': 'nose-on-part',
    H1: 'tip-on-plane',
  }
  const X = { address: 'G54.X', unit: 'mm', after: '-349.300', expected: -349_300_000 }
  const Z = { address: 'G54.Z', unit: 'mm', after: '-379.500', expected: -379_500_000 }
  const H = { address: 'H1', unit: 'mm', after: '80.000', expected: 80_000_000 }
  const D = { address: 'D1', unit: 'mm', after: '9.980', expected: 9_980_000 }

  test('set', () => {
    expect(lineOf('G54.X', {})).toEqual({ ...X, mode: 'set', type: '-349.300' })
    expect(lineOf('H1', {})).toEqual({ ...H, mode: 'set', type: '80.000' })
    expect(lineOf('D1', {})).toEqual({ ...D, mode: 'set', type: '9.980' })
  })
  test('add: only once it is known what the row holds', () => {
    const add = { workOffsetKey: 'add', lengthKey: 'add' } as const
    expect(lineOf('G54.X', add)).toEqual({ ...X, mode: 'add' })
    expect(lineOf('G54.X', add, { before: '-300.000' })).toEqual({
      ...X,
      mode: 'add',
      type: '-49.300',
      before: -300_000_000,
    })
    expect(lineOf('D1', add, { before: '10.000' })).toEqual({
      ...D,
      mode: 'add',
      type: '-0.020',
      before: 10_000_000,
    })
  })
  test('copy: from where the axis stands, for a length where its own tip does', () => {
    const copy = { workOffsetKey: 'copy', lengthKey: 'copy' } as const
    expect(lineOf('G54.X', copy)).toEqual({
      ...X,
      mode: 'copy',
      copies: '-412.300',
      type: '63.000',
    })
    expect(lineOf('H1', copy)).toEqual({ ...H, mode: 'copy', copies: '-220.000', type: '300.000' })
    // A diameter is nowhere that an axis could stand.
    expect(lineOf('D1', copy)).toEqual({ ...D, mode: 'set', type: '9.980' })
  })
  test('position: X says nothing of lengths, Z says which one is active', () => {
    const position = { workOffsetKey: 'position' } as const
    // −412.3 − 2 − (−349.3).
    expect(lineOf('G54.X', position)).toEqual({ ...X, mode: 'position', type: '-65.000' })
    // −380 − (−1) − (−379.5).
    expect(lineOf('G54.Z', position)).toEqual({
      ...Z,
      mode: 'position',
      type: '0.500',
      activeLength: null,
    })
  })
  test('position, with the external offset raised for a dry run: the control takes the lift off as well', () => {
    const nose = readingOf<'nose-on-part'>({
      of: 'nose-on-part',
      row: 'G54',
      read: mm('-380.000'),
      with: [],
      spindle: { holds: null, controlSays: null },
    })
    const lift = { moves: 'in', where: 'external-offset', amount: mm('30') } as const
    const onNose = {
      offsets: [
        { ...workedSheet().offsets[0]!, Z: { by: 'nose-on-part', facing: mm('0') } as const },
      ],
    }
    // Without lengths counted from it Z is −380; EXT shows 30 then, and the row is −380 all the same.
    const typed = (lifts: SetupDocument['lifts']) => {
      const touched = { ...nose, place: fact().place }
      const document = workedDocument({ school: 'gauge-line', ...onNose }, [noseTouch(), touched])
      return keyed('position', { ...document, lifts })('G54.Z')
    }
    expect(typed([])).toMatchObject({ mode: 'position', type: '0.000', after: '-380.000' })
    expect(typed([{ ...fact(), ...lift }])).toMatchObject({ type: '-30.000', after: '-380.000' })
  })
  test('by axis: Z alone is told', () => {
    const control = { workOffsetKey: 'copy', workOffsetKeys: { Z: 'position' } } as const
    expect([lineOf('G54.X', control)?.mode, lineOf('G54.Z', control)?.mode]).toEqual([
      'copy',
      'position',
    ])
  })
  test.each(['copy', 'position', 'halve'] as const)(
    '%s, where nothing was touched for the row alone: the number itself, and why',
    (workOffsetKey) => {
      expect(lineOf('G55.Z', { workOffsetKey })).toEqual({
        address: 'G55.Z',
        unit: 'mm',
        mode: 'set',
        type: '-377.500',
        after: '-377.500',
        expected: -377_500_000,
        insteadOf: { mode: workOffsetKey, because: 'not-touched' },
      })
    },
  )
  test('a row that comes by its number on a control that sets says nothing of another way', () => {
    expect(lineOf('G55.Z', {})).not.toHaveProperty('insteadOf')
    expect(lineOf('G55.Z', { workOffsetKey: 'add' })).not.toHaveProperty('insteadOf')
  })
})
