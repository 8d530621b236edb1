import type { OffsetRow } from '@pine/core/address'
import type { Enter } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'

/** What every step of a run is given. */
export interface StepProps {
  readonly setupId: string
  readonly setup: LoadedSetup
  readonly enter: Enter
  readonly onDone: () => void
}

export interface ProofStepProps extends StepProps {
  readonly row: OffsetRow
  readonly tool: number
  readonly onTo: (address: string) => void
}
