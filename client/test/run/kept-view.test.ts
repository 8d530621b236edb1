import type { KeptAnswer, Pockets } from '@pine/contract'
import {
  asInPocket,
  isSameTool,
  unansweredTools,
  withAssemblies,
  withTapped,
} from '@/areas/new-setup/tools/assemblies'
import { asksForKept, keptView } from '@/areas/run/kept/kept-view'
import { rebaseView } from '@/areas/run/kept/rebase-view'
import { readingView } from '@/areas/run/read/reading-view'
import type { FactDraft } from '@/data/outbox/fact-draft'
import { after, example, mm, registerAt } from './set-ups'

const TOOLS = [1, 2, 3].map((number) => ({
  number,
  name: `tool ${number}`,
  lengthRegister: number,
}))
/** The worked example with three tools, and nothing read yet. */
const bare = () => example('setting-plane', 1, { tools: TOOLS })

const kept = {
  setup: '019aaaaa-0000-7000-8000-0000000000d1',
  reading: '019aaaaa-0000-7000-8000-0000000000d2',
  name: 'Clamp ring',
  by: 'Mira Toller',
  at: '2026-03-01T09:00:00Z',
}
const touch = (tool: number, read: string, more: object = {}) => ({
  of: 'tip-on-plane' as const,
  tool,
  read: mm(read),
  with: ['setter'],
  ...more,
})
const line = (tool: number, take: KeptAnswer['tools'][number]['take'], check = false) => ({
  tool,
  take,
  check,
  words: `${tool} ${take}`,
})
const answer = (changes: Partial<KeptAnswer> = {}): KeptAnswer => ({
  tools: [line(1, 'as-it-was', true), line(2, 'as-it-was'), line(3, 'nothing')],
  generations: [
    [touch(1, '-220.000', { kept: { ...kept, check: true } }), touch(2, '-200.000', { kept })],
  ],
  ...changes,
})
const entered = (said: readonly FactDraft[]) => after(bare(), ...said)
const reading = (tool: number, read: string): FactDraft =>
  ({ kind: 'reading', body: touch(tool, read) }) as FactDraft
const stepAt = (setup: ReturnType<typeof bare>, key: string) => {
  const found = setup.steps.find(({ step }) => step.key === key)
  if (found === undefined) throw new Error(`no step ${key}`)
  return found
}

