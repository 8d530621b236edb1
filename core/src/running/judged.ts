import { JUDGEMENT_SEVERITIES } from '../program/judgement/judgement-severities'
import type { ProgramJudgement } from '../program/judgement/program-judgement'
import type { ProgramJudgementCode, ProgramPlace } from '../program/program-reading'

/** A judgement of a program, with its severity, at its place. */
export const judged = (
  code: ProgramJudgementCode,
  place: ProgramPlace,
  about: Omit<ProgramJudgement, 'code' | 'severity' | keyof ProgramPlace> = {},
): ProgramJudgement => ({ code, severity: JUDGEMENT_SEVERITIES[code], ...place, ...about })
