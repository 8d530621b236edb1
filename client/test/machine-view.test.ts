import type { MachineHistory } from '@pine/contract'
import type { MachineDeclaration } from '@pine/core/sheet'
import {
  declaredLines,
  happenedLines,
  newReversal,
  offsetLines,
  placeLines,
  reversalOf,
  screwLines,
  foundSoFar,
  turnedUnit,
  type ReversalDraft,
} from '@/areas/machines/machine-view'
import { example } from './run/set-ups'

const mm = (text: string) => ({ text, unit: 'mm' as const })
const said = { by: 'Mira', at: '2026-03-05T08:00:00.000Z' }
const ID = '019aaaaa-0000-7000-8000-0000deadbeef'

const history = (changes: Partial<MachineHistory> = {}): MachineHistory =>
  ({
    id: ID,
    machine: { name: 'Mill 2', kind: 'mill', lostMotion: { X: mm('0.012') } },
    offsets: [],
    declared: [],
    reversals: [],
    happened: [],
    ...changes,
  }) as unknown as MachineHistory

test('registers stand by their names and numbers, and what was only typed says so', () => {
  const offset = (address: string, isSeen: boolean) =>
    ({ ...said, address, shown: mm('-270.000'), isSeen, setup: ID, name: 'Ring' }) as const
  const lines = offsetLines(
    history({
      offsets: [offset('H10', true), offset('H2', false), offset('G54.X', true)] as never,
    }),
  )
  expect(lines.map(({ address }) => address)).toEqual(['G54 X', 'H2', 'H10'])
  expect(lines[1]).toMatchObject({
    value: '−270.000 mm',
    how: 'typed, not read back · 5 Mar 2026, Mira · Ring',
    isSeen: false,
  })
  expect(lines[2]?.how).toBe('shown · 5 Mar 2026, Mira · Ring')
  // Keyed by a difference: what was typed is not what stands there.
  const { shown: _typed, ...added } = offset('H3', false)
  expect(offsetLines(history({ offsets: [added] as never }))[0]?.value).toBe('not known')
})

test('what happened and how it was declared', () => {
  expect(
    happenedLines({
      happened: [
        { what: 'plane-moved', at: said.at, name: 'Ring', plane: 'fixed jaw' },
        { what: 'home-lost', at: said.at, name: '' },
      ],
    }),
  ).toEqual([
    { what: 'the setting plane or its setter was moved', about: '5 Mar 2026 · fixed jaw · Ring' },
    { what: 'it lost its home position', about: '5 Mar 2026' },
  ])
  const declared = [{ ...said, reason: 'new screw' }, said, said]
  expect(declaredLines({ declared }).map(({ what }) => what)).toEqual([
    'new screw',
    'declared anew',
    'declared',
  ])
})

describe('a screw', () => {
  const test3 = (axis: 'X' | 'Y' | 'Z', apart: string, unit: 'mm' | 'in' = 'mm') => ({
    ...said,
    axis,
    pairs: [1, 2, 3].map(() => ({
      towardsPlus: { text: apart, unit },
      towardsMinus: { text: '0', unit },
    })),
  })
  const screw = (axis: 'X' | 'Y' | 'Z', ...reversals: ReturnType<typeof test3>[]) =>
    screwLines(history({ reversals })).find((one) => one.axis === axis)!

  test('says what is counted with, and what its last test told', () => {
    expect(screw('X')).toEqual({
      axis: 'X',
      counts: 'Counted with 0.012 mm.',
      tested: undefined,
      takesOver: undefined,
    })
    expect(screw('Y').counts).toContain('Not measured')
    // The youngest comes first.
    expect(screw('Y', test3('Y', '0.020'), test3('Y', '0.9')).tested).toBe(
      '5 Mar 2026, Mira: The screw loses 0.020 mm (± 0.000 mm, by 3 pairs).',
    )
  })

  test('is counted with what the test told, where that is something else, with the reason', () => {
    const { takesOver } = screw('Y', test3('Y', '0.020'))
    expect(takesOver).toMatchObject({
      text: 'Count Y with 0.020 mm',
      machine: { name: 'Mill 2', lostMotion: { X: mm('0.012'), Y: mm('0.020') } },
      reason: 'Y by a reversal test of 3 pairs on 5 Mar 2026',
    })
    expect(screw('X', test3('X', '0.0120')).takesOver).toBeUndefined()
    expect(screw('X', test3('X', '0.013')).takesOver?.text).toBe('Count X with 0.013 mm')
    expect(screw('X', test3('X', '0.001', 'in')).takesOver?.text).toBe('Count X with 0.0010 in')
    // Turned columns are no backlash.
    expect(screw('Y', test3('Y', '-0.020')).takesOver).toBeUndefined()
  })
})

