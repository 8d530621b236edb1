import { appendFact, type SetupFact } from '@pine/core/facts'
import { conflictViews } from '@/areas/run/frame/banners/conflict-view'
import { keyInView, type Pressed } from '@/areas/run/key-in/key-in-view'
import { standing, type LoadedSetup } from '@/data/setup/standing'
import { after, BEN, example, MIRA, mm, NOW, registerAt } from './set-ups'

// The worked example, all of it read: five facts after its sheet. Ben's tablet is away and has seen none of what follows.

const sheet = example('setting-plane', 1)
const base = example('setting-plane')

/** A fact as the server has it from one of two devices. */
const from = (
  setup: LoadedSetup,
  author: typeof MIRA,
  device: string,
  seen: number,
  said: object,
): LoadedSetup =>
  standing(
    appendFact(setup.document, {
      ...{ id: `${device}-${setup.document.length}`, by: author, device, seen, at: NOW },
      ...{ via: 'typed', ...said },
    } as SetupFact),
    NOW,
  )

const tip = {
  kind: 'reading',
  body: { of: 'tip-on-plane', tool: 1, read: mm('-220.000'), with: ['setter'] },
}
const moved = { kind: 'event', body: { kind: 'plane-moved' } }

test('while all know of each other there is nothing to be told', () => {
  expect(conflictViews(base)).toEqual([])
  expect(conflictViews(after(base, { kind: 'event', body: { kind: 'plane-moved' } }))).toEqual([])
})

test('which came first is asked in plain words, and what is pressed answers it', () => {
  const both = from(from(sheet, MIRA, 'phone', 1, moved), BEN, 'tablet', 1, tip)
  const [asked, ...others] = conflictViews(both)
  expect(others).toEqual([])
  expect(asked).toMatchObject({
    title: 'Which came first?',
    lines: [
      expect.stringMatching(/T1.*−220\.000 mm, read by Ben Okafor\.$/),
      'The setting plane or its setter was moved, told by Mira Toller.',
    ],
  })
  expect(asked?.putAway).toBeUndefined()
  const stateAfter = (index: number) => {
    const says = asked?.answers[index]?.draft
    const answered = after(both, says!)
    expect(conflictViews(answered)).toEqual([])
    return registerAt(answered, 'H1').stale?.by
  }
  expect(asked?.answers.map(({ label }) => label)).toEqual(['The reading', 'The change'])
  expect(stateAfter(0)).toBe('event')
  expect(stateAfter(1)).toBeUndefined()
})

test('a register that was keyed on two devices is told with the way to it, and put away once seen', () => {
  const { length } = base.document
  const keyed = (text: string) => ({
    kind: 'read-back',
    body: { address: 'H1', moment: 'after', shown: mm(text) },
  })
  const crossed = from(
    from(base, MIRA, 'phone', length, keyed('-271.000')),
    BEN,
    'tablet',
    length,
    keyed('-270.000'),
  )
  expect(conflictViews(crossed)).toMatchObject([
    {
      title: 'H1 was keyed on two devices',
      answers: [{ label: 'Check H1', leadsTo: 'H1' }],
      putAway: 'Seen',
    },
  ])
  // Read back once more by somebody who knows of both, it is over.
  expect(conflictViews(after(crossed, keyed('-270.000') as never))).toEqual([])
})

test('read back again while it shows what it should, nothing is told to be typed', () => {
  const machine = {
    ...base.document.sheet.machine,
    control: { ...base.document.sheet.machine.control, lengthKey: 'add' as const },
  }
  const adding = example('setting-plane', undefined, { machine })
  const shows = (text: string, moment: 'before' | 'after') =>
    ({ kind: 'read-back', body: { address: 'H1', moment, shown: mm(text) } }) as const
  const keyed = after(adding, shows('0.000', 'before'), shows('-270.000', 'after'))
  const view = (pressed: Pressed = {}) => keyInView(keyed, registerAt(keyed, 'H1'), pressed)
  // A key that adds would add it once more: neither who comes back to it is told to, nor who looks at the row again.
  expect(view()).toMatchObject({ beneath: { of: 'equal' }, change: '0.000 → −270.000 mm' })
  expect(view()?.type).toBeUndefined()
  expect(view()?.key).toBeUndefined()
  const look = view({ again: 'look' })
  expect(look).toMatchObject({ beneath: { of: 'ask', moment: 'after' } })
  expect(look?.type).toBeUndefined()
  expect(look?.key).toBeUndefined()
  // After a turned sign it counts from what stands there.
  const turned = after(adding, shows('0.000', 'before'), shows('270.000', 'after'))
  const looked = keyInView(turned, registerAt(turned, 'H1'))
  // Looked at, it is not told yet: whoever keyed by it there and once more by the next screen would add it twice.
  expect(looked).toMatchObject({ beneath: { of: 'mismatch' }, change: '270.000 → −270.000 mm' })
  expect(looked?.type).toBeUndefined()
  expect(keyInView(turned, registerAt(turned, 'H1'), { again: 'key' })).toMatchObject({
    type: '−540.000',
    row: '270.000 mm',
    change: '270.000 → −270.000 mm',
  })
})
