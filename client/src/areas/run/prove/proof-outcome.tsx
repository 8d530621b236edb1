import { View } from '@tamagui/core'
import { type ProofVerdict } from '@pine/core/proof'
import { Button } from '@/kit/button'
import { Card } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { NextButton } from '../frame/entry/next-button'
import type { ProofStepProps } from '../frame/step-props'
import { CheckFrame } from '../frame/entry/check-frame'
import { verdictView } from './proof-view'

export interface ProofOutcomeProps extends Pick<ProofStepProps, 'setup' | 'onDone' | 'onTo'> {
  readonly verdict: ProofVerdict
  readonly onAgain: () => void
}

/** What a proof said: right and on, or what to look at. */
export function ProofOutcome({ setup, verdict, onAgain, onDone, onTo }: ProofOutcomeProps) {
  const { sentence, text, by, suspects } = verdictView(setup, verdict)
  const { right } = verdict
  return (
    <CheckFrame
      words={{
        title: '',
        sentence,
        points: [],
        caution: 'A proof shows this work offset and this tool, no other tool’s length.',
        done: '',
      }}
      foot={
        right ? (
          <>
            <Button onPress={onAgain}>Prove it again</Button>
            <NextButton onDone={onDone} />
          </>
        ) : (
          <>
            {suspects.map(({ address, name }) => (
              <Button key={address} onPress={() => onTo(address)}>
                Look at {name}
              </Button>
            ))}
            <Button kind="act" onPress={onAgain} testID="prove-again">
              I mended it: prove it again
            </Button>
          </>
        )
      }
    >
      <Card padded tone={right ? 'read' : 'wrong'} testID="proof-said">
        <Words as="lead" tone={right ? 'ink' : 'wrong'} strong>
          {text}
        </Words>
        <Words as="note">{by}</Words>
        {suspects.map(({ address, name, slips }) => (
          <View key={address}>
            <Words strong>If it is {name}:</Words>
            {slips.map(({ key, title, look }) => (
              <Words key={key}>
                <Words strong>{title}.</Words> {look}
              </Words>
            ))}
          </View>
        ))}
      </Card>
    </CheckFrame>
  )
}