describe('what still holds of earlier set-ups', () => {
  test('is offered with what is done with each tool, before the first of them is touched', () => {
    const view = keptView(bare(), answer())
    expect(view).toMatchObject({
      sentence: 'One length is still good from an earlier set-up.',
      text: 'Reuse 1 length, touch 2',
    })
    expect(view?.lines.map(({ name, does, mark }) => [name, does, mark])).toEqual([
      ['T1 tool 1', 'to check', 'not-read'],
      ['T2 tool 2', 'reused', 'read'],
      ['T3 tool 3', 'to touch', 'not-read'],
    ])
    expect(view?.caution).toContain('pocket')
  })

  test('says once where it comes from where that is one place, and of each where it is not', () => {
    const from = (one: string, two: string) =>
      answer({
        tools: [
          { ...line(1, 'as-it-was', true), from: one },
          { ...line(2, 'as-it-was'), from: two },
          line(3, 'nothing'),
        ],
      })
    const same = keptView(bare(), from('touched in A', 'touched in A'))!
    expect([same.from, ...same.lines.map(({ words }) => words)]).toEqual([
      'Touched in A.',
      undefined,
      undefined,
      '3 nothing',
    ])
    const two = keptView(bare(), from('touched in A', 'touched in B'))!
    expect([two.from, ...two.lines.map(({ words }) => words)]).toEqual([
      undefined,
      '1 as-it-was',
      '2 as-it-was',
      '3 nothing',
    ])
  })

  test('enters each reading with where it comes from; then only what is checked and what is new is asked for', () => {
    const view = keptView(bare(), answer())!
    const setup = entered(view.facts)
    expect(setup.document.readings.map(({ kept: from }) => from?.name)).toEqual([
      'Clamp ring',
      'Clamp ring',
    ])
    expect(['T1', 'T2', 'T3'].map((tool) => stepAt(setup, `tip-on-plane:${tool}`).done)).toEqual([
      false,
      true,
      false,
    ])
    expect(keptView(setup, answer())).toBeUndefined()
  })

  test('is asked for at an open touch on the plane and nowhere else', () => {
    const setup = entered([reading(1, '-220.000')])
    expect(asksForKept(stepAt(setup, 'tip-on-plane:T1'))).toBe(false)
    expect(asksForKept(stepAt(setup, 'tip-on-plane:T2'))).toBe(true)
    expect(asksForKept(stepAt(setup, 'face:G54:left'))).toBe(false)
    expect(asksForKept(stepAt(setup, 'home'))).toBe(false)
  })

  test('is not offered where nothing holds, nothing has come, or it was read here meanwhile', () => {
    expect(keptView(bare(), undefined)).toBeUndefined()
    expect(keptView(bare(), answer({ generations: [[]] }))).toBeUndefined()
    const read = entered([reading(1, '-220.000'), reading(2, '-200.000')])
    expect(keptView(read, answer())).toBeUndefined()
  })

  test('says that the bare nose is taken over with the tools', () => {
    const nose = { of: 'nose-on-plane' as const, read: mm('-300.000'), with: ['setter'], kept }
    const asked = answer({ generations: [[nose, ...answer().generations.flat()]] })
    const view = keptView(example('gauge-line', 1, { tools: TOOLS }), asked)!
    expect(view.lines[0]).toMatchObject({ name: 'Bare nose on the plane', does: 'reused' })
    expect(view.text).toBe('Reuse 1 length, touch 2')
  })

  test('from before a plane was moved says so, and asks for one touch more', () => {
    const view = keptView(
      bare(),
      answer({
        tools: [line(1, 'after-rebase'), line(2, 'after-rebase'), line(3, 'nothing')],
        generations: [answer().generations.flat(), []],
      }),
    )
    expect(view?.text).toBe('Reuse 2 lengths, touch 2')
    expect(view?.facts.at(-1)).toEqual({ kind: 'event', body: { kind: 'plane-moved' } })
  })

  test('from before two moves are entered each before its own, and what stands today after both', () => {
    const one = (tool: number) => touch(tool, '-220.000', { kept })
    const view = keptView(
      bare(),
      answer({
        tools: [line(1, 'after-rebase'), line(2, 'after-rebase'), line(3, 'as-it-was')],
        generations: [[one(1)], [one(2)], [one(3)]],
      }),
    )
    const entered = view?.facts.map(({ kind, body }) =>
      kind === 'reading' && body.of === 'tip-on-plane'
        ? body.tool
        : (body as { kind: string }).kind,
    )
    expect(entered).toEqual([1, 'plane-moved', 2, 'plane-moved', 3])
    expect(view?.text).toBe('Reuse 3 lengths, touch 2')
  })
})

