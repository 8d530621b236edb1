import { appendFact, type Reading, type SetupDocument } from '../src/facts'
import type { CheckOff } from '../src/facts/bodies/check-off'
import type { EventBody } from '../src/facts/bodies/event'
import { checkDocument } from '../src/facts'
import { asksForContact, standingCheckOff, stepsOf, suggestGauges } from '../src/plan'
import { planTouches } from '../src/planner'
import {
  checkSheet,
  isTooLongForSetter,
  longestForSetter,
  type FixedSetter,
  type SetupSheet,
  type Tool,
} from '../src/sheet'
import { quantityKey } from '../src/quantities'
import { solve } from '../src/solve'
import {
  describeCheck,
  describeProblem,
  describeStale,
  describeStep,
  setterRoom,
} from '../src/words'
import { event, fact, mm, noseTouch, readingOf, setupOf, workedSheet } from './worked-example'

// A setter that is bolted to the machine. Its top is 40 mm above the table, where the bare nose would stand at Z −310; the cycle
// lowers from Z −60, which is 250 mm higher. With 20 mm of margin a tool of 230 mm clears it, and one of 231 does not.
const SETTER: FixedSetter = {
  X: mm('-20'),
  Y: mm('-400'),
  top: mm('-310'),
  from: mm('-60'),
  margin: mm('20'),
}
const travels = {
  X: { min: mm('-800'), max: mm('0') },
  Y: { min: mm('-500'), max: mm('0') },
  Z: { min: mm('-520'), max: mm('0') },
}
const FIXED = { id: 'fixed', kind: 'fixed-setter', name: 'fixed setter', size: mm('40') } as const

const tool = (number: number, changes: Partial<Tool> = {}): Tool => ({
  number,
  name: `tool ${number}`,
  lengthRegister: number,
  ...changes,
})

function sheetWith(changes: Partial<SetupSheet['machine']> = {}, tools: readonly Tool[] = []) {
  const sheet = workedSheet({ gauges: [FIXED, ...workedSheet().gauges] })
  return {
    ...sheet,
    tools: tools.length > 0 ? tools : [tool(1), tool(2), tool(3)],
    machine: { ...sheet.machine, travels, fixedSetter: SETTER, ...changes },
  } satisfies SetupSheet
}

const touch = (of: number, read: string, gauge = 'fixed') =>
  readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool: of, read: mm(read), with: [gauge] })

