/** It was not its turn in time. */
export class QueueTimeout extends Error {}

/**
 * Work on the same thing, one after the other: whoever waits here holds no connection, so that one thing that is locked
 * stalls nobody who wants another.
 */
export class KeyedQueue {
  private readonly last = new Map<string, Promise<unknown>>()

  /** @param longest milliseconds that somebody waits for a turn. */
  constructor(private readonly longest: number) {}

  /** @throws QueueTimeout where the turn came too late for whoever asked. */
  async run<T>(key: string, work: () => Promise<T>): Promise<T> {
    const queuedAt = performance.now()
    const before = this.last.get(key) ?? Promise.resolve()
    const mine = before.then(() => {
      if (performance.now() - queuedAt > this.longest)
        throw new QueueTimeout('its turn came too late')
      return work()
    })
    const settled = mine.catch(() => undefined)
    this.last.set(key, settled)
    try {
      return await mine
    } finally {
      if (this.last.get(key) === settled) this.last.delete(key)
    }
  }
}
