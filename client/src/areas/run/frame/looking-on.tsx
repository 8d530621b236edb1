import { type Chain } from '@pine/core/chain'
import type { LoadedSetup } from '@/data/setup/standing'
import { Scroll } from '@/kit/frame/scroll'
import { TrustMark } from '@/kit/trust-mark'
import { Card, Column, Line } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { stepName } from '@pine/core/words'
import { FrozenRecord } from '../release/frozen-record'
import { RegistersPanel } from './beside/registers-panel'

/** A set-up for who looks on: how far it is and what its numbers are, with nothing to enter. */
export function LookingOn({
  id,
  setup,
  onTrace,
}: {
  readonly id: string
  readonly setup: LoadedSetup
  readonly onTrace: (title: string, chain: Chain) => void
}) {
  const { document, solution, steps } = setup
  const record = document.records.at(-1)
  return (
    <Scroll label="the numbers" flex={1} contentContainerStyle={{ padding: 16, gap: 20 }}>
      <Words as="note" testID="looking-on">
        You look on: a viewer enters nothing. Tap a number for where it comes from.
      </Words>
      {record && <FrozenRecord setupId={id} recordId={record.id} />}
      <RegistersPanel solution={solution} onTrace={onTrace} />
      <Column gap="$1">
        <Words as="lead" strong>
          Steps
        </Words>
        <Card overflow="hidden">
          {steps.map(({ step, trust }, index) => (
            <Line key={step.key} first={index === 0} gap="$3">
              <TrustMark state={trust} size={20} />
              <Words flex={1}>{stepName(document, step)}</Words>
            </Line>
          ))}
        </Card>
      </Column>
    </Scroll>
  )
}