describe('the longest tool that clears it', () => {
  test('is the height of the start above its top, less the margin', () => {
    expect(longestForSetter(SETTER)).toBe(230e6)
    expect(longestForSetter({ ...SETTER, from: mm('-100') })).toBe(190e6)
    expect(longestForSetter({ ...SETTER, margin: { text: '1', unit: 'in' } })).toBe(224.6e6)
    expect(longestForSetter({ ...SETTER, top: mm('x') })).toBeUndefined()
  })

  test.each([
    ['known', { length: mm('231') }, true],
    ['known', { length: mm('230') }, false],
    ['last time', { lastLength: mm('231') }, true],
    ['by a rule', { rough: mm('260') }, true],
    ['by a rule, where it is known better', { rough: mm('260'), length: mm('229') }, false],
    ['nobody knows', {}, false],
  ])('a tool as long as %s: %o', (_, changes, isTooLong) => {
    expect(isTooLongForSetter(sheetWith({}, [tool(1, changes)]), 1)).toBe(isTooLong)
    expect(isTooLongForSetter(sheetWith({ fixedSetter: undefined }, [tool(1, changes)]), 1)).toBe(
      false,
    )
  })

  test('is told before the cycle is started, and where it is too long nothing else is', () => {
    const said = (changes: Partial<Tool>) => setterRoom(sheetWith({}, [tool(4, changes)]), 4)
    expect(said({ rough: mm('120') })?.words).toBe(
      'From Z −60 mm tools up to 230.0 mm clear it by 20 mm, T4 is about 120 mm.',
    )
    expect(said({})?.words).toContain('Nothing tells how long T4 is: hold a rule to it first.')
    expect(said({ lastLength: mm('240') })).toEqual({
      isTooLong: true,
      words:
        'Do not start the cycle: tools up to 230.0 mm clear it by 20 mm, T4 is about 240 mm. Touch it with another gauge, or let the cycle begin higher.',
    })
    expect(setterRoom(sheetWith({ fixedSetter: undefined }), 1)).toBeUndefined()
  })

  test('is offered it, also where the last one was touched with it; a longer one is offered another gauge or none', () => {
    const tools = [tool(1, { rough: mm('100') }), tool(2, { rough: mm('240') })]
    const offered = (number: number, ...gauges: SetupSheet['gauges']) =>
      suggestGauges(setupOf({ ...sheetWith({}, tools), gauges }, [touch(1, '-220')]), {
        ...{ of: 'tip-on-plane', tool: number },
      } as const)
    const block = { id: 'block', kind: 'gauge-block', name: 'block', size: mm('25') } as const
    expect([offered(1, FIXED, block), offered(2, FIXED, block)]).toEqual([['fixed'], ['block']])
    expect(offered(2, FIXED)).toEqual([])
  })

  test('is planned with it, and a longer one with something else', () => {
    const sheet = sheetWith({}, [tool(1, { rough: mm('100') }), tool(2, { rough: mm('240') })])
    const planned = (gauges: SetupSheet['gauges']) =>
      planTouches(setupOf({ ...sheet, gauges }, []), [1, 2], new Map(), []).touches.map((one) => [
        one.tool,
        one.ways.map(({ with: ids }) => ids.join()),
      ])
    const block = { id: 'block', kind: 'gauge-block', name: 'block', size: mm('25') } as const
    expect(Object.fromEntries(planned([FIXED, block]))).toEqual({
      1: ['fixed', 'block'],
      2: ['block'],
    })
    // With nothing else at hand it is touched with nothing between.
    expect(Object.fromEntries(planned([FIXED]))).toEqual({ 1: ['fixed', ''], 2: [''] })
  })
})

describe('what a machine is said to do', () => {
  const problems = (changes: Partial<SetupSheet['machine']>) =>
    checkSheet(sheetWith(changes)).map(({ code, place }) => `${code} ${place}`)
  const setter = (changes: Partial<FixedSetter>) =>
    problems({ fixedSetter: { ...SETTER, ...changes } })

  test('is within its travels, to their ends', () => {
    expect(problems({})).toEqual([])
    expect(setter({ X: mm('0'), Y: mm('-500') })).toEqual([])
    expect(setter({ X: mm('0.001') })).toEqual(['place-outside-travel sheet.machine.fixedSetter.X'])
    expect(setter({ Y: mm('-500.001') })).toEqual([
      'place-outside-travel sheet.machine.fixedSetter.Y',
    ])
    expect(setter({ from: mm('1') })).toEqual([
      'place-outside-travel sheet.machine.fixedSetter.from',
    ])
    expect(problems({ toolChange: { X: mm('-400'), Z: mm('2') } })).toEqual([
      'place-outside-travel sheet.machine.toolChange.Z',
    ])
    // A top that lies above its travel lost its sign: that is told, at the number that is wrong. Below it need not be reached.
    expect(setter({ top: mm('310') })[0]).toBe('place-outside-travel sheet.machine.fixedSetter.top')
    expect(setter({ top: mm('-600') })).toEqual([])
    // Where nobody has said how far it goes, nothing is held against it.
    expect(problems({ travels: undefined, toolChange: { Z: mm('2') } })).toEqual([])
  })

  test('is a start above the setter’s top, and numbers that can be read', () => {
    expect(setter({ from: mm('-290') })).toEqual([
      'setter-not-cleared sheet.machine.fixedSetter.from',
    ])
    expect(setter({ from: mm('-289.999') })).toEqual([])
    expect(setter({ margin: mm('-1') })).toEqual([
      'length-negative sheet.machine.fixedSetter.margin',
    ])
    expect(setter({ top: mm('1,5') })).toEqual(['length-comma sheet.machine.fixedSetter.top'])
    const [told] = checkSheet(sheetWith({ fixedSetter: { ...SETTER, from: mm('-300') } }))
    expect(told && describeProblem(told).message).toBe(
      'From Z −300 mm not even a tool of no length clears a top at −310 mm and 20 mm of margin.',
    )
  })

  test('is a quill that is out no further than it goes', () => {
    const out = (measured: string, running: string) => {
      const sheet = sheetWith({ quill: { travel: mm('100') } })
      const [first] = sheet.offsets
      const quill = { measured: mm(measured), running: mm(running) }
      return checkSheet({
        ...sheet,
        offsets: first === undefined ? [] : [{ ...first, Z: { ...first.Z, quill } }],
      }).map(({ place }) => place)
    }
    expect(out('100', '0')).toEqual([])
    expect(out('100.5', '0')).toEqual(['sheet.offsets.0.Z.quill.measured'])
    expect(out('0', '101')).toEqual(['sheet.offsets.0.Z.quill.running'])
  })
})

