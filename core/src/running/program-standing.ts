import type { ProgramRead } from '../facts/bodies/bodies'
import type { SetupDocument } from '../facts/document'
import type { Solution } from '../solve/solution'
import { faultsOf, judgeAll } from './judge-needs'
import type { Nanometres } from '../length/length'
import type { ProgramJudgement } from '../program/judgement/program-judgement'
import type { ProgramReading } from '../program/program-reading'

/** Whether the file at the machine is the one that was read, by its hash. */
export type FileAtMachine = 'same' | 'another' | 'not-looked'

export function fileAtMachine(program: ProgramRead, document: SetupDocument): FileAtMachine {
  const looked = document.programChecks.at(-1)
  if (looked === undefined) return 'not-looked'
  return looked.sha256 === program.sha256 ? 'same' : 'another'
}

/** How the program of a set-up stands, with what is keyed and proven now. */
export interface ProgramStanding {
  /** The last one that was read. */
  readonly program: ProgramRead
  /** What can crash or scrap. */
  readonly dangers: readonly ProgramJudgement[]
  /** What may be meant. */
  readonly toLookAt: readonly ProgramJudgement[]
  readonly atMachine: FileAtMachine
}

/** Undefined where no program was read for it. */
export function programStanding(
  document: SetupDocument,
  solution: Solution,
): ProgramStanding | undefined {
  const program = document.programs.at(-1)
  if (program === undefined) return undefined
  const faults = faultsOf(judgeAll(program.reading, document, solution), solution)
  return {
    program,
    dangers: faults.filter(({ severity }) => severity === 'danger'),
    toLookAt: faults.filter(({ severity }) => severity === 'look'),
    atMachine: fileAtMachine(program, document),
  }
}

/** Whether it may run as it is. */
export const mayRun = ({ dangers, atMachine }: ProgramStanding): boolean =>
  dangers.length === 0 && atMachine !== 'another'

/** The lowest Z that any of its tools reaches, in the frame of its row; undefined where none moves in Z. */
export function lowestZ({ operations }: ProgramReading): Nanometres | undefined {
  const [lowest] = operations
    .flatMap((operation) => operation.lowestZ?.z ?? [])
    .sort((one, other) => one - other)
  return lowest
}
