import { KeyedQueue, QueueTimeout } from '../src/use-cases/facts/keyed-queue'

const after = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

test('work on one thing comes one after the other, in the order in which it was asked for', async () => {
  const turns = new KeyedQueue(10_000)
  const done: string[] = []
  const work = (name: string, ms: number) => async () => {
    done.push(`${name} begins`)
    await after(ms)
    done.push(`${name} ends`)
    return name
  }
  const all = [turns.run('a', work('first', 20)), turns.run('a', work('second', 1))]
  // Another thing waits for neither.
  expect(await turns.run('b', work('other', 1))).toBe('other')
  expect(done).not.toContain('first ends')
  expect(await Promise.all(all)).toEqual(['first', 'second'])
  expect(done.indexOf('second begins')).toBeGreaterThan(done.indexOf('first ends'))
})

test('work that fails fails alone', async () => {
  const turns = new KeyedQueue(10_000)
  const failing = turns.run('a', () => Promise.reject(new Error('no')))
  const next = turns.run('a', () => Promise.resolve('went on'))
  await expect(failing).rejects.toThrow('no')
  expect(await next).toBe('went on')
})

test('whose turn comes too late is told so, and its work is not begun', async () => {
  const turns = new KeyedQueue(20)
  const begun = jest.fn(() => Promise.resolve())
  const slow = turns.run('a', () => after(80))
  const late = turns.run('a', begun)
  await expect(late).rejects.toBeInstanceOf(QueueTimeout)
  await slow
  expect(begun).not.toHaveBeenCalled()
  expect(await turns.run('a', () => Promise.resolve('in time'))).toBe('in time')
})