describe('the steps of a cycle', () => {
  test('say what is seen to before the first, and where tools are changed', () => {
    const sheet = sheetWith({ toolChange: { Y: mm('-10'), Z: mm('0') } })
    const { points } = describeCheck(setupOf(sheet, []), 'home')
    expect(points).toContain(
      'Soft limits on, home found: only then is the setter at X −20 mm, Y −400 mm. Its cycle lowers from Z −60 mm: tools up to 230.0 mm clear it by 20 mm.',
    )
    expect(points).toContain('Tools are changed at Y −10 mm, Z 0 mm, machine position.')
    const bare = describeCheck(setupOf(workedSheet(), []), 'home').points.join(' ')
    expect(bare).not.toMatch(/setter|Tools are changed/)
  })

  test('tell that it moves by itself, and ask for its contact; another gauge does neither', () => {
    const document = setupOf(sheetWith(), [])
    const T1 = { of: 'tip-on-plane', tool: 1 } as const
    expect(describeStep(document, T1, ['fixed'])).toMatchObject({
      sentence: 'Let the cycle lower T1 onto the fixed setter.',
      caution: expect.stringContaining('thumb on feed hold') as string,
    })
    expect(describeStep(document, T1, ['setter']).sentence).toBe('Lower T1 onto the 50 mm setter.')
    // One that does not clear it is sent to another gauge, and only there to its touch.
    const { tools, ...sheet } = sheetWith()
    const rough = (text: string) =>
      setupOf({ ...sheet, tools: tools.map((tool) => ({ ...tool, rough: mm(text) })) }, [])
    expect(describeStep(rough('230.5'), T1, ['fixed'])).toMatchObject({
      sentence: 'T1 does not clear the fixed setter.',
      title: describeStep(document, T1, ['fixed']).title,
    })
    expect(describeStep(rough('230'), T1, ['fixed']).sentence).toMatch(/^Let the cycle lower T1/)
    expect(describeStep(rough('230.5'), T1, ['setter']).sentence).toMatch(/^Lower T1/)
    expect(asksForContact(document, ['fixed'])).toBe(true)
    expect(asksForContact(document, ['setter'])).toBe(false)
    expect(asksForContact(document, [])).toBe(false)
  })
})

