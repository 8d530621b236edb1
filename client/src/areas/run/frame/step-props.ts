import type { OffsetRow } from '@pine/core/address'
import type { NewFact } from '@pine/contract'
import type { StandingSetup } from '@/data/setups'

/** What every step of a run is given. */
export interface StepProps {
  readonly setupId: string
  readonly setup: StandingSetup
  readonly enter: (fact: NewFact) => Promise<void>
  readonly onDone: () => void
}

export interface ProofStepProps extends StepProps {
  readonly row: OffsetRow
  readonly tool: number
  readonly onTo: (address: string) => void
}
