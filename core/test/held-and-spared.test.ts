import { checkSheet } from '../src/sheet'
import { solve } from '../src/solve'
import { describeCheck, describeOffsetPlan } from '../src/words'
import { parallelsThatFit } from '../src/workholding'
import { mm, workedDocument, workedSheet } from './worked-example'

describe('faces that must not be touched', () => {
  const [first] = workedSheet().offsets
  const problems = (changes: Partial<NonNullable<typeof first>>) =>
    checkSheet(workedSheet({ offsets: [{ ...first!, ...changes }] })).map(
      ({ code, place, received }) => `${place} ${code} ${received}`,
    )
  test.each([
    // Left and front are touched.
    [{ spared: ['right', 'back'] }, []],
    [{ spared: ['left'] }, ['sheet.offsets.0.spared face-spared left']],
    [
      { spared: ['front', 'left'] },
      ['sheet.offsets.0.spared face-spared front', 'sheet.offsets.0.spared face-spared left'],
    ],
    [
      { spared: ['back'], edge: { face: 'back', tolerance: mm('0.1') } },
      ['sheet.offsets.0.spared face-spared back'],
    ],
    // The walls of a slot are other faces than those outside.
    [{ spared: ['left'], X: { ...first!.X, side: 'inside' } }, []],
    [
      {
        spared: ['right'],
        X: {
          by: 'two-faces',
          side: 'outside',
          size: mm('120'),
          tolerance: mm('0.1'),
          drawing: mm('0'),
        },
      },
      ['sheet.offsets.0.spared face-spared right'],
    ],
  ] as const)('%j', (changes, wanted) => expect(problems(changes as never)).toEqual(wanted))

  test('are said where the part is held, and on the sheet', () => {
    const document = workedDocument({ offsets: [{ ...first!, spared: ['right', 'back'] }] })
    expect(describeCheck(document, 'holding').points).toContain(
      'G54: not to be touched, right and back faces.',
    )
    expect(describeOffsetPlan({ ...first!, spared: ['back'] })).toContainEqual([
      'Not to be touched',
      'back face',
    ])
    expect(describeOffsetPlan(first!)).toHaveLength(3)
  })
})

describe('the grip that a shop asks for', () => {
  const held = (leastGrip?: string) => {
    const { machine } = workedSheet()
    const policy = leastGrip === undefined ? {} : { policy: { leastGrip: mm(leastGrip) } }
    const holding = { jaw: mm('50'), parallels: mm('45') }
    return solve(workedDocument({ machine: { ...machine, ...policy }, holding }, []))
  }
  const told = (leastGrip?: string) =>
    held(leastGrip).warnings.flatMap(({ code, limit }) => (code === 'little-grip' ? [limit] : []))

  test('5 of grip are enough by practice, and little where the shop asks 6', () => {
    expect(told()).toEqual([])
    expect(told('5')).toEqual([])
    expect(told('5.001')).toEqual([5_001_000])
    expect(told('6')).toEqual([6_000_000])
  })

  test('parallels that fit leave as much as the shop asks', () => {
    const { machine } = workedSheet()
    const fit = (leastGrip: string) =>
      parallelsThatFit(
        workedSheet({
          machine: { ...machine, policy: { leastGrip: mm(leastGrip) } },
          holding: { jaw: mm('50'), parallels: mm('45') },
        }),
      )
    expect(fit('6')?.to).toBe(44_000_000)
    expect(fit('2')?.to).toBe(48_000_000)
  })
})
