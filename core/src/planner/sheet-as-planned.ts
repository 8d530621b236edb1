import type { LeftOutTool } from '../sheet/tool'
import type { SetupSheet } from '../sheet/sheet'

/** What somebody made of a plan: tools in the order in which they are touched, with what, and those that are left out for now. */
export interface PlanKept {
  readonly touches: readonly { readonly tool: number; readonly with: readonly string[] }[]
  readonly leftOut: readonly { readonly tool: number; readonly reason: string }[]
}

/**
 * The sheet by which a plan is worked: planned tools first, in their order and with their gauges, then those that the plan says
 * nothing of; nothing is asked of those that are left out. One that was left out before and is not any more comes back.
 */
export function sheetAsPlanned(sheet: SetupSheet, { touches, leftOut }: PlanKept): SetupSheet {
  const { leftOut: before = [], ...rest } = sheet
  const all = [...sheet.tools, ...before.map(({ tool }) => tool)]
  const out = leftOut.flatMap(({ tool, reason }): readonly LeftOutTool[] =>
    all.filter(({ number }) => number === tool).map((one) => ({ tool: one, reason })),
  )
  const isOut = (tool: number) => out.some((one) => one.tool.number === tool)
  const planned = touches.flatMap(({ tool, with: gauges }) =>
    all
      .filter(({ number }) => number === tool && !isOut(number))
      .map((one) => ({ ...one, touchWith: [...gauges] })),
  )
  const others = all.filter(
    ({ number }) => !isOut(number) && planned.every((one) => one.number !== number),
  )
  return {
    ...rest,
    tools: [...planned, ...others],
    ...(out.length > 0 && { leftOut: out }),
  }
}
