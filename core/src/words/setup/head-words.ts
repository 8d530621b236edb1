import type { HeadNumber } from '../../program/text/head-numbers'
import type { ProgramJudgement } from '../../program/judgement/program-judgement'
import type { JudgementWords } from '../trust/judgement-words'
import type { LengthWriter } from '../trust/warning-words'

const HEAD_NAMES: Readonly<Record<HeadNumber['of'], string>> = {
  'stock-X': 'stock X',
  'stock-Y': 'stock Y',
  'stock-Z': 'stock height',
  jaw: 'jaws',
  parallels: 'parallels',
  'zero-below-top': 'zero below the stock top',
}

/** What is said of the numbers in the comments at a program's head. */
export const HEAD_WORDS: Readonly<
  Record<
    'head-differs' | 'head-grips-nothing',
    (about: ProgramJudgement, write: LengthWriter) => JudgementWords
  >
> = {
  'head-differs': ({ head, excerpt }, write) => ({
    title: `Its head says ${head === undefined ? 'another number' : `${HEAD_NAMES[head.of]} ${write(head.writtenNm)}`}, the sheet ${head === undefined ? '' : write(head.sheet)}`,
    why: 'One of the two was written for another part, or for another way of holding it.',
    remedy: `Look at the part and at “${excerpt}”; then put the sheet or the program right.`,
  }),
  'head-grips-nothing': ({ excerpt }) => ({
    title: 'Its head gives jaws no higher than the parallels',
    why: 'Then nothing of the part is gripped, and it is pulled out.',
    remedy: `Measure both, and put “${excerpt}” right.`,
  }),
}
