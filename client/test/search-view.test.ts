import type { SetupSummary } from '@pine/contract'
import { byMachine } from '@/areas/setups/list-view'
import { foundGroups } from '@/areas/setups/search-view'

const ID = '019aaaaa-0000-7000-8000-0000deadbeef'

test('what is found stands by its kind, each with its page; set-ups are the list’s own', () => {
  const found = (['gauge', 'setup', 'tool', 'machine', 'program'] as const).map((kind) => ({
    ...{ kind, id: ID, name: `the ${kind}`, about: 'T4' },
  }))
  expect(foundGroups(found).map(({ title, lines }) => [title, lines[0]!.href])).toEqual([
    ['Tools', `/tools/${ID}`],
    ['Gauges', `/gauges/${ID}`],
    ['Programs', `/setups/program?id=${ID}`],
    ['Machines', `/machines/${ID}`],
  ])
  expect(foundGroups(undefined)).toEqual([])
})

test('set-ups stand by their machine, in the order in which they came', () => {
  const setup = (id: string, machine: string) => ({ id, machine }) as SetupSummary
  const all = [setup('a', 'Router'), setup('b', 'Mill 2'), setup('c', 'Router')]
  expect(
    byMachine(all).map(({ machine, setups }) => [machine, setups.map(({ id }) => id)]),
  ).toEqual([
    ['Router', ['a', 'c']],
    ['Mill 2', ['b']],
  ])
})
