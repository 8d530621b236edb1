/** What a worker needs to read a program, and what others ask of a program that was read. */
export { BLOCK_FAULTS } from './block'
export { comparePrograms } from './compare-programs'
export { LineSplitter } from './line-splitter'
export { looksLikeText } from './looks-like-text'
export { ProgramReader } from './program-reader'
export {
  type Extents,
  type Operation,
  type ProgramJudgementCode,
  type ProgramProblem,
  type ProgramProblemCode,
  type ProgramReading,
} from './program-reading'
export { NEED_JUDGEMENTS, PROGRAM_JUDGEMENTS, PROGRAM_PROBLEMS } from './program-codes'
export { type ProgramJudgement } from './program-judgement'
export { readProgram, readProgramPieces } from './read-program'
export { type Subprograms } from './subprograms'