describe('a tool that is checked', () => {
  test('is read as if for the first time, and what disagrees is told as it is typed', () => {
    const setup = entered(keptView(bare(), answer())!.facts)
    const quantity = { of: 'tip-on-plane', tool: 1 } as const
    const typed = (read: string, surprise?: object) => {
      const preview = after(setup, reading(1, read))
      return readingView(setup, quantity, {
        draft: { with: ['setter'] },
        complete: true,
        started: true,
        again: false,
        preview: preview.document,
        solution: preview.solution,
        belief: undefined,
        surprise,
        capture: undefined,
        row: undefined,
        reads: { reads: 'machine' },
      } as unknown as Parameters<typeof readingView>[2])
    }
    expect(typed('-220.004')).toMatchObject({ standing: [], reviewing: false, disagrees: false })
    const off = typed('-219.700')
    expect(off.disagrees).toBe(true)
    expect(off.warnings.map(({ code }) => code)).toEqual(['kept-differs'])
    // A slip that explains it is told in its place; without one, that what was taken over falls.
    const slip = typed('220.000', { slip: { code: 'reading-sign-lost', meant: -220e6 } })
    expect([slip.surprise !== undefined, slip.warnings, slip.disagrees]).toEqual([true, [], true])
    expect(slip.ifItIsSo).toContain('the reused lengths then no longer count')
    // Where the machine does not go nothing was moved: that alone is told.
    const sheet = setup.document.sheet
    const travels = { Z: { min: mm('-500'), max: mm('0') } }
    const bounded = {
      ...setup,
      document: { ...setup.document, sheet: { ...sheet, machine: { ...sheet.machine, travels } } },
    }
    const astray = after(bounded as typeof setup, reading(1, '220.000'))
    const view = readingView(bounded as typeof setup, quantity, {
      ...{ draft: { with: ['setter'] }, complete: true, started: true, again: false },
      ...{ preview: astray.document, solution: astray.solution, reads: { reads: 'machine' } },
    } as unknown as Parameters<typeof readingView>[2])
    expect(view.warnings.map(({ code }) => code)).toEqual(['outside-travel'])
    const without = typed('-219.700', {})
    expect([without.surprise, without.warnings.map(({ code }) => code)]).toEqual([
      undefined,
      ['kept-differs'],
    ])
  })
})

describe('one touch over a plane that moved', () => {
  const moved: FactDraft = { kind: 'event', body: { kind: 'plane-moved' } }
  const before = () => entered([reading(1, '-220.000'), reading(2, '-200.000'), moved])

  test('carries the other lengths over, shown before it is said', () => {
    const setup = after(before(), reading(1, '-219.250'))
    const view = rebaseView(setup)!
    expect(view.lines.map(({ name, number }) => [name, number])).toEqual([
      ['H2', '−250.000 → −249.250 mm'],
    ])
    expect(view.text).toBe('Re-base one number on T1')
    const carried = after(setup, ...view.facts)
    expect(registerAt(carried, 'H2')).toMatchObject({ state: 'read', value: -249_250_000 })
    expect(rebaseView(carried)).toBeUndefined()
  })

  test('is offered by nothing that was not touched on both', () => {
    expect(rebaseView(before())).toBeUndefined()
    expect(rebaseView(after(before(), reading(3, '-180.000')))).toBeUndefined()
    expect(rebaseView(entered([reading(1, '-220.000')]))).toBeUndefined()
  })
})

