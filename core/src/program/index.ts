/** What a worker needs to read a program, and no more of the core. */
export { LineSplitter } from './line-splitter'
export { looksLikeText } from './looks-like-text'
export type { ProgramReading } from './program-types'
export { ProgramReader } from './program-reader'
export type { Subprograms } from './subprograms'
