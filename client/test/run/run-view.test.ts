import { keyingView, runView } from '@/areas/run/frame/run-view'
import { after, example, mm } from './set-ups'

const whole = example('whole-run')
/** The sheet and the five readings, nothing keyed. */
const read = example('whole-run', 6)

describe('which step a run shows', () => {
  test('that of the address; without one the first that is open; at the end the record', () => {
    expect(runView(read, 'key-in:G54.Z').current.step.key).toBe('key-in:G54.Z')
    expect(runView(read, undefined).current).toBe(read.next)
    expect(runView(read, 'no such step').current).toBe(read.next)
    expect(whole.next?.step.does).toBe('record')
    expect(runView(whole, undefined).current.step.does).toBe('record')
  })

  test('what it waits for: a proof for what is keyed, a keyed number for nothing that it does not count', () => {
    expect(runView(read, 'prove:G54:T1').waitsFor?.step.key).toBe('key-in:H1')
    expect(runView(read, 'key-in:H1').waitsFor).toBeUndefined()
    // Nothing is read yet: the number comes from its touch.
    const blank = example('whole-run', 1)
    expect(runView(blank, 'key-in:H1').waitsFor?.step.does).toBe('read')
    // The record tells by itself what is open, and what is done may be looked at.
    expect(runView(blank, 'record').waitsFor).toBeUndefined()
    expect(runView(read, 'sheet').waitsFor).toBeUndefined()
  })

  test('what is done may be looked at whatever was undone before it', () => {
    const moved = after(whole, { kind: 'event', body: { kind: 'home-lost' } })
    const done = moved.steps.find(({ step, done: isDone }) => step.does === 'check' && isDone)
    expect(runView(moved, done?.step.key).waitsFor).toBeUndefined()
  })
})

test('the head says where one is and what comes', () => {
  const view = runView(read, 'tip-on-plane:T1')
  expect(view.place).toBe('Lengths')
  expect(view.about).toMatch(/T1/)
  expect(runView(read, 'face:G54:front').place).toMatch(/ · 3 of 3$/)
  expect(runView(read, 'key-in:H1').about).toMatch(/^then /)
  expect(runView(read, 'record').about).toBe('')
})

test('after a step comes the next that is open, later the very next one', () => {
  const keyed = after(
    read,
    { kind: 'key-in', body: { address: 'G54.X', mode: 'set', typed: mm('-347.300') } },
    { kind: 'read-back', body: { address: 'G54.X', moment: 'after', shown: mm('-347.300') } },
  )
  const view = runView(keyed, 'key-in:H1')
  expect(view.later).toBe('key-in:G54.X')
  expect(view.following()).toBe('key-in:G54.Y')
  // Keyed in the same moment, the row is passed over.
  expect(view.following('G54.Y')).toBe('key-in:G54.Z')
})

test('a station is entered at what is open there, else at its first step', () => {
  const { entrance } = runView(read, undefined)
  expect(entrance('lengths')).toBe('tip-on-plane:T1')
  expect(entrance('key-in')).toBe('key-in:H1')
  const keyed = after(
    read,
    { kind: 'key-in', body: { address: 'H1', mode: 'set', typed: mm('-270.000') } },
    { kind: 'read-back', body: { address: 'H1', moment: 'after', shown: mm('-270.000') } },
  )
  expect(runView(keyed, undefined).entrance('key-in')).toBe('key-in:G54.X')
})

test('when numbers are keyed is turned by a further version of the sheet', () => {
  const setup = example('whole-run')
  const { words, turned } = keyingView(setup)
  expect(words).toBe('Key numbers as they are known')
  const now = after(setup, turned)
  expect(now.document.sheet).toEqual({ ...setup.document.sheet, keying: 'as-known' })
  expect(now.steps.map(({ step }) => step.key)).toEqual(
    expect.arrayContaining(['key-in:H1', 'key-in:G54.X']),
  )
  const [at, before] = ['key-in:H1', 'tip-on-plane:T1'].map((key) =>
    now.steps.findIndex(({ step }) => step.key === key),
  )
  expect(at).toBe(before! + 1)
  expect(keyingView(now).turned.body).toMatchObject({ keying: 'together' })
})
