import { appendFact, foldSetup, type SetupDocument, type SetupFact } from '@pine/core/facts'
import type { FactRow, Store, StreamHead, StreamRow } from '../store/store'

/** A set-up as it stands, with where it comes from. */
export interface StandingSetup extends StreamHead {
  readonly document: SetupDocument
  readonly facts: readonly SetupFact[]
}

/**
 * Set-ups that were opened lately, so that one more fact does not cost reading all of them again. Facts are only ever
 * appended: what is held here stays true, and what came since is read from its place on, whichever process wrote it.
 */
export class SetupStreams {
  private readonly held = new Map<string, StandingSetup>()

  constructor(
    private readonly store: Store,
    private readonly most = 200,
  ) {}

  /** What is known of a set-up without asking. */
  known(id: string): StandingSetup | undefined {
    return this.held.get(id)
  }

  async open(id: string): Promise<StandingSetup | undefined> {
    const known = this.known(id)
    const stream = await this.store.stream('setup', id, known?.document.length)
    return stream && this.grown(known, stream)
  }

  /**
   * A set-up with what came since.
   *
   * @param stream its facts from the end of `known` on; all of them where nothing is known.
   */
  grown(known: StandingSetup | undefined, { facts: rows, ...head }: StreamRow): StandingSetup {
    const added = rows.map(factOf)
    const facts = known ? [...known.facts, ...added] : added
    const document = known
      ? added.reduce(appendFact, known.document)
      : foldSetup({ id: head.id, facts })
    const standing = { ...head, document, facts }
    this.hold(standing)
    return standing
  }

  /** Keeps a set-up at hand, unless more of it is known already. */
  hold(standing: StandingSetup): void {
    const { id, document } = standing
    // Another request may have read further meanwhile.
    if ((this.known(id)?.document.length ?? 0) > document.length) return
    // The one that was used last is the last to go.
    this.held.delete(id)
    this.held.set(id, standing)
    if (this.held.size > this.most) this.held.delete(this.held.keys().next().value ?? '')
  }
}

/** A fact as the file has it. Its body was checked by the contract when it was written. */
export const factOf = ({ id, kind, by, recordedAt, via, seen, body }: FactRow): SetupFact =>
  ({
    ...{ id, kind, by, at: recordedAt.toISOString(), via },
    ...(seen !== undefined && { seen }),
    body,
  }) as SetupFact