describe('a tool that was changed past the control', () => {
  const broken = { kind: 'cycle-broken', gauge: 'fixed' } as const satisfies EventBody
  const home = (): CheckOff => ({ ...fact(), of: 'home' })
  const documentOf = (
    readings: readonly Reading[],
    events: SetupDocument['events'],
    checkOffs: SetupDocument['checkOffs'],
    school: SetupSheet['school'] = 'setting-plane',
  ): SetupDocument => ({ ...setupOf({ ...sheetWith(), school }, readings), events, checkOffs })
  const states = (document: SetupDocument) =>
    Object.fromEntries(
      solve(document)
        .registers.filter(({ address }) => /^H/.test(address))
        .map(({ address, state }) => [address, state]),
    )

  test('ends what was touched before it and what is touched after it, until the machine is homed', () => {
    const first = home()
    const before = touch(1, '-220')
    const happened = event(broken)
    const between = touch(2, '-231')
    const again = home()
    const after = touch(3, '-240')
    const readings = [before, between, after]
    expect(states(documentOf(readings, [happened], [first, again]))).toEqual({
      H1: 'stale',
      H2: 'stale',
      H3: 'read',
    })
    // A home that was left out is none, and whatever else is seen to is no home.
    for (const other of [
      { ...again, leftOut: 'in a hurry' },
      { ...again, of: 'clean' as const },
    ])
      expect(states(documentOf(readings, [happened], [first, other]))).toMatchObject({
        H3: 'stale',
      })
    // Each axis by itself: the last of them ends it.
    const axis = (...axes: readonly ('X' | 'Y' | 'Z')[]) => ({ ...again, axes })
    const parts = (...offs: SetupDocument['checkOffs']) =>
      states(documentOf(readings, [happened], [first, ...offs]))['H3']
    expect(parts(axis('Z'), axis('X'))).toBe('stale')
    expect(parts(axis('Z'), axis('X'), axis('Y'))).toBe('read')
    // While nobody has homed it, whatever is touched counts from another tool.
    expect(states(documentOf(readings, [happened], [first]))).toEqual({
      H1: 'stale',
      H2: 'stale',
      H3: 'stale',
    })
    expect(states(documentOf(readings, [], [first]))).toEqual({
      H1: 'read',
      H2: 'read',
      H3: 'read',
    })
  })

  test('leaves two that were compared before it, and none that was compared across it', () => {
    const nose = { ...noseTouch(), with: ['fixed'] } as Reading
    const before = touch(1, '-220')
    const happened = event(broken)
    const between = touch(2, '-231')
    const again = home()
    const document = documentOf([nose, before, between], [happened], [again], 'gauge-line')
    expect(states(document)).toMatchObject({ H1: 'read', H2: 'stale' })
  })

  test('leaves what was touched with another gauge', () => {
    const other = touch(1, '-220', 'setter')
    const happened = event(broken)
    expect(states(documentOf([other], [happened], []))).toMatchObject({ H1: 'read' })
  })

  test('asks for home anew, and for the touches; both by name', () => {
    const first = home()
    const before = touch(1, '-220')
    const happened = event(broken)
    const open = documentOf([before], [happened], [first])
    expect(standingCheckOff(open, 'home')).toBeUndefined()
    const isDone = (document: SetupDocument, key: string) =>
      stepsOf(document, solve(document), false).find(({ step }) => step.key === key)?.done
    expect([
      isDone(open, 'home'),
      isDone(open, quantityKey({ of: 'tip-on-plane', tool: 1 })),
    ]).toEqual([false, false])
    const again = home()
    const homed = documentOf([before, touch(1, '-222')], [happened], [first, again])
    expect([
      isDone(homed, 'home'),
      isDone(homed, quantityKey({ of: 'tip-on-plane', tool: 1 })),
    ]).toEqual([true, true])
    expect(describeStale({ by: 'event', event: happened }, [FIXED])).toBe(
      'a tool was changed by hand, without the control’s tool change: its cycle on the fixed setter counts from another tool',
    )
  })

  test('is said of a gauge that is on the sheet', () => {
    const said = (gauge: string) =>
      checkDocument(
        appendFact(setupOf(sheetWith(), []), {
          ...{ kind: 'event', id: 'said', by: { name: 'Mira' }, via: 'typed' },
          ...{ at: '2026-03-02T08:00:00Z', body: { ...broken, gauge } },
        }),
      )
    expect(said('fixed')).toEqual([])
    expect(said('none')).toMatchObject([{ code: 'reference-unknown', received: 'none' }])
  })
})
