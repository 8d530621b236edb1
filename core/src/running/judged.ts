import type { MachineAxis } from '../address/row'
import type { Nanometres } from '../length/length'
import { JUDGEMENT_SEVERITIES } from '../program/judgement-severities'
import type { ProgramJudgement, ProgramJudgementCode, ProgramPlace } from '../program/program-types'

/** A judgement of a program, with its severity, at its place. */
export const judged = (
  code: ProgramJudgementCode,
  place: ProgramPlace,
  about: {
    readonly tool?: number
    readonly register?: number
    readonly row?: string
    readonly axis?: MachineAxis
    readonly amount?: Nanometres
    readonly speed?: number
    readonly limit?: number
  } = {},
): ProgramJudgement => ({ code, severity: JUDGEMENT_SEVERITIES[code], ...place, ...about })
