import {
  appendFact,
  checkDocument,
  foldSetup,
  type Reading,
  type ReadingBody,
  type SetupDocument,
  type SetupFact,
} from '../src/facts'
import { type EventBody } from '../src/facts/bodies/event'
import { type Kept } from '../src/facts/bodies/kept'
import { solve } from '../src/solve'
import { stepsOf } from '../src/plan'
import { describeStale } from '../src/words'
import { mm, workedSheet } from './worked-example'

// Whole streams, as devices send them. The setter is 50.000: H = the machine position at its touch − 50.

const MIRA = { id: 'a', name: 'Mira Toller' }
const JORY = { id: 'b', name: 'Jory Fenn' }

const tools = [1, 2, 3].map((number) => ({
  number,
  name: `tool ${number}`,
  lengthRegister: number,
}))

interface Beside {
  readonly by?: typeof MIRA
  readonly seen?: number
  readonly device?: string
}

/** A set-up of three tools, told fact by fact. */
class Stream {
  document: SetupDocument
  private made = 0

  constructor(changes: Partial<ReturnType<typeof workedSheet>> = {}) {
    this.document = foldSetup({
      id: 'set-up',
      facts: [this.fact('sheet', workedSheet({ tools, ...changes }))],
    })
  }

  private fact(kind: string, body: object, { by = MIRA, ...beside }: Beside = {}): SetupFact {
    this.made += 1
    const id = `fact-${this.made}`
    const at = '2026-03-02T08:00:00Z'
    return { id, kind, by, at, via: 'typed', ...beside, body } as unknown as SetupFact
  }

  /** Adds a fact at its end; tells its id. */
  tell(kind: string, body: object, beside: Beside = {}): string {
    const fact = this.fact(kind, body, beside)
    this.document = appendFact(this.document, fact)
    expect(checkDocument(this.document)).toEqual([])
    return fact.id
  }

  touch(tool: number, read: string, more: Partial<ReadingBody> = {}, beside: Beside = {}): string {
    const body = { of: 'tip-on-plane', tool, read: mm(read), with: ['setter'], ...more }
    return this.tell('reading', body, beside)
  }

  /** Reused from an earlier set-up. */
  reuse(tool: number, read: string, setup = 'earlier', check = false, generation?: string): string {
    const kept: Kept = {
      ...(generation !== undefined && { generation }),
      ...{
        setup,
        reading: `${setup}-${tool}`,
        name: setup,
        by: 'Mira Toller',
        at: '2026-03-01T08:00:00Z',
      },
      ...(check && { check: true }),
    }
    return this.touch(tool, read, { kept } as never)
  }

  happens(body: EventBody, beside: Beside = {}): string {
    return this.tell('event', body, beside)
  }

  /** A length register: millimetres, and its state. */
  length(tool: number): readonly [number, string] {
    const register = solve(this.document).registers.find(({ address }) => address === `H${tool}`)
    return [(register?.value ?? NaN) / 1e6, register?.state ?? 'missing']
  }

  register(address: string) {
    return solve(this.document).registers.find((one) => one.address === address)
  }
}

