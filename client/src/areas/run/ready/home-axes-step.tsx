import { useState } from 'react'
import type { MachineAxis } from '@pine/core/address'
import { describeCheck } from '@pine/core/words'
import { Button } from '@/kit/button'
import { PickRow } from '@/kit/entry/pick-row'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { CheckFrame } from '../frame/entry/check-frame'
import type { StepProps } from '../frame/step-props'
import { homeAxesView } from './check-view'

/** Home on a machine that homes each axis by itself: which of them are home is said one by one. */
export function HomeAxesStep({ setup, enter, onDone }: StepProps) {
  const [picked, setPicked] = useState<readonly MachineAxis[]>([])
  const { axes, text, facts } = homeAxesView(setup, picked)
  const goOn = () => {
    for (const draft of facts) void enter(draft)
    onDone()
  }
  return (
    <CheckFrame
      words={describeCheck(setup.document, 'home')}
      foot={
        <Button kind="act" onPress={goOn} testID="next">
          {text}
        </Button>
      }
    >
      <Column gap="$2">
        {axes.map(({ axis, isHome }) => (
          <PickRow
            key={axis}
            picked={isHome}
            onPress={() =>
              setPicked(
                picked.includes(axis) ? picked.filter((one) => one !== axis) : [...picked, axis],
              )
            }
          >
            <Words as="lead" strong>
              {axis} is home
            </Words>
          </PickRow>
        ))}
      </Column>
    </CheckFrame>
  )
}
