import { memo } from 'react'
import { ladderOf, planViewOf } from '@pine/core/picture'
import type { Step } from '@pine/core/plan'
import type { LoadedSetup } from '@/data/setup/standing'
import { LadderDrawing } from '@/drawings/ladder-drawing'
import { PlanDrawing } from '@/drawings/plan-drawing'
import { Card, Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { besideStep, lastInZ } from './drawings-view'

const HEIGHT = 190

/** The drawings that a step does not show itself, small beside it: the part from above, and its heights. */
export const DrawingsBeside = memo(function DrawingsBeside({
  setup: { document, solution },
  step,
  across = false,
}: {
  readonly setup: Pick<LoadedSetup, 'document' | 'solution'>
  readonly step: Step
  /** Side by side, rather than one below the other. */
  readonly across?: boolean
}) {
  const { plan, heights } = besideStep(document.sheet, step)
  const ladder = heights ? ladderOf(document, solution, lastInZ(document)) : undefined
  return (
    <Column gap="$3" flexDirection={across ? 'row' : 'column'}>
      {plan && (
        <Column gap="$1" flex={across ? 1 : undefined}>
          <Words as="note">{plan.row} from above</Words>
          <Card>
            <PlanDrawing plan={planViewOf(document, solution, plan)} height={HEIGHT} />
          </Card>
        </Column>
      )}
      {ladder && ladder.rungs.length > 1 && (
        <Column gap="$1" flex={across ? 1 : undefined}>
          <Words as="note">Heights</Words>
          <Card>
            <LadderDrawing
              ladder={ladder}
              unit={solution.unit}
              decimals={solution.decimals}
              height={HEIGHT}
            />
          </Card>
        </Column>
      )}
    </Column>
  )
})
