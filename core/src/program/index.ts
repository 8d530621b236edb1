/** What a worker needs to read a program, and what others ask of a program that was read. */
export { BLOCK_FAULTS } from './text/block'
export { comparePrograms } from './judgement/compare-programs'
export { LineSplitter } from './text/line-splitter'
export { looksLikeText } from './text/looks-like-text'
export { ProgramReader } from './program-reader'
export {
  type Extents,
  type Operation,
  type ProgramJudgementCode,
  type ProgramProblem,
  type ProgramProblemCode,
  type ProgramReading,
} from './program-reading'
export { NEED_JUDGEMENTS, PROGRAM_JUDGEMENTS, PROGRAM_PROBLEMS } from './judgement/program-codes'
export { type ProgramJudgement } from './judgement/program-judgement'
export { readProgram, readProgramPieces } from './read-program'
export { type Subprograms } from './subprograms'