describe('the shop’s own tools on a new sheet', () => {
  const { sheet } = bare().document
  const id = (tail: string) => `019aaaaa-0000-7000-8000-0000000000${tail}`
  const pockets: Pockets = [
    { id: id('a1'), pocket: 1, tool: { name: '10 mm end mill' } },
    { id: id('a2'), pocket: 2, tool: { name: 'Spot drill' } },
  ]
  const named = (...names: readonly string[]) => ({
    ...sheet,
    tools: names.map((name, index) => ({ number: index + 1, name, lengthRegister: index + 1 })),
  })
  let made = 0
  const newId = () => id(`b${(made += 1)}`)

  test('are those in the pockets where somebody said so; an unnamed one, and one of the same name, is asked', () => {
    made = 0
    const asked = named(' 10 MM End mill', 'tool 2', 'Reamer')
    expect(unansweredTools(asked.tools, pockets).map(({ number }) => number)).toEqual([1, 2])
    // Unanswered, it takes nothing over and is no new tool either.
    const open = withAssemblies(asked, pockets, newId)
    expect(open.tools.map(({ assembly }) => assembly)).toEqual([undefined, undefined, id('b1')])
    expect(open.tools[1]).toEqual(asked.tools[1])
    const answered = { ...asked, tools: asked.tools.map((tool) => asInPocket(tool, pockets)) }
    const { tools } = withAssemblies(answered, pockets, newId)
    expect(tools.slice(0, 2).map(({ assembly, name }) => [assembly, name])).toEqual([
      [id('a1'), '10 mm end mill'],
      [id('a2'), 'Spot drill'],
    ])
    expect(unansweredTools(tools, pockets)).toEqual([])
  })

  test('are tapped: one of the job, or not any more; the blank line of a new sheet gives way', () => {
    const blank = [{ number: 1, name: '', lengthRegister: 1 }]
    const [end, spot] = [pockets[0]!, pockets[1]!]
    const one = withTapped(blank, spot, true)
    expect(one).toEqual([{ number: 2, name: 'Spot drill', lengthRegister: 2, assembly: id('a2') }])
    const both = withTapped(one, end, true)
    expect(both.map(({ number }) => number)).toEqual([1, 2])
    expect(both.map((tool) => isSameTool(tool, pockets))).toEqual([true, true])
    // Called by the program as T2 with H7: it is answered, and H7 stays.
    const called = [{ number: 2, name: 'Spot drill', lengthRegister: 7 }]
    expect(withTapped(called, spot, true)).toMatchObject([
      { lengthRegister: 7, assembly: id('a2') },
    ])
    expect(withTapped(both, end, true).map(({ number }) => number)).toEqual([2])
    expect(withTapped(one, spot, true)).toEqual(blank)
    // A control that keeps no lengths has no H.
    expect(withTapped(blank, spot, false)[0]).not.toHaveProperty('lengthRegister')
    // What was typed by hand stays beside it.
    const typed = [{ number: 5, name: 'Reamer', lengthRegister: 5 }]
    expect(withTapped(typed, end, true).map(({ name }) => name)).toEqual([
      '10 mm end mill',
      'Reamer',
    ])
  })

  test('bring what they measured last, where nobody typed it', () => {
    const known = [{ ...pockets[0]!, lastLength: mm('80.000') }]
    const same = (tool: object) => ({
      ...sheet,
      tools: [{ ...sheet.tools[0]!, assembly: id('a1'), ...tool }],
    })
    const lastOf = (tool: object) => withAssemblies(same(tool), known, newId).tools[0]?.lastLength
    expect(lastOf({ name: '10 mm end mill' })).toEqual(mm('80.000'))
    expect(lastOf({ name: '10 mm end mill', lastLength: mm('79.5') })).toEqual(mm('79.5'))
    expect(lastOf({ name: '10 mm end mill', length: mm('80') })).toBeUndefined()
    expect(lastOf({ name: 'Reamer', assembly: id('c1') })).toBeUndefined()
  })

  test('that were never measured bring what the bench says, to be expected and no more', () => {
    const bench = { ...pockets[0]!.tool, properties: { LF: mm('81') } }
    const told = (tool: object, lastLength?: ReturnType<typeof mm>) => {
      const known = [{ ...pockets[0]!, tool: bench, ...(lastLength && { lastLength }) }]
      const name = '10 mm end mill'
      const [made] = withAssemblies(
        { ...sheet, tools: [{ ...sheet.tools[0]!, name, assembly: id('a1'), ...tool }] },
        known,
        newId,
      ).tools
      return [made?.length, made?.lastLength, made?.rough]
    }
    expect(told({})).toEqual([undefined, undefined, mm('81')])
    expect(told({}, mm('80.9'))).toEqual([undefined, mm('80.9'), undefined])
    expect(told({ rough: mm('75') })).toEqual([undefined, undefined, mm('75')])
    expect(told({ length: mm('80') })).toEqual([mm('80'), undefined, undefined])
  })

  test('another one in the same pocket is another tool, and what was said stays', () => {
    made = 0
    const { tools } = withAssemblies(named('12 mm end mill'), pockets, newId)
    expect(tools.map(({ assembly }) => assembly)).toEqual([id('b1')])
    const said = { number: 1, name: '10 mm end mill', assembly: id('c1') }
    expect(isSameTool(said, pockets)).toBe(false)
    const again = withAssemblies({ ...sheet, tools: [said] }, pockets, newId)
    expect(again.tools[0]?.assembly).toBe(id('c1'))
  })

  test('are not said while nobody knows what is in the pockets: one tool must not become two', () => {
    expect(withAssemblies(sheet, undefined, newId)).toBe(sheet)
  })
})
