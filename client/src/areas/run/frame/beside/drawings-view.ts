import { axisOfAddress, rowOfAddress, type OffsetRow } from '@pine/core/address'
import type { SetupDocument } from '@pine/core/facts'
import type { Step } from '@pine/core/plan'
import { axesRead, axisOfQuantity, type QuantityName } from '@pine/core/quantities'
import type { OffsetPlan, SetupSheet } from '@pine/core/sheet'

/** Whether a step fills the middle of a wide screen itself: then what stands beside it goes to the side. */
export const fillsTheMiddle = ({ does }: Step): boolean => does === 'read' || does === 'prove'

/** Which drawings stand beside a step on a wide screen: those that it does not show large itself. */
export function besideStep(
  { offsets }: Pick<SetupSheet, 'offsets'>,
  step: Step,
): { readonly plan: OffsetPlan | undefined; readonly heights: boolean } {
  const large = drawnLarge(step)
  const row = rowOf(step)
  return {
    plan: large === 'plan' ? undefined : (offsets.find((one) => one.row === row) ?? offsets[0]),
    heights: large !== 'heights',
  }
}

function drawnLarge(step: Step): 'plan' | 'heights' | undefined {
  switch (step.does) {
    case 'read':
      if (step.quantity.of === 'tool-diameter') return undefined
      return axesRead(step.quantity).length > 1 || axisOfQuantity(step.quantity) !== 'Z'
        ? 'plan'
        : 'heights'
    case 'key-in':
      return axisOfAddress(step.address) === 'Z' ? 'heights' : 'plan'
    // The move of a proof is a drawing of heights of its own.
    case 'prove':
      return 'heights'
    default:
      return undefined
  }
}

function rowOf(step: Step): OffsetRow | undefined {
  if (step.does === 'read') return 'row' in step.quantity ? step.quantity.row : undefined
  if (step.does === 'key-in') return rowOfAddress(step.address)
  return step.does === 'prove' ? step.row : undefined
}

/** What was touched last in Z: its heights are drawn where a step is about none of its own. */
export const lastInZ = ({ readings }: Pick<SetupDocument, 'readings'>): QuantityName | undefined =>
  readings.findLast((one) => one.of !== 'tool-diameter' && axisOfQuantity(one) === 'Z')
