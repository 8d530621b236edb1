import { useRouter } from 'expo-router'
import { Button } from '@/kit/button'
import { Card } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import type { StepProps } from '../frame/step-props'
import { CheckFrame } from '../frame/entry/check-frame'
import { programStepView } from './program-step-view'
import { ReasonField } from '@/kit/entry/reason-field'

/** The program against the set-up, with what is keyed by now: looked over before anything runs. */
export function ProgramStep({ setupId, setup, enter, onDone }: StepProps) {
  const router = useRouter()
  const view = programStepView(setup)
  if (view === undefined) return null
  const { words, name, clear, verdict, lines, file, isCurrent, seen } = view
  const see = (leftOut?: string) => {
    for (const draft of view.see(leftOut)) void enter(draft)
    onDone()
  }
  const open = () => router.push({ pathname: '/setups/program', params: { id: setupId } })
  return (
    <CheckFrame
      words={words}
      foot={
        isCurrent ? (
          <Button kind="act" focused onPress={() => see()} testID="next">
            {seen === undefined ? words.done : 'Next'}
          </Button>
        ) : (
          <>
            <Button kind="act" focused onPress={open} testID="next">
              To the program
            </Button>
            <ReasonField
              offer="Go on all the same"
              question="Why may it run as it is?"
              confirm="It may run"
              onReason={see}
            />
          </>
        )
      }
    >
      <Card padded gap="$2" tone={clear ? 'plain' : 'wrong'} testID="program-stands">
        <Words as="lead" strong>
          {name}
        </Words>
        <Words tone={verdict.tone} strong>
          {verdict.words}
        </Words>
        {lines.map((line) => (
          <Words key={line.key}>{line.words}</Words>
        ))}
        <Words tone={file.wrong ? 'wrong' : 'soft'} strong={file.wrong}>
          {file.words}
        </Words>
      </Card>
      {isCurrent && <Button onPress={open}>Open the program</Button>}
      {seen !== undefined && <Words as="note">{seen}</Words>}
    </CheckFrame>
  )
}
