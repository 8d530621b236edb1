import { availableParallelism } from 'node:os'
import { Piscina } from 'piscina'
import { QueueTimeout } from '../use-cases/facts/keyed-queue'
import type { LoadedSetup } from '../use-cases/facts/set-up-streams'
import type { ThreadTask } from './setup-thread'
import { workHere, type SetupWork, type WorkRequest } from './setup-work'

/** A set-up of more is solved for longer than anybody else should wait: about 50 ms (bench/core/solve.ts). */
const MOST_TOOLS_HERE = 100
const MOST_FACTS_HERE = 1_000
/** Who comes after so many is told to come again. */
const MOST_WAITING = 32
/** A thread that nobody needs any more gives its memory back. */
const IDLE_MS = 60_000

const isLarge = ({ facts, document }: LoadedSetup): boolean =>
  facts.length > MOST_FACTS_HERE || document.sheet.tools.length > MOST_TOOLS_HERE

/** Threads that work large set-ups out beside the one that answers everybody. */
export interface SetupThreads {
  /** Small set-ups are done at once, here; of large ones a few, each in a thread. @throws QueueTimeout where too many wait. */
  readonly work: SetupWork
  close(): Promise<void>
}

/**
 * @param file of a thread (setup-thread.ts), as this process loads it.
 * @param options.execArgv how a thread is started, where it is not like this process.
 */
export function setupThreads(
  file: string,
  { execArgv, waiting = MOST_WAITING }: { execArgv?: string[]; waiting?: number } = {},
): SetupThreads {
  const pool = new Piscina<ThreadTask, unknown>({
    filename: file,
    minThreads: 0,
    // One processor stays for whoever is answered meanwhile.
    maxThreads: Math.max(1, availableParallelism() - 1),
    idleTimeout: IDLE_MS,
    ...(execArgv && { execArgv }),
  })
  const done =
    <Work extends keyof SetupWork>(work: Work) =>
    async (setup: LoadedSetup, request: WorkRequest): Promise<unknown> => {
      if (!isLarge(setup)) return workHere[work](setup, request)
      if (pool.queueSize >= waiting) throw new QueueTimeout(`${waiting} large set-ups wait already`)
      const { id, createdBy, createdAt, facts } = setup
      return pool.run({ work, head: { id, createdBy, createdAt }, facts, request })
    }
  return {
    // What comes back of a thread is what the same work gives here, copied.
    work: {
      weighed: done('weighed') as SetupWork['weighed'],
      summary: done('summary') as SetupWork['summary'],
      solution: done('solution') as SetupWork['solution'],
      toFreeze: done('toFreeze') as SetupWork['toFreeze'],
      steps: done('steps') as SetupWork['steps'],
    },
    close: () => pool.close({ force: true }),
  }
}
