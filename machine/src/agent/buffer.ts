import { isDeepEqual } from './equal'
import type { Value } from './observe'

/** Something that was told, and is told again to whoever asks from its number on. */
export interface Observation {
  readonly sequence: number
  readonly id: string
  /** ISO 8601. */
  readonly at: string
  readonly value: Value
}

/** The last changes of what is told, numbered. The oldest are forgotten; what stands now is always known. */
export class ObservationBuffer {
  private readonly kept: Observation[] = []
  private readonly latest = new Map<string, Observation>()
  private next = 1

  /** @param size how many changes are kept. */
  constructor(readonly size: number) {}

  get firstSequence(): number {
    return this.kept[0]?.sequence ?? this.next
  }

  get lastSequence(): number {
    return this.next - 1
  }

  get nextSequence(): number {
    return this.next
  }

  /** Takes over what is told now; only what has changed is numbered. @returns whether anything has. */
  put(values: ReadonlyMap<string, Value>, at: string): boolean {
    const before = this.next
    for (const [id, value] of values) {
      if (isDeepEqual(this.latest.get(id)?.value, value)) continue
      const observation = { sequence: this.next, id, at, value }
      this.next += 1
      this.latest.set(id, observation)
      this.kept.push(observation)
    }
    if (this.kept.length > this.size) this.kept.splice(0, this.kept.length - this.size)
    return this.next !== before
  }

  current(): readonly Observation[] {
    return [...this.latest.values()]
  }

  /** So many changes from a number on, the oldest first. */
  from(sequence: number, count: number): readonly Observation[] {
    const start = Math.max(0, sequence - this.firstSequence)
    return this.kept.slice(start, start + count)
  }
}
