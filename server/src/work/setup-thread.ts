import type { SetupFact } from '@pine/core/facts'
import type { StreamHead } from '../store/store'
import { LoadedSetup } from '../use-cases/facts/set-up-streams'
import { workHere, type SetupWork, type WorkRequest } from './setup-work'

/** What is sent to a thread: facts instead of what they are folded to, which is more. */
export interface ThreadTask {
  readonly work: keyof SetupWork
  readonly head: StreamHead
  readonly facts: readonly SetupFact[]
  readonly request: WorkRequest
}

/** What runs in a thread of the pool (setup-threads.ts). */
export default ({ work, head, facts, request }: ThreadTask): ReturnType<SetupWork[typeof work]> =>
  workHere[work](new LoadedSetup(head, facts), request)
