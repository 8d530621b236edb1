import type { SetupDocument } from '../facts/document'
import { roughLengthOf } from '../sheet/fixed-setter'
import type { TouchGap } from '../shop/touch-minutes'
import { orderTouches } from './order-touches'
import { changeMinutes, type ChangeTimes, type ChosenTouch } from './touch-order'
import { waysAtHand, type WayAtHand } from './ways-at-hand'

/** To lay another gauge ready and wipe it, and to turn the changer on by one pocket; minutes, written from memory. */
const GAUGE_CHANGE = 1
const POCKET_TURN = 0.02

/** A touch of the plan: with what, how long it takes, and what else would do. */
export interface PlannedTouch {
  readonly tool: number
  readonly pocket?: number | undefined
  /** Index of the chosen way. */
  readonly chosen: number
  readonly ways: readonly WayAtHand[]
  /** Minutes before it: another gauge, the changer. */
  readonly change: number
}

/** The touches that are left, in the order and by the ways that take the least time and are sure enough. */
export interface TouchPlan {
  readonly touches: readonly PlannedTouch[]
  readonly times: ChangeTimes
  /** In all: the middle, and half of the days lie between these. */
  readonly minutes: { readonly median: number; readonly lower: number; readonly upper: number }
  /** No order and no choice that is sure enough takes less. */
  readonly least: number
}

/**
 * What is left to touch on the setting plane, planned: each tool by a way that is sure enough for the job, in the order that
 * takes the least time. What lengths are counted from comes first, then the longest that is known to be: with it one sees what
 * the others clear (common practice, no source).
 *
 * @param open numbers of the tools that are to be touched.
 * @param pockets in which pocket of the changer a tool sits; loaded by hand where it is not said.
 * @param gaps the log of touches on this machine.
 */
export function planTouches(
  document: SetupDocument,
  open: readonly number[],
  pockets: ReadonlyMap<number, number>,
  gaps: readonly TouchGap[],
): TouchPlan {
  const { machine } = document.sheet
  const times: ChangeTimes = {
    gauge: GAUGE_CHANGE,
    ...(machine.pockets !== undefined && {
      changer: { pockets: machine.pockets, minutesEach: POCKET_TURN },
    }),
  }
  const atHand = waysAtHand(document, open, gaps)
  const tools = open.map((tool) => ({
    tool,
    pocket: times.changer && pockets.get(tool),
    ways: atHand.get(tool) ?? [],
  }))
  const order = orderTouches(
    tools.map(({ tool, pocket, ways }) => ({
      tool,
      pocket,
      ways: sureEnough(ways).map(({ with: gauges, minutes }) => ({
        with: gauges,
        minutes: minutes.median,
      })),
    })),
    times,
    { first: comesFirst(document, open) },
  )
  const touches = order.touches.map((touch, index): PlannedTouch => {
    const ways = tools.find(({ tool }) => tool === touch.tool)?.ways ?? []
    return {
      tool: touch.tool,
      pocket: touch.pocket,
      chosen: ways.findIndex((way) => way.with.join('+') === touch.way.with.join('+')),
      ways,
      change: changeMinutes(order.touches[index - 1], touch, times),
    }
  })
  return { touches, times, minutes: minutesOfPlan(touches, times), least: order.least }
}

/** Ways that meet the need; where none does, the surest. */
function sureEnough(ways: readonly WayAtHand[]): readonly WayAtHand[] {
  const enough = ways.filter(({ fitness }) => fitness === undefined || fitness === 'fit')
  if (enough.length > 0) return enough
  const [surest] = ways.toSorted(
    (one, other) => (one.withinMm ?? Infinity) - (other.withinMm ?? Infinity),
  )
  return surest === undefined ? [] : [surest]
}

/** What a plan takes in whichever order it stands: touches and what lies between them. */
export function minutesOfPlan(
  touches: readonly Omit<PlannedTouch, 'change'>[],
  times: ChangeTimes,
): TouchPlan['minutes'] {
  const chosen = touches.flatMap(chosenTouch)
  const changes = chosen.reduce(
    (sum, touch, index) => sum + changeMinutes(chosen[index - 1], touch, times),
    0,
  )
  const sum = (of: 'median' | 'lower' | 'upper') =>
    touches.reduce((total, { ways, chosen: way }) => total + (ways[way]?.minutes[of] ?? 0), changes)
  return { median: sum('median'), lower: sum('lower'), upper: sum('upper') }
}

/** A planned touch as it stands in an order. */
function chosenTouch({
  tool,
  pocket,
  ways,
  chosen,
}: Omit<PlannedTouch, 'change'>): readonly ChosenTouch[] {
  const way = ways[chosen]
  return way === undefined
    ? []
    : [{ tool, pocket, way: { with: way.with, minutes: way.minutes.median } }]
}

/** The master, then the longest of the others of which the length is known. */
function comesFirst({ sheet }: SetupDocument, open: readonly number[]): readonly number[] {
  const master = sheet.school === 'master-tool' ? sheet.reference?.masterTool : undefined
  const others = sheet.tools.filter(({ number }) => open.includes(number) && number !== master)
  const [longest] = others
    .flatMap((tool) => {
      const nm = roughLengthOf(tool)?.nm
      return nm === undefined ? [] : [{ tool: tool.number, nm }]
    })
    .toSorted((one, other) => other.nm - one.nm)
  return [
    ...(master !== undefined && open.includes(master) ? [master] : []),
    ...(longest === undefined ? [] : [longest.tool]),
  ]
}
