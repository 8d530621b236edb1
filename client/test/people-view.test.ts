import { spaced, changesInWords, memberState } from '@/areas/people/people-view'

test('what happened to a person is told with who did it, the latest first', () => {
  const told = changesInWords({
    id: 'a',
    name: 'Vera Viewer',
    role: 'setter',
    leftAt: null,
    changes: [
      { change: { kind: 'joined', role: 'viewer' }, by: 'Mira Toller', at: '1' },
      { change: { kind: 'role', role: 'lead' }, by: 'Mira Toller', at: '2' },
      { change: { kind: 'new-pin' }, by: 'Vera Viewer', at: '3' },
      { change: { kind: 'left' }, by: 'Vera Viewer', at: '4' },
      { change: { kind: 'back' }, by: 'Mira Toller', at: '5' },
    ],
  })
  expect(told.map(({ words }) => words)).toEqual([
    'came back, by Mira Toller',
    'left',
    'got a new PIN',
    'became lead, by Mira Toller',
    'came as viewer, by Mira Toller',
  ])
})

test.each([
  ['setter', { role: 'setter', leftAt: null }],
  ['left', { role: 'setter', leftAt: '2026-03-02T08:00:00Z' }],
  [
    'program · viewer until 2 Mar 2027',
    { role: 'viewer', leftAt: null, program: { until: '2027-03-02T12:00:00Z' } },
  ],
  ['program · its token has run out', { role: 'viewer', leftAt: null, program: { until: null } }],
  [
    'program · its token was ended',
    { role: 'viewer', leftAt: '2026-03-02T08:00:00Z', program: { until: null } },
  ],
] as const)('“%s”', (words, member) => {
  expect(memberState({ id: 'a', name: 'A', changes: [], ...member })).toBe(words)
})

test('a code is read out in two groups', () => {
  expect(spaced('TG84NFZ9')).toBe('TG84 NFZ9')
})
