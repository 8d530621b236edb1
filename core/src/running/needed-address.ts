import { diameterAddress, lengthAddress } from '../address/address'
import type { ProgramJudgement } from '../program/judgement/program-judgement'
import type { ProgramJudgementCode } from '../program/program-reading'

type Of = 'H' | 'D' | 'row'

/** Judgements about what a register or a row holds; a wrong number in the program is mended in the program. */
const ABOUT: Readonly<Partial<Record<ProgramJudgementCode, { of: Of; open: boolean }>>> = {
  'length-not-set': { of: 'H', open: true },
  'length-unproven': { of: 'H', open: true },
  'length-stale': { of: 'H', open: false },
  'diameter-not-set': { of: 'D', open: true },
  'diameter-stale': { of: 'D', open: false },
  'offset-not-set': { of: 'row', open: true },
  'offset-unproven': { of: 'row', open: true },
  'offset-stale': { of: 'row', open: false },
}

/** `H3`, `D3` or `G54`: what a judgement says does not hold what it should. */
export function neededAddress({ code, register, row }: ProgramJudgement): string | undefined {
  const about = ABOUT[code]
  if (about === undefined) return undefined
  if (about.of === 'row') return row
  if (register === undefined) return undefined
  return about.of === 'H' ? lengthAddress(register) : diameterAddress(register)
}

/** The same, where it is only still to be done in the run of the set-up. */
export const openNeedOf = (judgement: ProgramJudgement): string | undefined =>
  ABOUT[judgement.code]?.open === true ? neededAddress(judgement) : undefined
