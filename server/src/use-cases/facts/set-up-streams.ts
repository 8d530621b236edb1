import { appendFact, foldSetup, type SetupDocument, type SetupFact } from '@pine/core/facts'
import type { AssemblyUse } from '@pine/core/running'
import type { FactRow } from '../../store/rows/fact-row'
import type { Store, StreamHead } from '../../store/store'

/** A set-up as it stands after its facts, with where it comes from. */
export class LoadedSetup implements StreamHead {
  constructor(
    private readonly head: StreamHead,
    readonly facts: readonly SetupFact[],
    private folded?: SetupDocument,
    private summary: ReadonlyMap<string, string> = new Map(),
  ) {}

  get id() {
    return this.head.id
  }
  get createdBy() {
    return this.head.createdBy
  }
  get createdAt() {
    return this.head.createdAt
  }

  /** Folded when it is first asked for: who only reads the facts needs none. */
  get document(): SetupDocument {
    this.folded ??= foldSetup({ id: this.id, facts: this.facts })
    return this.folded
  }

  /** The same with the facts that come after. */
  withFacts(added: readonly SetupFact[]): LoadedSetup {
    const folded = this.folded && added.reduce(appendFact, this.folded)
    return new LoadedSetup(this.head, [...this.facts, ...added], folded, this.summary)
  }

  /**
   * What it tells of the shop's own tools that it did not before, to be written with the fact that it has grown by; undefined for
   * nothing new. What it told before it was opened here is not known: then all is new.
   */
  changedUses(uses: readonly AssemblyUse[]): readonly AssemblyUse[] | undefined {
    const before = this.summary
    this.summary = new Map(uses.map((use) => [use.assembly, JSON.stringify(use)]))
    const anew = uses.filter(({ assembly }) => this.summary.get(assembly) !== before.get(assembly))
    return anew.length > 0 ? anew : undefined
  }
}

/** Set-ups that were opened lately, of every shop that this process serves; those that were used last are the last to go. */
export class SetupCache {
  private readonly held = new Map<string, LoadedSetup>()
  private factCount = 0

  /** @param mostFacts of all that are at hand, about a kilobyte each. */
  constructor(private readonly mostFacts = 60_000) {}

  get(key: string): LoadedSetup | undefined {
    return this.held.get(key)
  }

  keep(key: string, standing: LoadedSetup): void {
    this.letGo(key)
    this.held.set(key, standing)
    this.factCount += standing.facts.length
    for (const longest of this.held.keys()) {
      if (this.factCount <= this.mostFacts || longest === key) break
      this.letGo(longest)
    }
  }

  private letGo(key: string): void {
    this.factCount -= this.held.get(key)?.facts.length ?? 0
    this.held.delete(key)
  }
}

/**
 * The set-ups of a shop, those at hand that were opened lately, so that one more fact does not cost reading all of them again.
 * Facts are only ever appended: what is held stays true, and what came since is read from its place on, whichever process wrote it.
 */
export class SetupStreams {
  constructor(
    private readonly store: Store,
    private readonly cache: SetupCache = new SetupCache(),
  ) {}

  /** What is known of a set-up without asking. */
  known(id: string): LoadedSetup | undefined {
    return this.cache.get(this.keyOf(id))
  }

  /** A set-up with every fact that stands now. */
  async open(id: string): Promise<LoadedSetup | undefined> {
    const known = this.known(id)
    if (known !== undefined) {
      const since = await this.store.factsFrom(id, known.facts.length)
      return this.hold(since.length === 0 ? known : known.withFacts(since.map(factOf)))
    }
    const summary = await this.store.setupJson(id)
    if (summary === undefined) return undefined
    // Bodies were checked by the contract when they were written.
    return this.hold(new LoadedSetup(summary.head, JSON.parse(summary.facts) as SetupFact[]))
  }

  /** Keeps a set-up at hand, unless more of it is known already; gives it back. */
  hold(standing: LoadedSetup): LoadedSetup {
    const { id, facts } = standing
    // Another request may have read further meanwhile.
    if ((this.known(id)?.facts.length ?? 0) > facts.length) return standing
    this.cache.keep(this.keyOf(id), standing)
    return standing
  }

  /** Two shops may have brought the same set-up with them: one id, and each its own facts. */
  private keyOf(id: string): string {
    return `${this.store.shopId} ${id}`
  }
}

/** A fact as the file has it. Its body was checked by the contract when it was written. */
export const factOf = ({ id, kind, by, recordedAt, via, seen, device, body }: FactRow): SetupFact =>
  ({
    ...{ id, kind, by, at: recordedAt.toISOString(), via },
    ...(seen !== undefined && { seen }),
    ...(device !== undefined && { device }),
    body,
  }) as SetupFact
