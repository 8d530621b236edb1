import { axisOfAddress, rowOfAddress, type Address } from '@pine/core/address'
import { ladderOf, planViewOf } from '@pine/core/picture'
import { stepsOf } from '@pine/core/plan'
import { type QuantityName } from '@pine/core/quantities'
import { toolOfRegister } from '@pine/core/sheet'
import type { LoadedSetup } from '@/data/setup/standing'
import { LadderDrawing } from '@/drawings/ladder-drawing'
import { PlanDrawing } from '@/drawings/plan-drawing'
import { Card } from '@/kit/surfaces'

export interface RegisterPictureProps {
  readonly setup: LoadedSetup
  readonly address: Address
}

/** The number of a register drawn to scale, where there is room: a wide screen shows more, not bigger. */
export function RegisterPicture({ setup: { document, solution }, address }: RegisterPictureProps) {
  const row = rowOfAddress(address)
  const axis = axisOfAddress(address)
  const offset = document.sheet.offsets.find((one) => one.row === row)
  if (offset && (axis === 'X' || axis === 'Y'))
    return (
      <Card>
        <PlanDrawing plan={planViewOf(document, solution, offset)} height={300} />
      </Card>
    )
  const tool = toolOfRegister(document.sheet, address)
  const quantity = stepsOf(document, solution, false).flatMap(({ step }): QuantityName[] => {
    if (step.does !== 'read') return []
    const of = step.quantity
    const serves =
      tool !== undefined
        ? 'tool' in of && of.tool === tool && of.of !== 'tool-diameter'
        : step.station === 'height' && 'row' in of && of.row === row
    return serves ? [of] : []
  })[0]
  return (
    <Card>
      <LadderDrawing
        ladder={ladderOf(document, solution, quantity)}
        unit={solution.unit}
        decimals={solution.decimals}
        height={300}
      />
    </Card>
  )
}
