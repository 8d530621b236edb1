import { spaced, changesInWords } from '@/areas/people/people-view'

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

test('a code is read out in two groups', () => {
  expect(spaced('TG84NFZ9')).toBe('TG84 NFZ9')
})
