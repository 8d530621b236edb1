import { memo } from 'react'
import { useMedia } from '@tamagui/core'
import { type Chain } from '@pine/core/chain'
import { ladderOf, planViewOf } from '@pine/core/picture'
import { asksForSpindle } from '@pine/core/plan'
import { type QuantityName } from '@pine/core/quantities'
import { sideOf } from '@pine/core/sheet'
import { axisOfFace } from '@pine/core/touch'
import { describeApproach } from '@pine/core/words'
import { isPreviewed } from '@/data/setup/preview'
import type { LoadedSetup } from '@/data/setup/standing'
import { LadderDrawing } from '@/drawings/ladder-drawing'
import { PlanDrawing } from '@/drawings/plan-drawing'
import { Card } from '@/kit/surfaces'
import { isDifference } from './reading-draft'
import { lengthWriter } from '../frame/entry/write-length'

interface StepPictureProps {
  readonly quantity: QuantityName
  readonly preview: LoadedSetup['document']
  readonly solution: LoadedSetup['solution']
  readonly using: readonly string[]
  /** What is drawn was not read: it is what should be. */
  readonly isExpected: boolean
  readonly onTrace: (title: string, chain: Chain) => void
}

/** Heights for a touch in Z, the part from above for a face; drawn anew only when a key has changed what is read. */
export const StepPicture = memo(function StepPicture({
  quantity,
  preview,
  solution,
  using,
  isExpected,
  onTrace,
}: StepPictureProps) {
  const { wide, tall, small } = useMedia()
  const height = wide ? 330 : tall ? 420 : small ? 150 : pictureHeight(quantity, preview)
  const inPlan = PLAN_QUANTITIES.includes(quantity.of) && 'row' in quantity
  const offset = inPlan ? preview.sheet.offsets.find(({ row }) => row === quantity.row) : undefined
  // Heights say nothing about a diameter.
  if (quantity.of === 'tool-diameter') return null
  if (offset === undefined)
    return (
      <Card>
        <LadderDrawing
          ladder={ladderOf(preview, solution, quantity, using)}
          unit={solution.unit}
          decimals={solution.decimals}
          height={height}
          isFaint={isExpected ? isPreviewed : undefined}
          onTrace={onTrace}
        />
      </Card>
    )
  const axis = quantity.of === 'face' ? axisOfFace(quantity.face) : 'X'
  const size =
    quantity.of === 'face'
      ? solution.sizes.find((one) => one.row === offset.row && one.axis === axis)
      : undefined
  const write = lengthWriter(solution)
  return (
    <Card>
      <PlanDrawing
        plan={planViewOf(preview, solution, offset, { at: quantity, with: using })}
        height={height}
        approach={
          quantity.of === 'face' ? describeApproach(quantity.face, sideOf(offset[axis])) : undefined
        }
        size={size && { text: write(size.implied), agrees: size.agrees, axis }}
      />
    </Card>
  )
})

/** On a phone the picture gives way where more is asked for than one number. */
function pictureHeight(quantity: QuantityName, document: LoadedSetup['document']): number {
  if (quantity.of === 'sweep') return 124
  return isDifference(quantity) || asksForSpindle(document, quantity) ? 168 : 190
}

/** Touched in the plane, seen from above. */
const PLAN_QUANTITIES: readonly QuantityName['of'][] = [
  'face',
  'circle-point',
  'edge-point',
  'sweep',
]
