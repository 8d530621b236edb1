import { homeAgainView, inForceView } from '@/areas/run/ready/home-again-view'
import { after, example, mm } from './set-ups'

const lost = after(example('whole-run'), { kind: 'event', body: { kind: 'home-lost' } })

test('after a loss each axis has a place to compare; what is typed is told, and enters what was found', () => {
  const asked = homeAgainView(lost, {})
  expect(asked?.places.map(({ axis }) => axis)).toEqual(['X', 'Y', 'Z'])
  expect(asked).toMatchObject({
    ...{ lines: [], next: 'Home only' },
    facts: [{ kind: 'check-off', body: { of: 'home' } }],
  })
  expect(inForceView(lost)?.registers.every(({ state }) => state === 'proven')).toBe(true)
  const [X] = asked!.places
  const now = Number(X!.was.replace('\u2212', '-')) + 0.01
  const typed = homeAgainView(lost, { X: mm(now.toFixed(3)) })
  expect(typed?.lines).toEqual([
    { axis: 'X', wrong: false, words: expect.stringContaining('shows 0.010 mm more than before') },
  ])
  expect(typed?.next).toBe('Home, compared')
  expect(typed?.facts.map(({ kind }) => kind)).toEqual(['event', 'check-off'])
  // Home first, then everything along X shifts by it and is read back and proven anew; Y is touched again.
  const found = after(lost, ...(typed?.facts ?? []))
  const register = (address: string) =>
    found.solution.registers.find((one) => one.address === address)
  expect([register('G54.X')?.state, register('G54.Y')?.state]).toEqual(['read', 'stale'])
  const open = found.steps.filter(({ done }) => !done).map(({ step }) => step.key)
  expect(open).toEqual(expect.arrayContaining(['key-in:G54.X', 'prove:G54:T1']))
  expect(open).not.toContain('home')
})

test('a lost sign carries nothing over: home is then one with nothing compared', () => {
  const [X] = homeAgainView(lost, {})!.places
  const turned = homeAgainView(lost, { X: mm(X!.was.replace('\u2212', '')) })
  expect(turned?.lines).toEqual([
    { axis: 'X', wrong: true, words: expect.stringContaining('Look at the sign') },
  ])
  expect(turned).toMatchObject({ next: 'Home only', facts: [{ kind: 'check-off' }] })
})

test('where nothing was lost there is nothing to compare', () => {
  expect(homeAgainView(example('whole-run'), {})).toBeUndefined()
})

test('what the marks say goes before: the facts keep them, and an axis that is left empty goes by its dial', () => {
  const marks = { X: { dial: mm('1.2') }, Y: { dial: mm('0.4') } }
  const found = { marks, shift: { X: mm('0.200000'), Y: mm('0.000000') } }
  const asked = homeAgainView(lost, {}, found)
  expect(asked).toMatchObject({
    ...{ sentence: 'Touch one known place for each axis.', next: 'Go by the dials', lines: [] },
    facts: [
      { kind: 'event', body: { kind: 'home-recovered', shift: found.shift } },
      { kind: 'check-off', body: { of: 'home', marks } },
    ],
  })
  expect(asked?.points.at(-1)).toBe(
    'An axis that is left empty goes by its dial; one without a dial has a new zero: all that was read along it is touched again.',
  )
  const now = Number(asked!.places[0]!.was.replace('\u2212', '-')) + 0.18
  const typed = homeAgainView(lost, { X: mm(now.toFixed(3)) }, found)
  expect(typed).toMatchObject({
    next: 'Home, compared',
    lines: [{ axis: 'X', wrong: false, words: expect.stringContaining('less than the dial says') }],
    facts: [{ body: { shift: { X: mm('0.180000'), Y: mm('0.000000') } } }, {}],
  })
})