describe('a re-base', () => {
  // The vise was set down 0.7 lower before anybody said so.
  test('does not take for “before” a check of reused lengths that disagreed', () => {
    const stream = new Stream()
    stream.reuse(1, '-220.000', 'earlier', true)
    stream.reuse(2, '-180.000')
    stream.reuse(3, '-200.000')
    stream.touch(1, '-220.700')
    expect(stream.length(2)).toEqual([-230, 'stale'])
    stream.happens({ kind: 'plane-moved' })
    stream.touch(1, '-220.700')
    stream.happens({ kind: 'rebased', tool: 1 })
    // Nobody knows which of the touches before the event were made before the move: they are touched again.
    expect(stream.length(1)).toEqual([-270.7, 'read'])
    expect(stream.length(2)[1]).toBe('stale')
    expect(stream.length(3)[1]).toBe('stale')
    const { stale } = stream.register('H2') ?? {}
    expect(stale && describeStale(stale, [])).toBe('the setting plane or its setter was moved')
  })

  test.each([['touched again'], [undefined]])(
    'does not take for “before” a repeat after a knock (replaced because: %s)',
    (reason) => {
      const stream = new Stream()
      const first = stream.touch(1, '-220.000')
      stream.touch(2, '-180.000')
      stream.touch(1, '-220.700', reason === undefined ? {} : { supersedes: first, reason })
      stream.happens({ kind: 'plane-moved' })
      stream.touch(1, '-220.700')
      stream.happens({ kind: 'rebased', tool: 1 })
      expect(stream.length(2)[1]).toBe('stale')
    },
  )

  test.each([['misread'], ['tool re-gripped']])(
    'goes on over a touch that was replaced because: %s',
    (reason) => {
      const stream = new Stream()
      const first = stream.touch(1, '-202.000')
      stream.touch(2, '-180.000')
      stream.touch(1, '-220.000', { supersedes: first, reason })
      stream.happens({ kind: 'plane-moved' })
      stream.touch(1, '-220.700')
      stream.happens({ kind: 'rebased', tool: 1 })
      expect(stream.length(2)).toEqual([-230.7, 'read'])
    },
  )

  test('goes on over repeats that agree, and over a tool that was changed between, as was said', () => {
    const stream = new Stream()
    stream.touch(1, '-220.000')
    stream.touch(2, '-180.000')
    stream.touch(1, '-220.004')
    stream.happens({ kind: 'tool-changed', tool: 1 })
    stream.touch(1, '-215.000')
    stream.happens({ kind: 'plane-moved' })
    stream.touch(1, '-215.400')
    stream.happens({ kind: 'rebased', tool: 1 })
    expect(stream.length(2)).toEqual([-230.4, 'read'])
  })

  test('carries over what was made where its own touch was made, and nothing of another move', () => {
    const stream = new Stream()
    stream.touch(2, '-180.000')
    stream.happens({ kind: 'plane-moved' })
    // 0.4 lower now.
    stream.touch(1, '-220.400')
    stream.touch(3, '-200.400')
    stream.happens({ kind: 'plane-moved' })
    // 0.3 lower again.
    stream.touch(1, '-220.700')
    stream.happens({ kind: 'rebased', tool: 1 })
    expect(stream.length(3)).toEqual([-250.7, 'read'])
    expect(stream.length(2)[1]).toBe('stale')
  })

  test('carries over nothing that was made between the two moves that its own touches tell together', () => {
    const stream = new Stream()
    stream.touch(1, '-220.000')
    stream.touch(2, '-180.000')
    stream.happens({ kind: 'plane-moved' })
    stream.touch(3, '-200.400')
    stream.happens({ kind: 'plane-moved' })
    stream.touch(1, '-220.700')
    stream.happens({ kind: 'rebased', tool: 1 })
    expect(stream.length(2)).toEqual([-230.7, 'read'])
    expect(stream.length(3)[1]).toBe('stale')
  })

  test('after a re-base carries over both moves, one after the other', () => {
    const stream = new Stream()
    stream.touch(1, '-220.000')
    stream.touch(2, '-180.000')
    stream.happens({ kind: 'plane-moved' })
    stream.touch(1, '-220.400')
    stream.touch(3, '-200.400')
    stream.happens({ kind: 'rebased', tool: 1 })
    stream.happens({ kind: 'plane-moved' })
    stream.touch(3, '-200.700')
    stream.happens({ kind: 'rebased', tool: 3 })
    expect(stream.length(1)[0]).toBeCloseTo(-270.7, 9)
    expect(stream.length(2)).toEqual([-230.7, 'read'])
  })

  test('does not carry over what was reused from a set-up that nothing ties to its own touches', () => {
    const told = (ties: boolean) => {
      const stream = new Stream()
      stream.reuse(1, '-220.000', 'Monday')
      stream.reuse(2, '-180.000', 'Tuesday')
      stream.reuse(3, '-200.000', 'Monday')
      if (ties) {
        stream.touch(1, '-220.003')
        stream.touch(2, '-180.002')
      }
      stream.happens({ kind: 'plane-moved' })
      stream.touch(1, '-220.700')
      stream.happens({ kind: 'rebased', tool: 1 })
      return stream
    }
    expect(told(false).length(3)).toEqual([-250.7, 'read'])
    expect(told(false).length(2)[1]).toBe('stale')
    // Touched here and in both, and agreeing: all three lay on one plane.
    expect(told(true).length(2)[1]).toBe('read')
    // Nor where the shop knows that nothing moved the plane between the two.
    const known = new Stream()
    known.reuse(1, '-220.000', 'Monday', false, 'until Friday')
    known.reuse(2, '-180.000', 'Tuesday', false, 'until Friday')
    known.happens({ kind: 'plane-moved' })
    known.touch(1, '-220.700')
    known.happens({ kind: 'rebased', tool: 1 })
    expect(known.length(2)).toEqual([-230.7, 'read'])
  })
})

