import { QueueTimeout } from './facts/keyed-queue'

/** Runs heavy work a few at a time; of what waits behind it only so much, and no longer than that. */
export class FewAtATime {
  private running = 0
  private readonly waiting: (() => void)[] = []

  /**
   * @param most that run at once.
   * @param longest how many wait at most: who comes after them is told to come again.
   */
  constructor(
    private readonly most: number,
    private readonly longest: number,
  ) {}

  /** @throws QueueTimeout where too many wait already. */
  async run<T>(work: () => Promise<T>): Promise<T> {
    if (this.running >= this.most) {
      if (this.waiting.length >= this.longest)
        throw new QueueTimeout(`${this.longest} wait already`)
      // Whoever ends hands on the turn: nobody who comes in between takes it.
      await new Promise<void>((resolve) => this.waiting.push(resolve))
    } else this.running += 1
    try {
      return await work()
    } finally {
      const next = this.waiting.shift()
      if (next === undefined) this.running -= 1
      else next()
    }
  }
}
