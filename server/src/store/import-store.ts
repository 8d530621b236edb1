import type { ToolAssembly } from '@pine/core/shop'

/** A stream that an import begins. */
export interface ImportedStream {
  readonly id: string
  readonly factId: string
  readonly body: object
}

/** Lists that come in at once. */
export interface ImportStore {
  /** Begins streams, each with its first fact, all of them or none; one that is there already stays as it is. Gives how many are new. */
  importStreams(
    kind: 'tool' | 'gauge',
    streams: readonly ImportedStream[],
    personId: string,
    at: Date,
  ): Promise<number>
  /** Which of these streams are there. */
  streamsAmong(ids: readonly string[]): Promise<ReadonlySet<string>>
  /** Tools in use with one of these names, in small letters. */
  toolsCalled(names: readonly string[]): Promise<readonly ToolAssembly[]>
  /** Pockets with a tool in them, as machine/number. */
  pocketsInUse(): Promise<ReadonlySet<string>>
}