describe('a reading of a device that had not heard of what moved', () => {
  /** T1 is touched before; the plane is moved 0.7 down; T2’s touch comes later, from a device that knew 2 facts. */
  const late = (beside: Beside) => {
    const stream = new Stream()
    stream.touch(1, '-220.000', {}, { device: 'phone' })
    const moved = stream.happens({ kind: 'plane-moved' }, { device: 'phone', seen: 2 })
    const reading = stream.touch(2, '-180.000', {}, beside)
    return { stream, moved, reading }
  }

  test('is stale until somebody says which came first', () => {
    const { stream, moved, reading } = late({ by: JORY, seen: 2, device: 'tablet' })
    expect(stream.length(2)).toEqual([-230, 'stale'])
    const { stale } = stream.register('H2') ?? {}
    expect(stale).toMatchObject({ by: 'order', reading, event: { id: moved } })
    expect(stale && describeStale(stale, [])).toContain('did not know of that')
    const open = stepsOf(stream.document, solve(stream.document), false).find(
      ({ step }) => step.key === 'tip-on-plane:T2',
    )
    expect(open).toMatchObject({ done: false, trust: 'stale' })
    stream.happens({ kind: 'order-told', reading, event: moved, first: 'event' })
    expect(stream.length(2)).toEqual([-230, 'read'])
  })

  test('and what was made before it no longer holds, as somebody says', () => {
    const { stream, moved, reading } = late({ by: JORY, seen: 2, device: 'tablet' })
    stream.happens({ kind: 'order-told', reading, event: moved, first: 'reading' })
    expect(stream.register('H2')?.stale).toMatchObject({ by: 'event', event: { id: moved } })
    // It was on the plane as it was: a tool that was touched on both carries it over.
    stream.touch(1, '-220.700')
    stream.happens({ kind: 'rebased', tool: 1 })
    expect(stream.length(2)).toEqual([-230.7, 'read'])
  })

  test('is as good as any where the device knew, or was the one that told it', () => {
    expect(late({ by: JORY, seen: 3, device: 'tablet' }).stream.length(2)[1]).toBe('read')
    expect(late({ seen: 2, device: 'phone' }).stream.length(2)[1]).toBe('read')
    // One person on two devices does not know what the other one holds.
    expect(late({ seen: 2, device: 'tablet' }).stream.length(2)[1]).toBe('stale')
  })

  test('the same where the news itself comes late, from a device that had not heard of the reading', () => {
    const stream = new Stream()
    const reading = stream.touch(2, '-180.000', {}, { device: 'phone', seen: 1 })
    const moved = stream.happens({ kind: 'plane-moved' }, { by: JORY, device: 'tablet', seen: 1 })
    expect(stream.register('H2')?.stale).toMatchObject({ by: 'order' })
    stream.happens({ kind: 'order-told', reading, event: moved, first: 'event' })
    expect(stream.length(2)).toEqual([-230, 'read'])
  })

  test('gives way to a touch that surely was made after it', () => {
    const { stream } = late({ by: JORY, seen: 2, device: 'tablet' })
    stream.touch(2, '-180.700')
    expect(stream.length(2)).toEqual([-230.7, 'read'])
  })

  test('nose and tip of one such device cancel among each other only when their order to the move is known', () => {
    const stream = new Stream({ school: 'gauge-line' })
    const moved = stream.happens({ kind: 'plane-moved' }, { device: 'phone' })
    const away = { by: JORY, seen: 1, device: 'tablet' }
    const nose = { of: 'nose-on-plane', read: mm('-300.000'), with: ['setter'] }
    const readings = [stream.tell('reading', nose, away), stream.touch(1, '-220.000', {}, away)]
    expect(stream.length(1)[1]).toBe('stale')
    for (const reading of readings)
      stream.happens({ kind: 'order-told', reading, event: moved, first: 'reading' })
    // Both were made before it: the plane cancels.
    expect(stream.length(1)).toEqual([80, 'read'])
  })

  test.each<[string, EventBody]>([
    ['a tool that was changed', { kind: 'tool-changed', tool: 2 }],
    ['a home that was lost', { kind: 'home-lost' }],
    ['a gauge that failed', { kind: 'check-failed', gauge: 'setter' }],
    [
      'a gauge that is another size from now on',
      { kind: 'gauge-measured', gauge: 'setter', size: mm('50.2'), since: 'now' },
    ],
    ['a cycle that counts from another tool', { kind: 'cycle-broken', gauge: 'setter' }],
    [
      'a home found again',
      { kind: 'home-recovered', shift: { X: mm('0'), Y: mm('0'), Z: mm('0.3') } },
    ],
  ])('holds for %s', (_, body) => {
    const stream = new Stream()
    stream.happens(body, { device: 'phone' })
    stream.touch(2, '-180.000', {}, { by: JORY, seen: 1, device: 'tablet' })
    expect(stream.length(2)[1]).toBe('stale')
  })

  test('what has nothing to do with it is not asked for', () => {
    const stream = new Stream()
    stream.happens({ kind: 'tool-changed', tool: 1 }, { device: 'phone' })
    stream.touch(2, '-180.000', {}, { by: JORY, seen: 1, device: 'tablet' })
    expect(stream.length(2)[1]).toBe('read')
  })
})

