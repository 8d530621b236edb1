import { type Address } from '../src/address'
import { valueOf } from '../src/chain'
import { type Reading, type SetupDocument } from '../src/facts'
import { formatLength } from '../src/length'
import { solve } from '../src/solve'
import {
  difference,
  fact,
  frontTouch,
  leftTouch,
  mm,
  noseTouch,
  planeReadings,
  readingOf,
  shown,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

const values = (document: SetupDocument) => {
  const solution = solve(document)
  return Object.fromEntries(
    solution.registers.map(({ address, value }) => [
      address,
      value === undefined ? null : formatLength(value, solution.unit, solution.decimals),
    ]),
  )
}

describe('worked numbers of the first slice', () => {
  test('setting plane: H −270, G54 Z −30', () => {
    expect(values(workedDocument())).toMatchObject({
      H1: '-270.000',
      'G54.Z': '-30.000',
      'G54.X': '-347.300',
    })
  })

  test('gauge line: H +80, G54 Z −380', () => {
    expect(values(workedDocument({ school: 'gauge-line' }))).toMatchObject({
      H1: '80.000',
      'G54.Z': '-380.000',
    })
  })

  test('the plane under the 50 mm setter lies at −350', () => {
    const { noseOnPlane } = solve(workedDocument()).heights
    expect(noseOnPlane && valueOf(noseOnPlane)).toBe(-350_000_000)
  })

  test('WCS.z + H is the same in both schools (docs/domain.md, “The relation and the schools”)', () => {
    const sum = (document: SetupDocument) =>
      solve(document)
        .registers.filter(({ address }) => ['H1', 'G54.Z'].includes(address))
        .reduce((total, { value }) => total + (value ?? NaN), 0)
    expect(sum(workedDocument())).toBe(-300_000_000)
    expect(sum(workedDocument({ school: 'gauge-line' }))).toBe(-300_000_000)
  })
})

describe('X and Y', () => {
  test('left face of a 10 mm finder moving +X, drawing −60: G54 X −347.300', () => {
    expect(values(workedDocument())['G54.X']).toBe('-347.300')
  })

  const twoFaces = (right: string, size = '120.000') =>
    workedDocument(
      {
        offsets: [
          {
            ...workedSheet().offsets[0]!,
            X: {
              by: 'two-faces',
              side: 'outside',
              size: mm(size),
              tolerance: mm('0.05'),
              drawing: mm('0'),
            },
          },
        ],
      },
      [
        leftTouch(),
        readingOf<'face'>({
          of: 'face',
          row: 'G54',
          face: 'right',
          read: mm(right),
          with: ['finder'],
        }),
      ],
    )

  test('the middle of two faces, and the size they imply: |X2 − X1| − 2r outside', () => {
    const solution = solve(twoFaces('-282.296'))
    expect(values(twoFaces('-282.296'))['G54.X']).toBe('-347.298')
    expect(solution.sizes[0]).toMatchObject({ implied: 120_004_000, agrees: true, causes: [] })
    expect(solution.warnings).toEqual([])
  })

  test.each([
    ['-272.300', 'radius-forgotten', 'the drawing size plus a tip: its radius was not taken off'],
    ['-292.300', 'radius-doubled', 'the drawing size minus a tip: it was taken off twice'],
  ])('reading %s is explained: %s (%s)', (right, code) => {
    const [size] = solve(twoFaces(right)).sizes
    expect(size?.agrees).toBe(false)
    expect(size?.causes.map((cause) => cause.code)).toContain(code)
  })

  test('faces that have changed places are named', () => {
    expect(solve(twoFaces('-600.000')).warnings.map(({ code }) => code)).toEqual(['faces-swapped'])
  })

  test('inside a slot the radius counts outward: |X2 − X1| + 2r', () => {
    const slot = workedDocument(
      {
        offsets: [
          {
            ...workedSheet().offsets[0]!,
            X: {
              by: 'two-faces',
              side: 'inside',
              size: mm('40'),
              tolerance: mm('0.05'),
              drawing: mm('0'),
            },
          },
        ],
      },
      [
        readingOf<'face'>({
          of: 'face',
          row: 'G54',
          face: 'left',
          read: mm('-115'),
          with: ['finder'],
        }),
        readingOf<'face'>({
          of: 'face',
          row: 'G54',
          face: 'right',
          read: mm('-85'),
          with: ['finder'],
        }),
      ],
    )
    expect(solve(slot).sizes[0]?.implied).toBe(40_000_000)
    expect(values(slot)['G54.X']).toBe('-100.000')
  })

  test('a face of the other axis is refused with its place', () => {
    const wrong = workedDocument({
      offsets: [
        {
          ...workedSheet().offsets[0]!,
          X: { by: 'one-face', face: 'front', side: 'outside', drawing: mm('0') },
        },
      ],
    })
    expect(solve(wrong).problems).toContainEqual({
      code: 'face-wrong-axis',
      place: 'sheet.offsets.0.X.face',
      received: 'front',
      limit: 'left, right',
    })
  })
})

describe('Z of the work offset', () => {
  const onPart = (read: string) =>
    readingOf<'nose-on-part'>({ of: 'nose-on-part', row: 'G54', read: mm(read), with: ['paper'] })
  const withZ = (
    Z: 'carried-difference' | 'nose-on-part',
    facing: string,
    readings: readonly Reading[],
    school: 'setting-plane' | 'gauge-line',
  ) =>
    values(
      workedDocument(
        { school, offsets: [{ ...workedSheet().offsets[0]!, Z: { by: Z, facing: mm(facing) } }] },
        readings,
      ),
    )['G54.Z']

  const zeroedOnPart = () => ({ ...difference(), zeroedOn: 'part', read: mm('30.000') }) as Reading

  test('zeroed on the part and read at the plane, the sign turns', () => {
    expect(withZ('carried-difference', '0', [zeroedOnPart()], 'setting-plane')).toBe('-30.000')
  })

  test('what lay beneath is taken off where it lay', () => {
    const carried = {
      ...difference(),
      withOnPlane: ['setter'],
      with: ['paper'],
      read: mm('-79.910'),
    } as Reading
    expect(withZ('carried-difference', '0', [carried], 'setting-plane')).toBe('-30.000')
    const turned = { ...carried, zeroedOn: 'part', read: mm('79.910') } as Reading
    expect(withZ('carried-difference', '0', [turned], 'setting-plane')).toBe('-30.000')
  })

  test('bare nose with paper and a facing allowance: P = Zm − p − a (docs/domain.md, “Z of a work offset”)', () => {
    const touches = [noseTouch(), onPart('-379.910')]
    expect(withZ('nose-on-part', '0.5', touches, 'gauge-line')).toBe('-380.500')
    expect(withZ('nose-on-part', '0.5', touches, 'setting-plane')).toBe('-30.500')
  })

  test('without the nose on the plane, Z by nose waits for it under the setting plane', () => {
    expect(withZ('nose-on-part', '0', [onPart('-379.910')], 'setting-plane')).toBeNull()
  })
})

describe('readings', () => {
  test('a superseded reading no longer counts, its successor does', () => {
    const first = leftTouch()
    const second = {
      ...leftTouch(),
      read: mm('-412.400'),
      supersedes: first.id,
      reason: 'misread',
    } as Reading
    expect(values(workedDocument({}, [first, second]))['G54.X']).toBe('-347.400')
  })

  test('repeats are averaged; a spread that two touches have once in a thousand times is pointed out', () => {
    const second = { ...leftTouch(), read: mm('-412.310') } as Reading
    const close = workedDocument({}, [leftTouch(), second])
    expect(values(close)['G54.X']).toBe('-347.305')
    expect(solve(close).warnings).toEqual([])
    const far = workedDocument({}, [leftTouch(), { ...second, read: mm('-412.330') } as Reading])
    expect(solve(far).warnings).toMatchObject([
      { code: 'repeats-spread', place: 'face:G54:left', amount: 30_000, limit: 23_306 },
    ])
  })

  test('readings in inches and in millimetres give the same registers', () => {
    const inches = { ...leftTouch(), read: { text: '-16.23228', unit: 'in' } } as Reading
    expect(values(workedDocument({}, [inches]))['G54.X']).toBe('-347.300')
  })

  test('a tool that seems to end above the nose is pointed out', () => {
    const wrongSign = { ...tipTouch(), read: mm('-320.000') } as Reading
    expect(
      solve(workedDocument({ school: 'gauge-line' }, [noseTouch(), wrongSign])).warnings,
    ).toMatchObject([{ code: 'length-not-positive', place: 'H1', amount: -20_000_000 }])
  })

  test('a number that cannot be read hides only what depends on it', () => {
    const broken = { ...frontTouch(), read: mm('12..5') } as Reading
    const document = workedDocument({}, [leftTouch(), broken])
    expect(values(document)).toMatchObject({ 'G54.X': '-347.300', 'G54.Y': null })
    expect(solve(document).problems).toEqual([
      { code: 'length-two-points', place: `facts.${broken.place}.body.read`, received: '12..5' },
    ])
  })

  test('a gauge that does not serve the axis is refused, not counted', () => {
    const document = workedDocument({}, [{ ...leftTouch(), with: ['setter'] } as Reading])
    expect(values(document)['G54.X']).toBeNull()
    expect(solve(document).problems).toMatchObject([
      { code: 'gauge-wrong-axis', received: '50 mm setter', limit: 'X' },
    ])
  })
})

describe('key-in and read-back', () => {
  const shown = (address: Address, text: string, moment: 'before' | 'after' = 'after') => ({
    ...fact(),
    address,
    moment,
    shown: mm(text),
  })
  const worked = workedDocument()
  const registerAfter = (readBacks: SetupDocument['readBacks'], address = 'G54.Z') =>
    solve({ ...worked, readBacks }).registers.find((register) => register.address === address)

  test('equal: the register is keyed', () => {
    expect(registerAfter([shown('G54.Z', '-30.000')])).toMatchObject({
      state: 'keyed',
      readBack: { equal: true, causes: [] },
    })
  })

  test('the last read-back counts', () => {
    expect(registerAfter([shown('G54.Z', '30.000'), shown('G54.Z', '-30.0')])?.state).toBe('keyed')
  })

  test('a turned sign is named, with how far every tool would be off', () => {
    expect(registerAfter([shown('G54.Z', '30.000')])).toMatchObject({
      state: 'read',
      readBack: {
        equal: false,
        error: 60_000_000,
        causes: [
          { code: 'sign-turned' },
          { code: 'counter-end-mistaken' },
          { code: 'raw-counter' },
        ],
      },
    })
  })

  test('a new reading after the key-in takes the mark away', () => {
    const document = workedDocument()
    const again = {
      ...difference(),
      read: mm('-30.400'),
      supersedes: document.readings[4]?.id,
    } as Reading
    const register = solve({
      ...document,
      readings: [...document.readings, again],
      readBacks: [shown('G54.Z', '-30.000')],
    }).registers.at(-1)
    expect(register).toMatchObject({ state: 'read', readBack: { equal: false } })
  })

  test('a control that adds is given the difference, once the value before is known', () => {
    const adding = {
      ...workedSheet().machine,
      control: { ...workedSheet().machine.control, workOffsetKey: 'add' as const },
    }
    const document = workedDocument({ machine: adding })
    const line = (readBacks: SetupDocument['readBacks']) =>
      solve({ ...document, readBacks }).registers.at(-1)?.keyIn
    expect(line([])).toMatchObject({ mode: 'add', after: '-30.000' })
    expect(line([])?.type).toBeUndefined()
    expect(line([shown('G54.Z', '-12.500', 'before')])).toMatchObject({
      type: '-17.500',
      after: '-30.000',
    })
  })

  test('a control that asks “my position is” is given where the axis stands less the register', () => {
    const control = { ...workedSheet().machine.control, workOffsetKey: 'position' as const }
    const corner = {
      ...workedSheet().offsets[0]!,
      X: { by: 'one-face', face: 'left', side: 'outside', drawing: mm('0') } as const,
    }
    const document = workedDocument(
      { machine: { ...workedSheet().machine, control }, offsets: [corner] },
      [noseTouch(), tipTouch(), difference(), leftTouch()],
    )
    const line = (address: string) =>
      solve(document).registers.find((register) => register.address === address)?.keyIn
    // Left face of a part whose corner is zero: minus the radius (docs/domain.md, “X and Y”).
    expect(line('G54.X')).toMatchObject({ mode: 'position', type: '-5.000', after: '-407.300' })
    // Z comes by a difference: nothing was touched that a position could be told of, so the number is stored.
    expect(line('G54.Z')).toMatchObject({ mode: 'set', type: '-30.000' })
  })
})

test('touches from both sides of the screw are pointed out, unless its backlash is known', () => {
  const gauges = [
    ...workedSheet().gauges,
    { id: 'block', kind: 'gauge-block', name: 'block', size: mm('50') } as const,
  ]
  const slid = { ...tipTouch(), with: ['block'] } as Reading
  const codes = (changes: Parameters<typeof workedDocument>[0]) =>
    solve(workedDocument({ gauges, ...changes }, [noseTouch(), slid])).warnings.map(
      ({ code }) => code,
    )
  const { lostMotion: _declared, ...machine } = workedSheet().machine
  expect(codes({ machine })).toEqual(['approach-mixed'])
  expect(codes({ machine: { ...workedSheet().machine, lostMotion: { Z: mm('0.006') } } })).toEqual(
    [],
  )
})

test('a register that shows what another is to hold: that row is named, and no other, and never its own', () => {
  const tools = [1, 2, 3].map((number) => ({ number, name: 'mill', lengthRegister: number }))
  const touch = (tool: number, text: string) =>
    readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool, read: mm(text), with: ['setter'] })
  const document = workedDocument({ tools }, [
    ...planeReadings(),
    touch(2, '-190.000'),
    touch(3, '-160.000'),
  ])
  const rowsOf = (text: string) =>
    solve({ ...document, readBacks: [shown('H1', text)] })
      .registers.find(({ address }) => address === 'H1')
      ?.readBack?.causes.flatMap(({ code, about }) => (code === 'other-row' ? [about] : []))
  const held = values(document)
  expect(rowsOf(held.H2!)).toEqual(['H2'])
  expect(rowsOf(held.H3!)).toEqual(['H3'])
  expect(rowsOf(held.H1!)).toEqual([])
  expect(rowsOf('1.234')).toEqual([])
})

test('without explanations everything else is the same, and no cause is named', () => {
  const document = { ...workedDocument(), readBacks: [shown('H1', '270.000')] }
  const [told, asked] = [solve(document), solve(document, {}, { explains: false })]
  const causesOf = ({ registers }: typeof told) =>
    registers.flatMap(({ readBack }) => readBack?.causes ?? [])
  expect(causesOf(told)).not.toEqual([])
  expect(causesOf(asked)).toEqual([])
  const bare = ({ registers, ...rest }: typeof told) => ({
    ...rest,
    registers: registers.map((one) => ({
      ...one,
      readBack: one.readBack && { ...one.readBack, causes: [] },
    })),
  })
  expect(bare(asked)).toEqual(bare(told))
})
