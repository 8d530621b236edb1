import {
  changeMinutes,
  type ChangeTimes,
  type ChosenTouch,
  type OrderRules,
  type TouchToOrder,
} from './touch-order'

/** A tool with one of its ways, and the tools that it stands for in a set. */
interface Node {
  readonly touch: ChosenTouch
  readonly bit: number
}

/** The least that leads to a node with a set of tools behind it, and from which node. */
interface Reached {
  readonly minutes: number
  readonly from: Reached | undefined
  readonly node: Node
}

/**
 * The quickest of all orders, each tool by each of its ways: for every set of tools that are done and the touch that was last, only
 * the quickest way to get there matters (Held and Karp, J. SIAM 10, 1962).
 */
export function everyOrder(
  touches: readonly TouchToOrder[],
  times: ChangeTimes,
  { first }: OrderRules,
): readonly ChosenTouch[] {
  const nodes = touches.flatMap(({ tool, pocket, ways }, index): readonly Node[] =>
    ways.map((way) => ({ touch: { tool, pocket, way }, bit: 1 << index })),
  )
  const all = (1 << touches.length) - 1
  const inChanger = setOf(
    touches,
    ({ tool, pocket }) => pocket !== undefined && !first.includes(tool),
  )
  const allowed = (done: number, { touch, bit }: Node): boolean => {
    if ((done & bit) !== 0) return false
    const next = first[countOf(done)]
    if (next !== undefined) return touch.tool === next
    return touch.pocket !== undefined || (done & inChanger) === inChanger
  }
  const between = nodes.map((before) =>
    nodes.map(({ touch }) => touch.way.minutes + changeMinutes(before.touch, touch, times)),
  )
  const reached: (Reached | undefined)[][] = Array.from({ length: all + 1 }, () => [])
  const reach = (done: number, index: number, minutes: number, from: Reached | undefined) => {
    const node = nodes[index]
    const row = reached[done]
    if (node === undefined || row === undefined) return
    if (minutes < (row[index]?.minutes ?? Infinity)) row[index] = { minutes, from, node }
  }
  nodes.forEach((node, index) => {
    if (allowed(0, node))
      reach(
        node.bit,
        index,
        node.touch.way.minutes + changeMinutes(undefined, node.touch, times),
        undefined,
      )
  })
  for (let done = 1; done < all; done += 1)
    reached[done]?.forEach((from, last) => {
      nodes.forEach((node, index) => {
        if (from !== undefined && allowed(done, node))
          reach(done | node.bit, index, from.minutes + (between[last]?.[index] ?? Infinity), from)
      })
    })
  return pathTo(quickestOf(reached[all] ?? []))
}

const setOf = (touches: readonly TouchToOrder[], holds: (touch: TouchToOrder) => boolean): number =>
  touches.reduce((set, touch, index) => (holds(touch) ? set | (1 << index) : set), 0)

function countOf(set: number): number {
  let count = 0
  for (let rest = set; rest !== 0; rest &= rest - 1) count += 1
  return count
}

const quickestOf = (ends: readonly (Reached | undefined)[]): Reached | undefined =>
  ends.reduce<Reached | undefined>(
    (best, end) => (end !== undefined && end.minutes < (best?.minutes ?? Infinity) ? end : best),
    undefined,
  )

function pathTo(end: Reached | undefined): readonly ChosenTouch[] {
  const path: ChosenTouch[] = []
  for (let at = end; at !== undefined; at = at.from) path.push(at.node.touch)
  return path.toReversed()
}
