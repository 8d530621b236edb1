import type { Operation } from './program-types'

/** Tool changes that are kept; more than this no magazine sees in one program. */
const MOST_OPERATIONS = 2000

/** The operations of a program. A file of tool changes alone must not fill the memory. */
export class KeptOperations {
  readonly all: Operation[] = []
  /** How many were too many. */
  leftOut = 0

  /** Whether one more is kept; the first one that is not says so. */
  get isFull(): boolean {
    return this.all.length >= MOST_OPERATIONS
  }
}
