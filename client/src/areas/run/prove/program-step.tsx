import { useRouter } from 'expo-router'
import { v7 as uuid } from 'uuid'
import { standingCheckOff } from '@pine/core/plan'
import { mayRun, programStanding } from '@pine/core/running'
import {
  describeCheck,
  describeFileAtMachine,
  describeJudgement,
  describeProgramVerdict,
} from '@pine/core/words'
import { Button } from '@/kit/button'
import { Card } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { CheckFrame } from '../ready/check-frame'
import { ReasonField } from './reason-field'
import type { StepProps } from '../frame/step-props'
import { lengthWriter } from '../frame/write-length'

/** The program against the set-up, with what is keyed by now: looked over before anything runs. */
export function ProgramStep({ setupId, setup, enter, onDone }: StepProps) {
  const router = useRouter()
  const { document, solution } = setup
  const standing = programStanding(document, solution)
  if (standing === undefined) return null
  const words = describeCheck(document.sheet, 'program')
  const { program, dangers, toLookAt, atMachine } = standing
  const done = standingCheckOff(document, 'program')
  const see = (leftOut?: string) => {
    if (done === undefined || leftOut !== undefined)
      void enter({
        id: uuid(),
        kind: 'check-off',
        body: { of: 'program', ...(leftOut !== undefined && { leftOut }) },
      })
    onDone()
  }
  const open = () => router.push({ pathname: '/setups/program', params: { id: setupId } })
  const stands = mayRun(standing) || done?.leftOut !== undefined
  const write = lengthWriter(solution)
  return (
    <CheckFrame
      words={words}
      foot={
        stands ? (
          <Button kind="act" focused onPress={() => see()} testID="next">
            {done === undefined ? words.done : 'Next'}
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
      <Card padded gap="$2" tone={mayRun(standing) ? 'plain' : 'wrong'} testID="program-stands">
        <Words as="lead" strong>
          {program.name}
        </Words>
        <Words tone={dangers.length > 0 ? 'wrong' : toLookAt.length > 0 ? 'caution' : 'act'} strong>
          {describeProgramVerdict(dangers.length, dangers.length + toLookAt.length)}
        </Words>
        {[...dangers, ...toLookAt].map((judgement) => (
          <Words key={`${judgement.code}${judgement.line}`}>
            Line {judgement.line}:{' '}
            {describeJudgement(judgement, (nm) => `${write(nm)} ${solution.unit}`).title}
          </Words>
        ))}
        <Words tone={atMachine === 'another' ? 'wrong' : 'soft'} strong={atMachine === 'another'}>
          {describeFileAtMachine(atMachine)}
        </Words>
      </Card>
      {stands && <Button onPress={open}>Open the program</Button>}
      {done && (
        <Words as="note">
          looked over by {done.by.name}
          {done.leftOut === undefined ? '' : `, may run: ${done.leftOut}`}
        </Words>
      )}
    </CheckFrame>
  )
}
