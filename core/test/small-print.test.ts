import type { Reading, SetupDocument } from '../src/facts'
import { gapVerdict } from '../src/proof/proof'
import { toNanometres } from '../src/length'
import type { AxisPlan, SetupSheet } from '../src/sheet'
import { solve } from '../src/solve'
import {
  event,
  fact,
  mm,
  readingOf,
  setupOf,
  shown,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

// What larger samples of mutants found untried in the solution: superseded readings, gauges that were measured anew between two
// touches, declared constants, squared edges of each side, what a row held before.

const [G54] = workedSheet().offsets as [SetupSheet['offsets'][number]]
const warningsOf = (document: SetupDocument) =>
  solve(document).warnings.map(({ code, place }) => `${code} ${place}`)
const tip = (read: string, changes: object = {}) =>
  readingOf<'tip-on-plane'>({
    ...{ of: 'tip-on-plane', tool: 1, read: mm(read), with: ['setter'], ...changes },
  })

describe('a reading that another one replaced', () => {
  const { lostMotion: _declared, ...machine } = workedSheet().machine

  test('says nothing of the side that the others were met from', () => {
    const first = tip('-220', { approach: '+' })
    const other = tip('-230', { tool: 2 })
    const again = tip('-220.01', { supersedes: first.id, reason: 'met from below' })
    const sheet = workedSheet({
      machine,
      tools: [1, 2].map((number) => ({ number, name: `T${number}`, lengthRegister: number })),
    })
    expect(warningsOf(setupOf(sheet, [first, other]))).toContain('approach-mixed Z')
    expect(warningsOf(setupOf(sheet, [first, other, again]))).not.toContain('approach-mixed Z')
  })

  test('was a check that is taken back: what was taken over with it holds again', () => {
    const at = '2026-03-01T08:00:00.000Z'
    const kept = (tool: number, read: string, check?: true) =>
      tip(read, {
        tool,
        kept: {
          ...{ setup: 's', reading: `r${tool}`, name: 'Ring', by: 'Mira', at },
          ...(check && { check }),
        },
      })
    const sheet = workedSheet({
      tools: [1, 2].map((number) => ({ number, name: `T${number}`, lengthRegister: number })),
    })
    const taken = [kept(1, '-220', true), kept(2, '-230')]
    const off = tip('-219.5')
    const state = (readings: readonly Reading[]) =>
      solve(setupOf(sheet, readings)).registers.find(({ address }) => address === 'H2')?.state
    expect(state([...taken, off])).toBe('stale')
    const mended = tip('-219.998', { supersedes: off.id, reason: 'misread' })
    expect(state([...taken, off, mended])).toBe('read')
    // The kept one itself was replaced by what is known here: it is held against nothing.
    const own = tip('-219.5', { supersedes: taken[0]!.id, reason: 'another insert' })
    expect(state([...taken, own])).toBe('read')
  })
})

describe('a declared constant', () => {
  test('makes lengths by it as unsure as it is', () => {
    const sure = (reference: SetupSheet['reference']) =>
      solve(
        setupOf(workedSheet({ school: 'gauge-line', ...(reference && { reference }) }), [
          readingOf<'nose-on-plane'>({ of: 'nose-on-plane', read: mm('-300'), with: ['setter'] }),
          tip('-220'),
        ]),
      ).registers.find(({ address }) => address === 'H1')?.budget?.standardMm ?? NaN
    const plain = sure(undefined)
    expect(sure({ constant: mm('100') })).toBeCloseTo(plain, 9)
    expect(sure({ constant: mm('100'), constantUncertainty: mm('0.03') })).toBeCloseTo(
      Math.hypot(plain, 0.03),
      9,
    )
  })

  test('is what the bare nose on the part is counted from, where no plane was touched', () => {
    const told = (reference?: SetupSheet['reference']) => {
      const sheet = workedSheet({
        ...{ school: 'gauge-line', ...(reference && { reference }) },
        tools: [{ number: 1, name: 'mill', lengthRegister: 1, length: mm('80') }],
        offsets: [{ ...G54, Z: { by: 'nose-on-part', facing: mm('0.5') } }],
      })
      const nose = readingOf<'nose-on-part'>({
        ...{ of: 'nose-on-part', row: 'G54', read: mm('-400'), with: [] },
      })
      const { registers } = solve(setupOf(sheet, [nose]))
      return ['H1', 'G54.Z'].map(
        (address) => (registers.find((one) => one.address === address)?.value ?? NaN) / 1e6,
      )
    }
    // Zero lies 0.5 below where the nose stood: the tip of 80 mm is there at −320.5, whatever H counts from.
    expect(told()).toEqual([80, -400.5])
    expect(told({ constant: mm('100') })).toEqual([-20, -300.5])
  })

  test('is what a second part counts from by the bare nose, where the first was found by a tool', () => {
    const told = (constant?: string) => {
      const sheet = workedSheet({
        ...{ school: 'gauge-line', ...(constant && { reference: { constant: mm(constant) } }) },
        tools: [{ number: 1, name: 'mill', lengthRegister: 1, length: mm('80') }],
        offsets: [
          { ...G54, Z: { by: 'tool-on-part', tool: 1, facing: mm('0') } },
          { ...G54, row: 'G55', Z: { by: 'nose-on-part', facing: mm('0') } },
        ],
      })
      const nose = readingOf<'nose-on-part'>({
        ...{ of: 'nose-on-part', row: 'G55', read: mm('-410'), with: [] },
      })
      const { registers } = solve(setupOf(sheet, [nose]))
      return (registers.find(({ address }) => address === 'G55.Z')?.value ?? NaN) / 1e6
    }
    // The tip of 80 mm stands on it at −330: −410 + 80, or −310 + (80 − 100).
    expect(told()).toBe(-410)
    expect(told('100')).toBe(-310)
    expect(told('-20')).toBe(-430)
  })
})

test('faces are told where an external offset cannot be read, and the row is not', () => {
  const { machine } = workedSheet()
  const sheet = workedSheet({ machine: { ...machine, externalOffset: { X: mm('x') } } })
  const left = readingOf<'face'>({
    ...{ of: 'face', row: 'G54', face: 'left', read: mm('-412.300'), with: ['finder'] },
  })
  const { faces, registers } = solve(setupOf(sheet, [left]))
  expect(Object.keys(faces)).toEqual(['face:G54:left'])
  expect(registers.find(({ address }) => address === 'G54.X')?.value).toBeUndefined()
})

describe('an edge that is squared', () => {
  const edge = (
    face: 'left' | 'front',
    first: readonly [string, string],
    second: readonly [string, string],
  ) =>
    setupOf(
      workedSheet({
        stock: { X: mm('200'), Y: mm('50'), Z: mm('20') },
        offsets: [{ ...G54, edge: { face, tolerance: mm('0.02') } }],
      }),
      [first, second].map(([x, y], index) =>
        readingOf<'edge-point'>({
          ...{ of: 'edge-point', row: 'G54', face, point: index + 1, with: ['finder'] },
          ...{ read: mm(x), readY: mm(y) },
        }),
      ),
    )

  test('runs along Y on the left and along X in front, over the part’s length there', () => {
    const [left] = solve(edge('left', ['-400', '-250'], ['-399.9', '-240'])).edges
    // 0.1 to the right over 10 along Y is clockwise: −0.5 over 50. In front 0.1 back over 10 is counter-clockwise.
    expect([left?.along, (left?.runOut ?? NaN) / 1e6]).toEqual(['Y', expect.closeTo(-0.5, 3)])
    const [front] = solve(edge('front', ['-400', '-250'], ['-390', '-249.9'])).edges
    expect([front?.along, (front?.runOut ?? NaN) / 1e6]).toEqual(['X', expect.closeTo(2, 2)])
  })

  test('tells by its place which length of the part cannot be read', () => {
    const document = edge('left', ['-400', '-250'], ['-399.9', '-240'])
    const { stock } = document.sheet
    const sheet = { ...document.sheet, stock: { ...stock!, Y: mm('fifty') } }
    expect(solve({ ...document, sheet }).problems.map(({ place }) => place)).toContain(
      'sheet.stock.Y',
    )
  })
})

describe('a circle', () => {
  const plan: AxisPlan = {
    ...{ by: 'circle', side: 'inside', diameter: mm('40'), tolerance: mm('0.05') },
    drawing: mm('0'),
  }
  const touches = () =>
    [0, 90, 180, 270].map((degrees, index) => {
      const angle = (degrees * Math.PI) / 180
      return readingOf<'circle-point'>({
        ...{ of: 'circle-point', row: 'G54', point: index + 1, with: ['finder'] },
        read: mm((-300 + 15 * Math.cos(angle)).toFixed(6)),
        readY: mm((-200 + 15 * Math.sin(angle)).toFixed(6)),
      })
    })
  const implied = (readings: readonly Reading[], events: SetupDocument['events'] = []) => {
    const offsets = [{ ...G54, X: plan, Y: plan }]
    const { sizes } = solve({ ...setupOf(workedSheet({ offsets }), readings), events })
    return Math.round((sizes[0]?.implied ?? NaN) / 1000) / 1000
  }
  const measured = () =>
    event({ kind: 'gauge-measured', gauge: 'finder', size: mm('9.900'), since: 'now' })

  test('is as large as the sensor was when its last touch was made', () => {
    const before = measured()
    const readings = touches()
    const after = measured()
    expect(implied(readings)).toBe(40)
    expect(implied(readings, [after])).toBe(40)
    expect(implied(readings, [before])).toBe(39.9)
    const [one, two] = touches()
    const between = measured()
    const [, , three, four] = touches()
    expect(implied([one!, two!, three!, four!], [between])).toBe(39.9)
  })

  test('of which nothing is read yet has no size, and disagrees with nothing', () => {
    expect(implied([])).toBeNaN()
  })
})

describe('a row that holds something before it is keyed', () => {
  const mismatch = (value: string, before?: string) => {
    const machine = {
      ...workedSheet().machine,
      control: { ...workedSheet().machine.control, lengthKey: 'add' as const },
    }
    const touched = tipTouch()
    const held =
      before === undefined
        ? []
        : [{ ...fact(), address: 'H1' as const, moment: 'before' as const, shown: mm(before) }]
    const keyed = { ...fact(), address: 'H1' as const, mode: 'add' as const, typed: mm('-270') }
    const document = {
      ...setupOf(workedSheet({ machine }), [touched]),
      keyIns: [keyed],
      readBacks: [...held, shown('H1', value)],
    }
    const { registers } = solve(document)
    return registers
      .find(({ address }) => address === 'H1')
      ?.readBack?.causes.map((cause) => ('code' in cause ? cause.code : 'pair'))
  }

  test('that it was typed and not entered is known only where that was read', () => {
    // H1 is −270; it held −113 before and holds it still.
    expect(mismatch('-113.000', '-113.000')?.[0]).toBe('not-committed')
    expect(mismatch('-113.000')).not.toContain('not-committed')
  })
})

describe('a gap under a proof', () => {
  const request = { row: 'G54', tool: 1, clearance: toNanometres(25_000_000) } as const
  const verdict = (gap: string, within: string, changes: Partial<SetupSheet> = {}) => {
    const document = workedDocument(changes)
    const nm = (text: string) => toNanometres(Math.round(Number(text) * 1e6))
    return gapVerdict(document, solve(document), request, nm(gap), nm(within))
  }

  test('is right up to what the feeler can tell, and not beyond', () => {
    expect(verdict('25.05', '0.05').stands).toBe('right')
    expect(verdict('24.95', '0.05').stands).toBe('right')
    expect(verdict('25.051', '0.05').stands).toBe('too-high')
    expect(verdict('24.949', '0.05').stands).toBe('too-deep')
  })

  test('is laid to this tool and this row alone, although another tool was touched the same way', () => {
    const tools = [1, 2].map((number) => ({ number, name: `T${number}`, lengthRegister: number }))
    const document = workedDocument({ tools }, [
      ...workedDocument().readings,
      tip('-230', { tool: 2 }),
    ])
    const nm = (value: number) => toNanometres(value * 1e6)
    const { causes } = gapVerdict(document, solve(document), request, nm(75), nm(0.05))
    expect(causes.map(({ address }) => address)).toEqual(['H1'])
  })

  test('on a control that subtracts, a length too large stands the tip too low', () => {
    const { machine } = workedSheet()
    const control = { ...machine.control, lengthSign: 'subtracted' as const }
    const codes = (gap: string, of: Partial<SetupSheet>) =>
      verdict(gap, '0.05', of)
        .causes.filter(({ address }) => address === 'H1')
        .flatMap(({ explanations }) => explanations.map((one) => ('code' in one ? one.code : '')))
    // The 50 mm setter forgotten: H is −220 in place of −270 and the tip 50 too high, whichever sign is stored.
    expect(codes('75', {})).toContain('gauge-forgotten')
    expect(codes('75', { machine: { ...machine, control } })).toContain('gauge-forgotten')
    expect(codes('-25', { machine: { ...machine, control } })).not.toContain('gauge-forgotten')
  })

  test('and its work offsets are added all the same: a facing that was forgotten stands the tip too high', () => {
    const { machine } = workedSheet()
    const control = { ...machine.control, lengthSign: 'subtracted' as const }
    const offsets = [{ ...G54, Z: { ...G54.Z, facing: mm('0.5') } }]
    const codes = (gap: string) =>
      verdict(gap, '0.05', { offsets, machine: { ...machine, control } })
        .causes.filter(({ address }) => address === 'G54.Z')
        .flatMap(({ explanations }) => explanations.map((one) => ('code' in one ? one.code : '')))
    expect(codes('25.5')).toContain('facing-forgotten')
    expect(codes('24.5')).not.toContain('facing-forgotten')
  })
})
