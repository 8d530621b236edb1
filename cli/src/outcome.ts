export interface Outcome {
  readonly out: string
  readonly err: string
  /** 0: done; 1: the file is not a good set-up; 2: the call is not understood; 3: the file cannot be read. */
  readonly exitCode: 0 | 1 | 2 | 3
  /** Bytes that follow what is written to `out`: a file that is no text. */
  readonly bytes?: () => Promise<NodeJS.ReadableStream>
}

/** What ends a command early, with its outcome. */
export class Ended extends Error {
  constructor(readonly outcome: Outcome) {
    super('ended')
  }
}

/** A call that was not understood: said with how to call. */
export class Misunderstood extends Error {}

export const asJson = (value: object): string => `${JSON.stringify(value, null, 2)}\n`
