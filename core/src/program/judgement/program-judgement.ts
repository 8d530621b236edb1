import type { Nanometres } from '../../length/length'
import type { HeadNumber } from '../text/head-numbers'
import type { TextJudgement } from '../program-reading'

/** What a program tells by itself, or beside a sheet. */
export interface ProgramJudgement extends TextJudgement {
  /** A number in the comments at its head, and the sheet's own. */
  readonly head?: {
    readonly of: HeadNumber['of']
    readonly writtenNm: Nanometres
    readonly sheet: Nanometres
  }
}
