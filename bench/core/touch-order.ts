import { performance } from 'node:perf_hooks'
import { orderMinutes, orderTouches, type ChangeTimes, type TouchToOrder } from '@pine/core/planner'
import { Chance } from '../../core/test/random'

// The order of touches beside trying every order in the same run, and what it spares beside the order of the tools' numbers, each by
// its quickest gauge. Random shops: three gauges of which each serves three of five tools, a changer, minutes as they come.
// Run: npx tsx bench/core/touch-order.ts

const say = (line: string) => process.stdout.write(`${line}\n`)

const chance = new Chance(15)

function shop(count: number): {
  readonly touches: readonly TouchToOrder[]
  readonly times: ChangeTimes
} {
  const pockets = chance.whole(16, 40)
  const touches = Array.from({ length: count }, (_, index): TouchToOrder => {
    const ways = [0, 1, 2]
      .filter(() => chance.next() < 0.6)
      .map((gauge) => ({ with: [`gauge ${gauge}`], minutes: 0.5 + 3 * chance.next() }))
    return {
      tool: index + 1,
      pocket: chance.whole(1, pockets),
      ways: ways.length > 0 ? ways : [{ with: ['gauge 0'], minutes: 2 }],
    }
  })
  return { touches, times: { gauge: 1, changer: { pockets, minutesEach: 0.05 } } }
}

/** Every order and every way, one after another. */
function byTrying(touches: readonly TouchToOrder[], times: ChangeTimes): number {
  const on = (left: readonly TouchToOrder[], done: Parameters<typeof orderMinutes>[0]): number =>
    left.length === 0
      ? orderMinutes(done, times)
      : Math.min(
          ...left.flatMap((one) =>
            one.ways.map((way) =>
              on(
                left.filter((other) => other !== one),
                [...done, { tool: one.tool, pocket: one.pocket, way }],
              ),
            ),
          ),
        )
  return on(touches, [])
}

/** In the order of their numbers, each with its quickest gauge. */
const byNumber = (touches: readonly TouchToOrder[], times: ChangeTimes): number =>
  orderMinutes(
    touches.map(({ tool, pocket, ways }) => ({
      ...{ tool, pocket },
      way: ways.reduce((best, way) => (way.minutes < best.minutes ? way : best)),
    })),
    times,
  )

const timed = <Result>(work: () => Result): readonly [Result, number] => {
  const started = performance.now()
  return [work(), performance.now() - started]
}

for (const [count, rounds] of [
  [5, 20],
  [6, 5],
  [10, 20],
  [20, 20],
  [40, 5],
] as const) {
  let [ours, tried, minutes, numbered] = [0, 0, 0, 0]
  let worst = 1
  for (let round = 0; round < rounds; round += 1) {
    const { touches, times } = shop(count)
    const [order, took] = timed(() => orderTouches(touches, times))
    ours += took
    if (count <= 6) {
      const [least, longer] = timed(() => byTrying(touches, times))
      tried += longer
      if (order.minutes > least + 1e-9)
        throw new Error(`${order.minutes} is not the least, ${least}`)
    }
    minutes += order.minutes
    numbered += byNumber(touches, times)
    worst = Math.max(worst, order.minutes / order.least)
  }
  const beside = count <= 6 ? `, trying all ${(tried / rounds).toFixed(1)} ms` : ''
  say(
    `${count} tools: ${(ours / rounds).toFixed(1)} ms${beside}; ${(minutes / rounds).toFixed(1)} minutes of work, by numbers ${(numbered / rounds).toFixed(1)}; at most ${((worst - 1) * 100).toFixed(0)} % above what no order could do`,
  )
}
