import { type SetupDocument } from '../src/facts'
import { stepsOf } from '../src/plan'
import { proofsNeeded } from '../src/proof'
import { type Tool } from '../src/sheet'
import { solve } from '../src/solve'
import { mm, readingOf, workedDocument, workedSheet } from './worked-example'

const [offset] = workedSheet().offsets
const rows = (...names: readonly ('G54' | 'G55' | 'G56')[]) =>
  names.map((row) => ({ ...offset!, row }))

/** Tools that were all measured in their holders before, but for what is said of one. */
const tools = (changes: Readonly<Record<number, Partial<Tool>>> = {}): readonly Tool[] =>
  [1, 2, 3, 4, 5].map((number) => {
    const { lastLength = mm('80'), ...rest } = changes[number] ?? {}
    return { number, name: `T${number}`, lengthRegister: number, lastLength, ...rest }
  })
const unmeasured = (number: number): Tool => ({
  number,
  name: `T${number}`,
  lengthRegister: number,
})

const touch = (tool: number, read: string, surprise?: string) =>
  readingOf<'tip-on-plane'>({
    of: 'tip-on-plane',
    tool,
    read: mm(read),
    with: ['setter'],
    ...(surprise !== undefined && { surprise }),
  })

function moves(
  changes: Parameters<typeof workedDocument>[0],
  readings: SetupDocument['readings'] = [],
) {
  const { machine } = workedSheet()
  const document = workedDocument(
    { machine: { ...machine, policy: { proves: 'riskiest' } }, ...changes },
    readings,
  )
  return proofsNeeded(document, solve(document))
}
const named = (needed: ReturnType<typeof moves>) =>
  needed.map(({ row, tool, because }) => `${row} T${tool} ${because.join(' ')}`.trim())

describe('which tools are proven where the machine’s policy proves the riskiest', () => {
  const lengths = [touch(1, '-230'), touch(2, '-190'), touch(3, '-210'), touch(4, '-220')]

  test('the longest, which stands highest on the plane', () => {
    expect(named(moves({ tools: tools() }, lengths))).toEqual(['G54 T2 longest'])
  })

  test('one that was never measured in its holder; not one whose touch was taken over', () => {
    const kept = (tool: number) => ({
      ...touch(tool, '-215'),
      kept: {
        ...{ setup: '019aaaaa-0000-7000-8000-0000000000bb', name: 'Ring', by: 'Mira' },
        ...{ reading: '019aaaaa-0000-7000-8000-0000000000cc', at: '2026-03-01T08:00:00Z' },
      },
    })
    const all = [...tools().filter(({ number }) => number !== 3), unmeasured(3)]
    const said = (...readings: typeof lengths) => named(moves({ tools: all }, readings))
    const others = lengths.filter((one) => !('tool' in one && one.tool === 3))
    expect(said(...lengths)).toEqual(['G54 T2 longest', 'G54 T3 new'])
    expect(said(...others, kept(3))).toEqual(['G54 T2 longest'])
    // That of another tool tells nothing of this one.
    expect(said(...lengths, kept(4))).toEqual(['G54 T2 longest', 'G54 T3 new'])
  })

  test('the longest, on a control that subtracts its lengths', () => {
    const { machine } = workedSheet()
    const control = { ...machine.control, lengthSign: 'subtracted' } as const
    const policy = { proves: 'riskiest' } as const
    expect(
      named(moves({ tools: tools(), machine: { ...machine, control, policy } }, lengths)),
    ).toEqual(['G54 T2 longest'])
  })

  test('those that were never measured in their holder, stand in for another, or were a surprise', () => {
    const all = tools({ 4: { programDiameter: mm('10'), diameter: mm('9.8') } }).map((tool) =>
      tool.number === 3 ? unmeasured(3) : tool,
    )
    expect(named(moves({ tools: all }, [...lengths, touch(5, '-240', 'touched again')]))).toEqual([
      'G54 T2 longest',
      'G54 T3 new',
      'G54 T4 stands-in',
      'G54 T5 surprised',
    ])
  })

  test('each row once, by a risky tool as long as there is one, then by the first of them', () => {
    expect(named(moves({ tools: tools(), offsets: rows('G54', 'G55', 'G56') }, lengths))).toEqual([
      'G54 T2 longest row',
      'G55 T2 longest row',
      'G56 T2 longest row',
    ])
  })

  test('nothing is read yet: one tool stands for the rows', () => {
    expect(named(moves({ tools: tools() }))).toEqual(['G54 T1'])
  })

  test('a shop that asks for all gets all, and a set-up is complete without those that are let go', () => {
    const { machine } = workedSheet()
    for (const policy of [undefined, { proves: 'all' } as const])
      expect(
        named(moves({ tools: tools(), machine: { ...machine, ...(policy && { policy }) } })),
      ).toEqual(['G54 T1', 'G54 T2', 'G54 T3', 'G54 T4', 'G54 T5'])
    const document = workedDocument(
      { tools: tools(), machine: { ...machine, policy: { proves: 'riskiest' } } },
      lengths,
    )
    const keys = stepsOf(document, solve(document), false).map(({ step }) => step.key)
    expect(keys.filter((key) => key.startsWith('prove'))).toEqual(['prove:G54:T2'])
  })
})

test('lengths from a bench are proven like the others, but for the first: that one finds the plane', () => {
  const { machine } = workedSheet()
  const known = (number: number) => ({ ...unmeasured(number), length: mm('90') })
  const proven = (all: readonly Tool[]) => moves({ tools: all, machine }).map(({ tool }) => tool)
  expect(proven([unmeasured(1), known(2), known(3)])).toEqual([1, 3])
  expect(proven([known(1), known(2)])).toEqual([2])
  expect(proven([known(1)])).toEqual([1])
})
