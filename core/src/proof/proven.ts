import { offsetAddress, type Address } from '../address/address'
import { toNanometres, NANOMETRES_PER, type Nanometres } from '../length/length'
import { nanometresOf, readLength } from '../length/read-length'
import { knewOf, type Entered } from '../journal/entered'
import type { Proof } from '../facts/bodies/proving'
import type { SetupDocument } from '../facts/document'
import { readingOf, readingsById } from '../facts/readings-by-id'
import type { Shown, Register } from '../registers/register'
import { zRowsOf } from '../sheet/tool-rows'
import { distanceToGoError, gapVerdict, type GapVerdict } from './proof'
import { spindleElse, type SpindleElse } from './spindle-at-proof'

/** How well a gap is known when a block is slid under by hand. From memory; half of a tenth of a millimetre. */
export const GAP_WITHIN: Nanometres = toNanometres(0.05 * NANOMETRES_PER.mm)

/** How well an eye tells a gap with nothing in it. From memory. */
const EYE_WITHIN: Nanometres = toNanometres(3 * NANOMETRES_PER.mm)

/** What a proof says about the registers that it was made with. */
export interface ProofVerdict extends GapVerdict {
  readonly proof: Proof
  /** How far position and distance to go miss the commanded height; absent where they were not read. */
  readonly sumError?: Nanometres
  /** Another tool was in the spindle, or another length active, than it is about. */
  readonly spindle?: SpindleElse
  readonly right: boolean
}

/** What a proof said, worked out again; undefined where one of its numbers cannot be read. */
export function proofVerdict(
  document: SetupDocument,
  solution: Shown,
  proof: Proof,
): ProofVerdict | undefined {
  const [clearance, gap] = [readLength(proof.clearance), readLength(proof.gap)]
  if (!clearance.ok || !gap.ok) return undefined
  const verdict = gapVerdict(
    document,
    solution,
    { row: proof.row, tool: proof.tool, clearance: clearance.value.nm },
    gap.value.nm,
    proof.byEye === true ? EYE_WITHIN : GAP_WITHIN,
  )
  const sumError = stopError(proof, clearance.value.nm)
  const spindle = proof.spindle && spindleElse(document, solution, proof.tool, proof.spindle)
  return {
    ...verdict,
    proof,
    ...(sumError !== undefined && { sumError }),
    ...(spindle && { spindle }),
    right:
      verdict.stands === 'right' &&
      proof.overZero &&
      spindle === undefined &&
      (sumError === undefined || Math.abs(sumError) <= GAP_WITHIN),
  }
}

function stopError({ stop }: Proof, clearance: Nanometres): Nanometres | undefined {
  if (stop === undefined) return undefined
  const [position, toGo] = [readLength(stop.position), readLength(stop.distanceToGo)]
  // Distance to go is shown with a sign by some controls and without by others: it leads down to the target.
  return position.ok && toGo.ok
    ? distanceToGoError(clearance, position.value.nm, toNanometres(-Math.abs(toGo.value.nm)))
    : undefined
}

/** The last proof of each work offset with each tool. */
export function standingProofs({ proofs }: SetupDocument): readonly Proof[] {
  const last = new Map(proofs.map((proof) => [`${proof.row} ${proof.tool}`, proof] as const))
  return [...last.values()]
}

/**
 * The registers that a right proof stands behind. A proof shows the work offset it was made in and the
 * one tool that was used, no other tool's length, and nothing that was read or keyed after it.
 */
export function provenAddresses(
  document: SetupDocument,
  registers: readonly Register[],
  verdicts: readonly ProofVerdict[],
): ReadonlySet<Address> {
  const covers = coverageOf(document)
  return new Set(
    verdicts
      // The eye shows what is grossly wrong, and no number.
      .filter(({ right, proof }) => right && proof.byEye !== true)
      .flatMap(({ proof }) =>
        addressesOf(document, proof).filter((address) => {
          const register = registers.find((one) => one.address === address)
          return register !== undefined && covers(register, proof)
        }),
      ),
  )
}

/**
 * Whether a register is still what it was when a fact was entered: nothing of it was read or keyed since, nor by somebody
 * of whom that device did not know.
 */
export function coverageOf(
  document: SetupDocument,
): (register: Register, fact: Entered) => boolean {
  const readings = readingsById(document.readings)
  const keyed = new Map(document.keyIns.map((keyIn) => [keyIn.address, keyIn] as const))
  const shown = shownSince(document)
  // Without power or without home nothing counts as proven until it is proven again, whatever is found to hold.
  const lost = document.events.findLast(({ kind }) => kind === 'home-lost')
  return ({ address, chain }, fact) => {
    const isBefore = (one: Entered | undefined): boolean =>
      one === undefined || (one.place < fact.place && knewOf(fact, one))
    return (
      isBefore(lost) &&
      isBefore(keyed.get(address)) &&
      isBefore(shown.get(address)) &&
      (chain?.terms ?? []).every(({ source }) => isBefore(readingOf(readings, source)))
    )
  }
}

/**
 * The read-back since which each row shows what it shows now: who looks at it once more, or reads the whole table off the control, and
 * finds the same number has changed nothing.
 */
function shownSince({
  readBacks,
}: Pick<SetupDocument, 'readBacks'>): ReadonlyMap<Address, Entered> {
  const since = new Map<Address, SetupDocument['readBacks'][number]>()
  for (const readBack of readBacks) {
    if (readBack.moment !== 'after') continue
    const before = since.get(readBack.address)
    if (before === undefined || nanometresOf(before.shown) !== nanometresOf(readBack.shown))
      since.set(readBack.address, readBack)
  }
  return since
}

/** The registers that a cautious move in a row with a tool leans on. */
export function addressesOf(
  { sheet }: SetupDocument,
  { row, tool }: Pick<Proof, 'row' | 'tool'>,
): readonly Address[] {
  return [offsetAddress(row, 'X'), offsetAddress(row, 'Y'), ...zRowsOf(sheet, row, tool)]
}