describe('a reversal test that is typed', () => {
  const draft = (changes: Partial<ReversalDraft>): ReversalDraft => ({ ...newReversal, ...changes })
  const plus = ['1.010', '2.012', ' 3.014 ', '', '']
  const minus = ['1', '2', '3', '', '']

  test('tells what it says so far, and is kept with the places that were read', () => {
    const told = foundSoFar(draft({ plus, minus }))
    expect([told?.isWrong, told?.words]).toEqual([
      false,
      expect.stringContaining('The screw loses 0.012 mm'),
    ])
    expect(foundSoFar(draft({ plus: minus, minus: plus }))?.isWrong).toBe(true)
    expect(foundSoFar(draft({ plus: plus.slice(0, 2), minus }))).toBeUndefined()
    expect(reversalOf(draft({ axis: 'Z', plus, minus }))).toEqual({
      made: {
        axis: 'Z',
        pairs: [
          { towardsPlus: mm('1.010'), towardsMinus: mm('1') },
          { towardsPlus: mm('2.012'), towardsMinus: mm('2') },
          { towardsPlus: mm('3.014'), towardsMinus: mm('3') },
        ],
      },
    })
    expect(turnedUnit(newReversal)).toBe('in')
  })

  test('says which place is missing a side, cannot be read, or that there are too few', () => {
    const wrong = (changes: Partial<ReversalDraft>) => {
      const outcome = reversalOf(draft(changes))
      return 'problems' in outcome ? Object.keys(outcome.problems) : []
    }
    expect(wrong({ plus, minus: ['1', '', '3', '', ''] })).toEqual(['minus.1'])
    expect(wrong({ plus: ['1', '', '3', '', ''], minus })).toEqual(['plus.1'])
    expect(wrong({ plus: ['1', '2', '3o', '', ''], minus })).toEqual(['plus.2'])
    expect(wrong({ plus: ['1', '2', '', '', ''], minus: ['1', '2', '', '', ''] })).toEqual([
      'plus.2',
    ])
    expect(wrong({})).toEqual(['plus.0'])
  })
})

test('what stands on it is told as it was declared, and where jaw, stop and plane were last found', () => {
  const declared = {
    ...{ name: 'Mill 2', kind: 'mill' },
    fixedSetter: {
      ...{ X: mm('-20'), Y: mm('-400'), top: mm('-310'), from: mm('-60') },
      margin: mm('20'),
    },
    toolChange: { Z: mm('0') },
    quill: { travel: mm('100'), uncertainty: mm('0.05') },
  } as unknown as MachineDeclaration
  expect(placeLines(declared, undefined).map(({ name }) => name)).toEqual([
    'Fixed setter',
    'Tool change',
    'Quill',
  ])
  const { document } = example('whole-run', 6, {
    holding: { jaw: mm('40'), parallels: mm('20'), against: { jaw: 'front', stop: 'left' } },
  })
  const bare = { ...declared, fixedSetter: undefined, toolChange: undefined, quill: undefined }
  expect(
    placeLines(bare, document).map(({ name, text: says }) => `${name}: ${says.split(',')[0]}`),
  ).toEqual([
    'Setting plane, the fixed jaw: bare nose on it at Z −350.000 mm',
    'Stop: the left face of the part lay against it at X −407.300 mm',
    'Fixed jaw: the front face of the part lay against it at Y −250.000 mm',
  ])
  expect(placeLines(bare, undefined)).toEqual([])
})
