import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import type { SetupFact } from '@pine/core/facts'
import { QueueTimeout } from '../src/use-cases/facts/keyed-queue'
import { LoadedSetup } from '../src/use-cases/facts/set-up-streams'
import { setupThreads, type SetupThreads } from '../src/work/setup-threads'
import { workHere, type SetupWork } from '../src/work/setup-work'
import { mm, sheetOf } from './sheets'

// Large set-ups are worked out in threads: what comes back is what would have been worked out here, and meanwhile everybody
// else is answered.

const asked = { now: '2026-03-02T10:00:00.000Z', policy: { maxAgeDays: 30 } }
const by = { id: '0190f1c8-0000-7000-8000-000000000001', name: 'Mira Toller' }

/** A set-up whose tools were all touched, one of them read back wrong. */
function setupOf(tools: number): LoadedSetup {
  const sheet = sheetOf(...Array.from({ length: tools }, (_, index) => index + 1))
  const at = '2026-03-02T08:00:00.000Z'
  const fact = (id: string, kind: string, body: object) =>
    ({ id, kind, by, at, via: 'typed', body }) as unknown as SetupFact
  const facts = [
    fact('sheet', 'sheet', sheet),
    ...sheet.tools.map(({ number }) =>
      fact(`touch-${number}`, 'reading', {
        of: 'tip-on-plane',
        tool: number,
        read: mm(`-${200 + number / 10}`),
        with: [],
      }),
    ),
    fact('moved', 'event', { kind: 'plane-moved' }),
    fact('seen', 'read-back', { address: 'H1', moment: 'after', shown: mm('1.000') }),
  ]
  return new LoadedSetup({ id: 'large', createdBy: by, createdAt: new Date(at) }, facts)
}

const started: SetupThreads[] = []
function threads(waiting?: number): SetupWork {
  const root = join(__dirname, '../..')
  const made = setupThreads(
    pathToFileURL(join(root, 'server/src/work/setup-thread.ts')).href,
    // As npm start loads the server.
    {
      execArgv: ['--import', pathToFileURL(join(root, 'node_modules/tsx/dist/loader.mjs')).href],
      ...(waiting !== undefined && { waiting }),
    },
  )
  started.push(made)
  return made.work
}
afterAll(() => Promise.all(started.map((one) => one.close())))

const WORKS = ['weighed', 'summary', 'solution', 'toFreeze', 'steps'] as const

test('a thread gives what would have been worked out here, each kind of it', async () => {
  const [work, large] = [threads(), setupOf(150)]
  for (const name of WORKS) {
    const here = await workHere[name](large, asked)
    expect([name, await work[name](large, asked)]).toEqual([name, here])
  }
  // It is not of nothing: the touches are stale, and what was read back is wrong.
  expect((await work.summary(large, asked)).stepsDone).toBeGreaterThan(0)
  expect((await work.solution(large, asked)).registers).toHaveLength(153)
})

test('who asks for a small set-up is answered while a large one is worked out', async () => {
  const work = threads()
  const order: string[] = []
  await Promise.all([
    work.solution(setupOf(400), asked).then(() => order.push('large')),
    work.summary(setupOf(2), asked).then(() => order.push('small')),
  ])
  expect(order).toEqual(['small', 'large'])
})

test('of large set-ups only so many wait; whoever comes after them is told to come again', async () => {
  const work = threads(2)
  const large = setupOf(150)
  const outcomes = await Promise.allSettled(
    Array.from({ length: 12 }, () => work.summary(large, asked)),
  )
  const refused = outcomes.flatMap((one) => (one.status === 'rejected' ? [one.reason] : []))
  expect(outcomes.length - refused.length).toBeGreaterThanOrEqual(2)
  expect(refused.length).toBeGreaterThan(0)
  expect(refused.every((reason) => reason instanceof QueueTimeout)).toBe(true)
})
