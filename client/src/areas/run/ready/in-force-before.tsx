import { useState } from 'react'
import { Button } from '@/kit/button'
import { Section } from '@/kit/frame/section'
import { Words } from '@/kit/words'
import { RegistersPanel } from '../frame/beside/registers-panel'
import type { StepProps } from '../frame/step-props'
import { inForceView } from './home-again-view'

interface InForceBeforeProps {
  readonly setup: StepProps['setup']
  /** Whether it stands there at once, or is one press away. */
  readonly open: boolean
}

/** What the control held when home was lost: the table to put back into it. */
export function InForceBefore({ setup, open }: InForceBeforeProps) {
  const [shows, setShows] = useState(open)
  const inForce = inForceView(setup)
  if (inForce === undefined) return null
  if (!shows)
    return (
      <Button kind="plain" onPress={() => setShows(true)} testID="in-force">
        What was in force before
      </Button>
    )
  return (
    <Section title="In force before">
      <RegistersPanel solution={inForce} onTrace={() => undefined} />
      <Words as="note">
        Read every row back after this, and prove it again before you cut: the control may have lost
        its table.
      </Words>
    </Section>
  )
}
