import { View } from 'tamagui'
import { registerName } from '@pine/core/address'
import { type ProofVerdict } from '@pine/core/proof'
import { causeName } from '@pine/core/slips'
import { describeCause, describeProof } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Card } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { NextButton } from '../frame/next-button'
import { CheckFrame } from '../ready/check-frame'
import type { ProofStepProps } from '../frame/step-props'
import { lengthWriter } from '../frame/write-length'

/** What a proof said: right and on, or what to look at. */
export function ProofSaid({
  setup: { solution },
  verdict,
  onAgain,
  onDone,
  onTo,
}: ProofStepProps & { verdict: ProofVerdict; onAgain: () => void }) {
  const write = lengthWriter(solution)
  const says = describeProof(verdict, (nm) => `${write(nm)} ${solution.unit}`)
  return (
    <CheckFrame
      words={{
        title: '',
        sentence: verdict.right ? 'Proven.' : 'Do not cut yet.',
        points: [],
        caution: 'A proof shows this work offset and this tool, no other tool’s length.',
        done: '',
      }}
      foot={
        verdict.right ? (
          <>
            <Button onPress={onAgain}>Prove it again</Button>
            <NextButton onDone={onDone} />
          </>
        ) : (
          <>
            {verdict.causes.map(({ address }) => (
              <Button key={address} onPress={() => onTo(address)}>
                Look at {registerName(address)}
              </Button>
            ))}
            <Button kind="act" onPress={onAgain} testID="prove-again">
              I mended it: prove it again
            </Button>
          </>
        )
      }
    >
      <Card padded tone={verdict.right ? 'read' : 'wrong'} testID="proof-said">
        <Words as="lead" tone={verdict.right ? 'ink' : 'wrong'} strong>
          {says}
        </Words>
        <Words as="note">
          {verdict.proof.by.name}: {verdict.proof.gap.text} {verdict.proof.gap.unit} passed where{' '}
          {verdict.proof.clearance.text} {verdict.proof.clearance.unit} was sent
        </Words>
        {verdict.causes.map(({ address, explanations }) => (
          <View key={address}>
            <Words strong>If it is {registerName(address)}:</Words>
            {explanations.slice(0, 3).map((cause) => (
              <Words key={causeName(cause)}>
                <Words strong>{describeCause(cause).title}.</Words> {describeCause(cause).look}
              </Words>
            ))}
          </View>
        ))}
      </Card>
    </CheckFrame>
  )
}
