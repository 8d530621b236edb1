import type { SetupDocument } from '../facts/document'
import { proofWarnings } from '../proof/proof-warnings'
import { provenAddresses, proofVerdict, standingProofs } from '../proof/proven'
import type { Register } from '../registers/register'
import { SourceReader } from '../sources/sources'
import { holdingOf, holdingWarnings } from '../workholding/holding'
import { edgesOf } from './axes/edges'
import { explainReadBacks } from './warnings/explain-read-backs'
import { heightsOf } from './z/heights'
import { knownHeights } from './z/known-heights'
import { keptChecks, keptWarnings } from './warnings/kept-checks'
import { lengthsByTool, wantedNumbers } from './numbers'
import { facesOfAxes, planAxes } from './axes/plan-axes'
import { registerBuilder } from './register-builder'
import { SOLUTION_VERSION, type Solution } from './solution'
import type { SolveMoment } from './solve-moment'
import { warningsOf } from './warnings/warnings'

/**
 * Works out every register of a set-up from its readings: the stages from facts to registers, each adding to what the
 * one before it made.
 *
 * Pure: the same document gives the same solution, digit for digit, in the browser, on the server
 * and on the command line. A number that cannot be read becomes a problem and leaves only what
 * depends on it unread.
 *
 * @param explains whether the slips behind numbers that were read back wrong are looked for: most of the work where
 * there are many, and nothing to who only asks how far a set-up is. Without it no cause is named.
 */
export function solve(
  document: SetupDocument,
  moment: SolveMoment = {},
  { explains = true }: { readonly explains?: boolean } = {},
): Solution {
  const { sheet } = document
  const sources = new SourceReader(document)

  // What the readings tell of the shop: heights, faces and middles, how far edges are turned.
  const heights = heightsOf(document, sources)
  const axes = planAxes(document, sources)
  const edges = edgesOf(document, sources)
  const sizes = axes.flatMap(({ solved }) => solved.size ?? [])

  // What each row of the control is to hold, how far that is to be trusted, and what it shows.
  const lengths = lengthsByTool(document, sources, heights)
  const kept = keptChecks(document, sources)
  const registerOf = registerBuilder(document, sources, moment, kept)
  const wanted = wantedNumbers(document, sources, heights, axes, lengths).map(registerOf)
  const keyed = explains ? explainReadBacks(document, wanted) : wanted

  // What was watched in the metal.
  const shown = {
    registers: keyed,
    unit: sheet.unit,
    decimals: sheet.machine.control.decimals[sheet.unit],
  }
  const proofs = standingProofs(document).flatMap(
    (proof) => proofVerdict(document, shown, proof) ?? [],
  )
  const proven = provenAddresses(document, keyed, proofs)
  const holding = holdingOf(sheet)

  return {
    version: SOLUTION_VERSION,
    ...shown,
    registers: keyed.map((register): Register =>
      register.state === 'keyed' && proven.has(register.address)
        ? { ...register, state: 'proven' }
        : register,
    ),
    proofs,
    ...(holding && { holding }),
    sizes,
    edges,
    heights: knownHeights(heights),
    faces: facesOfAxes(axes),
    ...(kept.length > 0 && { kept }),
    warnings: [
      ...keptWarnings(kept),
      ...warningsOf(document, sources, keyed, sizes, edges, heights),
      ...proofWarnings(document, proofs),
      ...(holding ? holdingWarnings(holding) : []),
    ],
    problems: sources.problems,
  }
}
