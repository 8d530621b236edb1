import type { ReactNode } from 'react'
import type { StepState } from '@pine/core/plan'
import { useKeptFrom } from '@/data/device/kept-from'
import type { Enter } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { KeptStep, useKeptOffer } from './kept-step'
import { asksForKept } from './kept-view'
import { RebaseStep, useRebaseOffer } from './rebase-step'

/** Before a tool is touched: what earlier set-ups tell of it, or one touch carries over; else the step itself. */
export function OfferedFirst({
  setupId,
  setup,
  current,
  enter,
  onDone,
  children,
}: {
  readonly setupId: string
  readonly setup: LoadedSetup
  /** The step that is shown, where nothing else has to be done first. */
  readonly current: StepState | undefined
  readonly enter: Enter
  readonly onDone: () => void
  readonly children: ReactNode
}) {
  const wantsOffer = current !== undefined && asksForKept(current)
  const kept = useKeptOffer(setupId, setup, useKeptFrom(setupId, wantsOffer))
  const rebase = useRebaseOffer(setupId, setup)
  const parts = { enter, onDone }
  if (wantsOffer && kept.view !== undefined)
    return <KeptStep {...parts} view={kept.view} onDecline={kept.decline} />
  if (wantsOffer && rebase.view !== undefined)
    return <RebaseStep {...parts} view={rebase.view} onDecline={rebase.decline} />
  return children
}
