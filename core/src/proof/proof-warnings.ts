import { toNanometres } from '../length/length'
import { readLength } from '../length/read-length'
import type { SetupDocument } from '../facts/document'
import type { Warning } from '../registers/warning'
import { activeLift } from './lift'
import { proofKey } from './proof-key'
import type { ProofVerdict } from './proven'

/** Proofs that failed, and a lift that is still in. */
export function proofWarnings(
  document: SetupDocument,
  verdicts: readonly ProofVerdict[],
): readonly Warning[] {
  const lift = activeLift(document)
  const amount = lift && readLength(lift.amount)
  return [
    ...verdicts
      .filter(({ right }) => !right)
      .map(({ proof, error, sumError, causes }): Warning => ({
        code: 'proof-differs',
        place: proofKey(proof),
        amount: error === 0 ? (sumError ?? toNanometres(0)) : error,
        causes: causes.flatMap(({ explanations }) => explanations),
      })),
    ...(lift
      ? [
          {
            code: 'lift-active',
            place: lift.where,
            ...(amount?.ok && { amount: amount.value.nm }),
          } as const,
        ]
      : []),
  ]
}
