/** One way to touch a tool: the gauges that lie at it, and how long a touch with them takes, the tool's change included. Minutes. */
export interface TouchWay {
  readonly with: readonly string[]
  readonly minutes: number
}

/** A tool that is to be touched, with every way to do it; in the pocket of a changer, or loaded by hand. */
export interface TouchToOrder {
  readonly tool: number
  readonly pocket?: number | undefined
  /** At least one. */
  readonly ways: readonly TouchWay[]
}

/** What it takes to get from one touch to the next, beside the touches themselves. */
export interface ChangeTimes {
  /** To lay another gauge ready, and the first one: minutes. */
  readonly gauge: number
  /** A changer turns the shorter way round; absent where every tool is loaded by hand. */
  readonly changer?: { readonly pockets: number; readonly minutesEach: number } | undefined
}

/** Tools that come first, in this order. Among the others those that are loaded by hand come last: one walks there once. */
export interface OrderRules {
  readonly first: readonly number[]
}

/** A touch at its place in the order. */
export interface ChosenTouch {
  readonly tool: number
  readonly pocket?: number | undefined
  readonly way: TouchWay
}

/** An order of touches, with what it takes and what no order could take less than. */
export interface TouchOrder {
  readonly touches: readonly ChosenTouch[]
  readonly minutes: number
  /** No order takes less: `minutes` itself where all were tried. */
  readonly least: number
}

/** Two ways with the same gauges need no change between them. */
export const gaugesKey = (way: Pick<TouchWay, 'with'>): string => way.with.join('+')

/** Minutes that a changer turns from one pocket to another, the shorter way round; 0 where one of the two is loaded by hand. */
export function turnMinutes(
  from: number | undefined,
  to: number | undefined,
  { changer }: ChangeTimes,
): number {
  if (changer === undefined || from === undefined || to === undefined) return 0
  const apart = Math.abs(from - to) % changer.pockets
  return Math.min(apart, changer.pockets - apart) * changer.minutesEach
}

/** Minutes before a touch: another gauge is laid ready, the changer turns. */
export const changeMinutes = (
  before: ChosenTouch | undefined,
  touch: ChosenTouch,
  times: ChangeTimes,
): number =>
  (before !== undefined && gaugesKey(before.way) === gaugesKey(touch.way) ? 0 : times.gauge) +
  turnMinutes(before?.pocket, touch.pocket, times)

/** What an order takes in all: touches and what lies between them. Minutes. */
export const orderMinutes = (touches: readonly ChosenTouch[], times: ChangeTimes): number =>
  touches.reduce(
    (sum, touch, index) =>
      sum + touch.way.minutes + changeMinutes(touches[index - 1], touch, times),
    0,
  )

/** Whether an order keeps the rules: what comes first does, and what is loaded by hand comes last among the others. */
export function keepsRules(touches: readonly ChosenTouch[], { first }: OrderRules): boolean {
  const others = touches.slice(first.length)
  return (
    first.every((tool, index) => touches[index]?.tool === tool) &&
    others.every(
      ({ pocket }, index) =>
        pocket === undefined || others[index - 1]?.pocket !== undefined || index === 0,
    )
  )
}
