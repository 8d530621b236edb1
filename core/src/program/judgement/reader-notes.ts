import { JUDGEMENT_SEVERITIES } from './judgement-severities'
import type { ProgramJudgement } from './program-judgement'
import type { ProgramJudgementCode, ProgramPlace, ProgramProblem } from '../program-reading'

/** A file of nonsense has a problem in every line: what is kept of them stays small. */
const MOST = 500

/** What a reader has to say of a program: each thing once for each place, however often it runs through it. */
export class ReaderNotes {
  readonly problems: ProgramProblem[] = []
  readonly judgements: ProgramJudgement[] = []
  leftOut = 0
  private readonly said = new Set<string>()

  problem(problem: ProgramProblem): void {
    const key = `${problem.code} ${problem.line} ${problem.column}`
    if (this.isNew(key, this.problems)) this.problems.push(problem)
  }

  judge(
    code: ProgramJudgementCode,
    place: ProgramPlace,
    about: { readonly tool?: number | undefined; readonly register?: number } = {},
  ): void {
    const { tool, register } = about
    const key = `${code} ${place.line} ${tool} ${register}`
    if (!this.isNew(key, this.judgements)) return
    this.judgements.push({
      code,
      severity: JUDGEMENT_SEVERITIES[code],
      ...place,
      ...(tool !== undefined && { tool }),
      ...(register !== undefined && { register }),
    })
  }

  private isNew(key: string, kept: readonly unknown[]): boolean {
    if (this.said.has(key)) return false
    if (kept.length >= MOST) {
      this.leftOut += 1
      return false
    }
    this.said.add(key)
    return true
  }
}
