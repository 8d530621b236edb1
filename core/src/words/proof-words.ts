import type { GapVerdict } from '../proof/proof'
import type { ProofReason } from '../proof/proofs-needed'
import type { ProofVerdict } from '../proof/proven'
import type { LengthWriter } from './warning-words'

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

/** What a proof says that was entered, the worst first. */
export function describeProof(verdict: ProofVerdict, write: LengthWriter): string {
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
