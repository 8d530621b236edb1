import { logDays, logQueryOf, pathOf, type ShopLogLine } from '@/areas/log/shop-log-view'

const ALL = { person: 'all', machine: 'all', register: '', day: '' }

test('what is chosen and typed narrows the log; a day is the whole of it, where the person is', () => {
  expect(logQueryOf(ALL, {})).toEqual({})
  expect(logQueryOf({ ...ALL, person: 'p', machine: 'm' }, { tool: 't' })).toEqual({
    ...{ tool: 't', person: 'p', machine: 'm' },
  })
  for (const [typed, register] of [
    ['g54 z', 'G54.Z'],
    [' G54.X ', 'G54.X'],
    ['h3', 'H3'],
    ['G54.1 P2 Y', 'G54.1 P2.Y'],
  ])
    expect(logQueryOf({ ...ALL, register: typed! }, {})).toEqual({ register })
  const day = logQueryOf({ ...ALL, day: '2026-11-30' }, {})
  expect(day).toEqual({
    from: new Date(2026, 10, 30).toISOString(),
    to: new Date(2026, 11, 1).toISOString(),
  })
  expect(logQueryOf({ ...ALL, day: '2026-11' }, {})).toBeUndefined()
  expect(logQueryOf({ ...ALL, day: '2026-13-01' }, {})).toBeUndefined()
})

test('lines stand by day, and each leads to what it is of', () => {
  const line = (id: string, at: string) => ({ id, at, by: '', words: '', tells: 'other' }) as never
  const now = new Date(2026, 10, 30, 18)
  const days = logDays(
    [
      line('c', new Date(2026, 10, 30, 14).toISOString()),
      line('b', new Date(2026, 10, 30, 9).toISOString()),
      line('a', new Date(2026, 10, 29, 9).toISOString()),
    ],
    now,
  )
  expect(days.map(({ day, lines }) => [day, lines.length])).toEqual([
    ['today', 2],
    ['yesterday', 1],
  ])
  const to = (kind: ShopLogLine['stream']['kind']) => pathOf({ kind, id: 'x', name: '' }).pathname
  expect([to('setup'), to('machine'), to('gauge'), to('tool')]).toEqual([
    ...['/setups/[id]', '/machines/[id]', '/gauges/[id]', '/tools/[id]'],
  ])
})