describe('what a device had not heard of it does not prove', () => {
  test('a proof says nothing of a number that was keyed meanwhile', () => {
    const stream = new Stream()
    const proof = { row: 'G54', tool: 1, clearance: mm('10'), gap: mm('10'), overZero: true }
    const proven = (beside: Beside) => {
      const one = new Stream()
      for (const body of [
        { of: 'face', row: 'G54', face: 'left', read: mm('-412.300'), with: ['finder'] },
        { of: 'face', row: 'G54', face: 'front', read: mm('-255.000'), with: ['finder'] },
        {
          of: 'carried-difference',
          row: 'G54',
          zeroedOn: 'plane',
          withOnPlane: [],
          read: mm('-30'),
          with: [],
        },
      ])
        one.tell('reading', body)
      one.touch(1, '-220.000')
      for (const [address, text] of [
        ['G54.X', '-347.300'],
        ['G54.Y', '-210.000'],
        ['G54.Z', '-30.000'],
        ['H1', '-270.000'],
      ] as const)
        one.tell('read-back', { address, moment: 'after', shown: mm(text) })
      one.tell('proof', proof, beside)
      return one.register('H1')?.state
    }
    expect(stream.document.length).toBe(1)
    expect(proven({})).toBe('proven')
    expect(proven({ by: JORY, device: 'tablet', seen: 9 })).toBe('proven')
    // It watched a move before H1 was keyed.
    expect(proven({ by: JORY, device: 'tablet', seen: 8 })).toBe('keyed')
  })

  test('a home that was seen to by somebody who had not heard that it was lost is asked for anew', () => {
    const homeIsDone = (beside: Beside) => {
      const stream = new Stream()
      stream.happens({ kind: 'home-lost' }, { device: 'phone' })
      stream.tell('check-off', { of: 'home' }, beside)
      return stepsOf(stream.document, solve(stream.document), false).find(
        ({ step }) => step.does === 'check' && step.check === 'home',
      )?.done
    }
    expect(homeIsDone({ by: JORY, device: 'tablet', seen: 2 })).toBe(true)
    expect(homeIsDone({ by: JORY, device: 'tablet', seen: 1 })).toBe(false)
  })
})

describe('a key-in that is told again', () => {
  const adding = () => {
    const { machine } = workedSheet()
    const control = { ...machine.control, lengthKey: 'add', workOffsetKey: 'add' } as const
    return new Stream({ machine: { ...machine, control } })
  }
  const shown = (stream: Stream, text: string, moment: 'before' | 'after' = 'after') =>
    stream.tell('read-back', { address: 'H1', moment, shown: mm(text) })
  const keyed = (stream: Stream, typed: string) =>
    stream.tell('key-in', { address: 'H1', mode: 'add', typed: mm(typed) })
  const types = (stream: Stream) => stream.register('H1')?.keyIn?.type

  test('adds the difference from what the row shows now, after a disagreement', () => {
    const stream = adding()
    stream.touch(1, '43.9915')
    // H1 should be −6.0085, and a sign was turned: 6.0085 stands there.
    shown(stream, '0.000', 'before')
    expect(types(stream)).toBe('-6.009')
    keyed(stream, '6.009')
    shown(stream, '6.009')
    expect(types(stream)).toBe('-12.018')
    expect(stream.register('H1')?.keyIn?.before).toBe(6_009_000)
  })

  test('tells what was keyed, and not nothing, once the row shows what it should', () => {
    const stream = adding()
    stream.touch(1, '-220.000')
    shown(stream, '-113.000', 'before')
    keyed(stream, '-157.000')
    shown(stream, '-270.000')
    expect(stream.register('H1')).toMatchObject({ state: 'keyed', keyIn: { type: '-157.000' } })
  })

  test('after the number changed adds what is missing to what was keyed before', () => {
    const stream = adding()
    const first = stream.touch(1, '-220.000')
    shown(stream, '0', 'before')
    keyed(stream, '-270.000')
    shown(stream, '-270.000')
    stream.touch(1, '-220.025', { supersedes: first, reason: 'misread' })
    expect(types(stream)).toBe('-0.025')
  })

  test('asks for a look where the row may have changed since it was seen', () => {
    const stream = adding()
    stream.touch(1, '-220.000')
    shown(stream, '0', 'before')
    keyed(stream, '-270.000')
    // The power went before it was read back.
    expect(types(stream)).toBeUndefined()
    shown(stream, '-270.000', 'before')
    expect(types(stream)).toBe('0.000')
    const switched = adding()
    switched.touch(1, '-220.000')
    shown(switched, '0', 'before')
    switched.happens({ kind: 'unit-changed' })
    expect(types(switched)).toBeUndefined()
  })
})

test('a stream of a test is made of readings as they are kept', () => {
  const stream = new Stream()
  stream.touch(1, '-220.000', {}, { device: 'phone', seen: 1 })
  const [reading] = stream.document.readings as readonly [Reading]
  expect(reading).toMatchObject({ device: 'phone', seen: 1, place: 1 })
})
