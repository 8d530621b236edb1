import { traceOf } from '@pine/core/chain'
import { type SetupDocument } from '@pine/core/facts'
import { type KeyInLine } from '@pine/core/keyin'
import { formatLength, NANOMETRES_PER, toNanometres, type Nanometres } from '@pine/core/length'
import { stepsOf } from '@pine/core/plan'
import { type Register } from '@pine/core/registers'
import { KEY_MODES } from '@pine/core/sheet'
import { causeName } from '@pine/core/slips'
import { type Solution } from '@pine/core/solve'
import {
  describeProof,
  describeStale,
  describeRole,
  describeVerdict,
  describeWarning,
} from '@pine/core/words'
import { z } from 'zod'

const unit = z.enum(['mm', 'in'])

// Fields with a default came later: a record frozen before them is still read.

/** A solution as JSON: what `bin/pine solve --json` prints, the API answers and a record freezes. */
export const solutionViewSchema = z.object({
  unit,
  registers: z.array(
    z.object({
      address: z.string(),
      unit,
      /** With the control's decimals; null while a reading is missing. */
      value: z.string().nullable(),
      state: z.enum(['not-read', 'read', 'keyed', 'proven', 'stale']),
      /** Why it is stale; null while it holds. */
      stale: z.string().nullable().default(null),
      /** Who accepted it although it is stale, and why. */
      accepted: z.object({ by: z.string(), reason: z.string() }).nullable().default(null),
      /** Expanded uncertainty for 95 % with its factor, in the register's unit; null while not read. */
      uncertainty: z
        .object({ expanded: z.string(), factor: z.number(), fitness: z.string().nullable() })
        .nullable()
        .default(null),
      /** How to key it in: what is typed, which way the row is changed, what it shows then; null while not read. */
      keyIn: z
        .object({
          mode: z.enum(KEY_MODES),
          /** Null while what it is counted from is not known. */
          type: z.string().nullable(),
          after: z.string(),
          before: z.string().optional(),
          copies: z.string().optional(),
          /** The length that is to be active while a position in Z is told; null where none is. */
          activeLength: z.string().nullable().optional(),
          counter: z.object({ full: z.string(), half: z.string() }).optional(),
        })
        .nullable()
        .default(null),
      readBack: z
        .object({ shown: z.string(), equal: z.boolean(), causes: z.array(z.string()) })
        .nullable()
        .default(null),
      trace: z.array(
        z.object({
          role: z.string(),
          meaning: z.string(),
          name: z.string(),
          coefficient: z.number(),
          text: z.string(),
          unit,
          adds: z.string(),
          by: z.string().optional(),
          at: z.string().optional(),
        }),
      ),
    }),
  ),
  warnings: z.array(
    z.object({
      code: z.string(),
      place: z.string(),
      message: z.string(),
      /** Slips that would explain it, simplest first. */
      causes: z.array(z.string()).default([]),
    }),
  ),
  /** What the last proof of each work offset with each tool says. */
  proofs: z
    .array(z.object({ row: z.string(), tool: z.number(), right: z.boolean(), says: z.string() }))
    .default([]),
  /** How far edges are turned, in degrees, and what that costs over the part. */
  edges: z
    .array(
      z.object({
        row: z.string(),
        face: z.string(),
        degrees: z.string(),
        runOut: z.string(),
        agrees: z.boolean().nullable(),
      }),
    )
    .default([]),
  /** What is still to read, to key in or to record, in the order of work. */
  missing: z.array(z.string()).default([]),
})

export type SolutionView = z.infer<typeof solutionViewSchema>

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
