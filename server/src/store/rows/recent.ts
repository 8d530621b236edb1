/**
 * Answers of the database that every request asks for, each asked once for all who want it within a moment. Whoever writes drops
 * them: in this process nothing is read that was so before a write that has ended. Another process's write is seen after the moment.
 */
export class Recent<T> {
  private readonly kept = new Map<string, { readonly until: number; readonly answer: Promise<T> }>()

  /**
   * @param moment milliseconds for which an answer is given again.
   * @param most keys that are kept at once.
   */
  constructor(
    private readonly moment: number,
    private readonly most: number,
  ) {}

  get(key: string, ask: () => Promise<T>): Promise<T> {
    const known = this.kept.get(key)
    if (known !== undefined && performance.now() < known.until) return known.answer
    const mine = { until: performance.now() + this.moment, answer: ask() }
    this.kept.delete(key)
    this.kept.set(key, mine)
    if (this.kept.size > this.most) this.kept.delete(this.kept.keys().next().value ?? '')
    // What failed is asked again by the next one.
    mine.answer.catch(() => this.kept.get(key) === mine && this.kept.delete(key))
    return mine.answer
  }

  drop(): void {
    this.kept.clear()
  }

  /** Drops what is known once a write has ended, also one that failed halfway. */
  async after<R>(write: Promise<R>): Promise<R> {
    try {
      return await write
    } finally {
      this.drop()
    }
  }
}
