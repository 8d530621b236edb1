import { traceOf } from '@pine/core/chain'
import { type SetupDocument } from '@pine/core/facts'
import { type KeyInLine } from '@pine/core/keyin'
import { formatLength, NANOMETRES_PER, toNanometres, type Nanometres } from '@pine/core/length'
import { stepsOf } from '@pine/core/plan'
import { type Register } from '@pine/core/registers'
import { causeName } from '@pine/core/slips'
import { type Solution } from '@pine/core/solve'
import {
  describeProof,
  describeRole,
  describeStale,
  describeVerdict,
  describeWarning,
} from '@pine/core/words'
import type { SolutionView } from './solution-view'

/** Translates a solution for people and programs outside. Numbers become text, so that no digit is lost. */
export function viewSolution(document: SetupDocument, solution: Solution): SolutionView {
  const { unit, decimals } = solution
  const write = (nm: Nanometres) => `${formatLength(nm, unit, decimals)} ${unit}`
  return {
    unit,
    registers: solution.registers.map((register) => viewRegister(register, document, solution)),
    warnings: solution.warnings.map((warning) => ({
      code: warning.code,
      place: warning.place,
      message: describeWarning(warning, write),
      causes: (warning.causes ?? []).map(causeName),
    })),
    proofs: solution.proofs.map((verdict) => ({
      row: verdict.proof.row,
      tool: verdict.proof.tool,
      right: verdict.right,
      says: describeProof(verdict, write),
    })),
    edges: solution.edges.map(({ row, face, radians, runOut, agrees = null }) => ({
      row,
      face,
      degrees: ((radians * 180) / Math.PI).toFixed(4),
      runOut: write(runOut),
      agrees,
    })),
    missing: stepsOf(document, solution, false)
      .filter(({ done }) => !done)
      .map(({ step }) => step.key),
  }
}

function viewRegister(
  register: Register,
  { sheet }: SetupDocument,
  { unit, decimals }: Solution,
): SolutionView['registers'][number] {
  const { address, state, chain, value, stale, accepted, budget, fitness, keyIn, readBack } =
    register
  // One decimal more than the control shows, so that a half step can be followed.
  const fine = Math.min(decimals + 1, 6)
  return {
    address,
    unit,
    value: value === undefined ? null : formatLength(value, unit, decimals),
    state,
    stale: stale ? describeStale(stale, sheet.gauges) : null,
    accepted: accepted ? { by: accepted.by.name, reason: accepted.reason } : null,
    uncertainty: budget
      ? {
          expanded: formatLength(toNanometres(budget.expandedMm * NANOMETRES_PER.mm), unit, fine),
          factor: Number(budget.coverageFactor.toFixed(2)),
          fitness: fitness ? describeVerdict(fitness) : null,
        }
      : null,
    keyIn: keyIn ? viewKeyIn(keyIn, decimals) : null,
    readBack: readBack
      ? {
          shown: `${readBack.shownText} ${readBack.shownUnit}`,
          equal: readBack.equal,
          causes: readBack.causes.map(causeName),
        }
      : null,
    trace: (chain ? traceOf(chain) : []).map((line) => ({
      role: line.role,
      meaning: describeRole(line.role),
      name: line.name,
      coefficient: line.coefficient,
      text: line.text,
      unit: line.unit,
      adds: formatLength(line.contribution, unit, fine),
      ...(line.by === undefined ? {} : { by: line.by }),
      ...(line.at === undefined ? {} : { at: line.at }),
    })),
  }
}

const viewKeyIn = (
  { mode, type, after, before, copies, activeLength, counter, unit }: KeyInLine,
  decimals: number,
): NonNullable<SolutionView['registers'][number]['keyIn']> => ({
  mode,
  type: type ?? null,
  after,
  ...(before !== undefined && { before: formatLength(before, unit, decimals) }),
  ...(copies !== undefined && { copies }),
  ...(activeLength !== undefined && { activeLength }),
  ...(counter !== undefined && { counter }),
})
