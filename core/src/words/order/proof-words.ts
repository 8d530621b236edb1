import type { GapVerdict } from '../../proof/proof'
import type { ProofReason } from '../../proof/proofs-needed'
import type { ProofVerdict } from '../../proof/proven'
import type { SpindleElse } from '../../proof/spindle-at-proof'
import type { LengthWriter } from '../trust/warning-words'

/** What a measured gap says, in a sentence. */
export function describeTipGap({ stands, error }: GapVerdict, write: LengthWriter): string {
  const by = write(Math.abs(error) as typeof error)
  switch (stands) {
    case 'right':
      return 'The tip stands where it was sent.'
    case 'too-high':
      return `The tip stands ${by} too high: it would cut air, or too little.`
    case 'too-deep':
      return `The tip stands ${by} too deep: it would cut into what is below.`
  }
}

/** Another tool in the spindle, or another length active: what the move would do. */
export function describeSpindleElse(
  { tool, is, spindle: { holds, controlSays }, lower }: SpindleElse,
  write: LengthWriter,
): string {
  const named = (number: number | null, none: string) => (number === null ? none : `T${number}`)
  const ends =
    lower === undefined || lower === 0
      ? ''
      : ` The tip ends ${write(Math.abs(lower) as typeof lower)} ${lower > 0 ? 'lower: it crashes' : 'higher'}.`
  return is === 'other-tool'
    ? `${named(holds, 'No tool')} is in the spindle, not T${tool}: this move proves nothing of T${tool}.${ends}`
    : `${controlSays === null ? 'No length is active' : `The length of T${controlSays} is active`}, not that of T${tool}.${ends}`
}

/** What a proof says that was entered, the worst first. */
export function describeProof(verdict: ProofVerdict, write: LengthWriter): string {
  if (verdict.spindle !== undefined) return describeSpindleElse(verdict.spindle, write)
  if (verdict.stands !== 'right') return describeTipGap(verdict, write)
  if (!verdict.proof.overZero)
    return 'The tip did not stand over X0 Y0: X or Y of this work offset is wrong, or it is another row’s.'
  if (!verdict.right && verdict.sumError !== undefined)
    return `Position and distance to go do not add up to the target: they miss it by ${write(verdict.sumError)}. Another length or another work offset is active.`
  return describeTipGap(verdict, write)
}

const REASONS: Readonly<Record<ProofReason, string>> = {
  longest: 'it is the longest',
  new: 'it was never measured in its holder before',
  'stands-in': 'it stands in for the programmed one',
  surprised: 'its reading was a surprise',
  row: 'this work offset is proven once',
}

/** Why a tool is among those that are proven, where the policy lets others go. */
export const describeProofReasons = (because: readonly ProofReason[]): string | undefined =>
  because.length === 0
    ? undefined
    : `Proven because ${because.map((one) => REASONS[one]).join(', and ')}.`
