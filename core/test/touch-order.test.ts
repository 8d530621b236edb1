import {
  changeMinutes,
  keepsRules,
  orderMinutes,
  orderTouches,
  type ChangeTimes,
  type ChosenTouch,
  type OrderRules,
  type TouchToOrder,
} from '../src/planner'
import { Chance, trials } from './random'

const way = (minutes: number, ...gauges: readonly string[]) => ({ with: gauges, minutes })
const setter = way(1.5, 'setter')
const times = (changer?: ChangeTimes['changer']): ChangeTimes => ({ gauge: 1, changer })
const round = { pockets: 20, minutesEach: 0.1 }
const tools = ({ touches }: { readonly touches: readonly ChosenTouch[] }) =>
  touches.map(({ tool }) => tool)

describe('the order of touches', () => {
  test('goes round the changer and leaves out its widest gap, whichever tool was listed first', () => {
    const touches = [12, 2, 18, 4].map((pocket) => ({ tool: pocket, pocket, ways: [setter] }))
    const order = orderTouches(touches, times(round))
    // From 12 over 18 and 0 to 4: 6 + 4 + 2 pockets; the gap of 8 from 4 to 12 is left out.
    expect([
      [12, 18, 2, 4],
      [4, 2, 18, 12],
    ]).toContainEqual(tools(order))
    expect(order.minutes).toBeCloseTo(4 * 1.5 + 1 + 12 * 0.1, 9)
    expect(order.least).toBe(order.minutes)
  })

  test('takes a slower touch where it saves laying another gauge ready, and not where it costs more', () => {
    const paper = (minutes: number) => way(minutes, 'paper')
    const touches = (slower: number): readonly TouchToOrder[] => [
      { tool: 1, ways: [setter, paper(1)] },
      { tool: 2, ways: [setter] },
      { tool: 3, ways: [{ ...setter, minutes: slower }, paper(1)] },
    ]
    const keys = (slower: number) =>
      orderTouches(touches(slower), times()).touches.map((one) => one.way.with[0])
    expect(keys(1.3)).toEqual(['setter', 'setter', 'setter'])
    expect(keys(4).toSorted()).toEqual(['paper', 'paper', 'setter'])
  })

  test('begins with what must come first, and loads by hand last', () => {
    const touches = [
      { tool: 7, ways: [setter] },
      { tool: 1, pocket: 1, ways: [setter] },
      { tool: 2, pocket: 2, ways: [setter] },
      { tool: 3, pocket: 6, ways: [setter] },
      { tool: 8, ways: [setter] },
    ]
    const beginning = (...first: readonly number[]) =>
      orderTouches(touches, times(round), { first })
    expect(tools(beginning(2)).slice(0, 3)).toEqual([2, 1, 3])
    expect(tools(beginning(2)).slice(3).toSorted()).toEqual([7, 8])
    expect(tools(beginning(8, 3))).toEqual([8, 3, 2, 1, 7])
    // Five touches, the setter laid ready, four pockets and one more.
    expect(beginning(8, 3).minutes).toBeCloseTo(5 * 1.5 + 1 + 0.5, 9)
  })

  test('counts the shorter way round, and nothing for a tool that is loaded by hand', () => {
    const at = (pocket?: number): ChosenTouch => ({ tool: 1, pocket, way: setter })
    expect(changeMinutes(at(1), at(19), times(round))).toBeCloseTo(0.2, 9)
    expect(changeMinutes(at(5), at(9), times(round))).toBeCloseTo(0.4, 9)
    expect(changeMinutes(at(5), at(), times(round))).toBe(0)
    expect(changeMinutes(at(1), at(19), times())).toBe(0)
    expect(changeMinutes(undefined, at(19), times(round))).toBe(1)
    expect(changeMinutes(at(1), { ...at(1), way: way(1, 'paper') }, times(round))).toBe(1)
  })

  test('of more than ten tools it is found by bettering, and the bound is met where the way round is all there is', () => {
    // Beginning at 1 it goes 5, then 16 back over 40 to 30, then 5; over 40 from 30 to 6 it is 5 + 6 + 5.
    const pockets = [1, 2, 3, 4, 5, 6, 30, 31, 32, 33, 34, 35]
    const touches = pockets.map((pocket) => ({ tool: pocket, pocket, ways: [setter] }))
    const order = orderTouches(touches, times({ pockets: 40, minutesEach: 0.1 }))
    expect(order.minutes).toBeCloseTo(12 * 1.5 + 1 + 16 * 0.1, 9)
    expect(order.least).toBeCloseTo(order.minutes, 9)
  })

  test('of very many each is touched by its quickest gauge where laying one ready costs nothing', () => {
    const touches = Array.from({ length: 60 }, (_, index) => ({
      tool: index + 1,
      ways: [way(index % 2 === 0 ? 1 : 3, 'setter'), way(2, 'paper')],
    }))
    const order = orderTouches(touches, { gauge: 0 })
    expect(order.minutes).toBeCloseTo(30 * 1 + 30 * 2, 9)
    expect(order.least).toBeCloseTo(order.minutes, 9)
    // Where it costs much, all are touched with the one that all together are quickest with.
    const dear = orderTouches(touches, { gauge: 100 })
    expect(dear.minutes).toBeCloseTo(60 * 2 + 100, 9)
    expect(dear.least).toBeCloseTo(dear.minutes, 9)
  })

  test('is bettered by turning a stretch round as well: without that these six shops take 7 minutes more', () => {
    const minutesOf = (seed: number) => {
      const chance = new Chance(seed)
      const touches = Array.from({ length: chance.whole(11, 22) }, (_, index) => ({
        tool: index + 1,
        ...(chance.next() < 0.9 && { pocket: chance.whole(1, 40) }),
        ways: ['a', 'b', 'c']
          .filter((gauge) => gauge === 'a' || chance.next() < 0.5)
          .map((gauge) => way(0.5 + chance.next() * 3, gauge)),
      }))
      return orderTouches(touches, times({ pockets: 40, minutesEach: 0.1 })).minutes
    }
    const all = [15, 20, 21, 31, 44, 48].reduce((sum, seed) => sum + minutesOf(seed), 0)
    // What it came to when this was written, and half a minute.
    expect(all).toBeLessThan(236.4)
  })

  test('says what was wrong with what it was asked', () => {
    expect(() => orderTouches([{ tool: 3, ways: [] }], times())).toThrow(/T3 has no way/)
    expect(() => orderTouches([{ tool: 3, ways: [setter] }], times(), { first: [4] })).toThrow(
      /T4 is to come first and is not touched/,
    )
    expect(orderTouches([], times())).toEqual({ touches: [], minutes: 0, least: 0 })
  })
})

/** Every order and every way, one after another: nothing of the planner's own. */
function quickestByTrying(
  touches: readonly TouchToOrder[],
  { gauge, changer }: ChangeTimes,
  first: readonly number[],
): number {
  const turn = (from?: number, to?: number) => {
    if (changer === undefined || from === undefined || to === undefined) return 0
    const ways = [from - to, to - from].map(
      (steps) => (steps + 10 * changer.pockets) % changer.pockets,
    )
    return Math.min(...ways) * changer.minutesEach
  }
  const on = (
    left: readonly TouchToOrder[],
    done: number,
    key?: string,
    pocket?: number,
  ): number => {
    if (left.length === 0) return 0
    const forced = first[done]
    const next = left.filter((one) =>
      forced === undefined
        ? one.pocket !== undefined || left.every((other) => other.pocket === undefined)
        : one.tool === forced,
    )
    return Math.min(
      ...next.flatMap((one) =>
        one.ways.map((by) => {
          const its = by.with.join('+')
          return (
            by.minutes +
            (its === key ? 0 : gauge) +
            turn(pocket, one.pocket) +
            on(
              left.filter((other) => other !== one),
              done + 1,
              its,
              one.pocket,
            )
          )
        }),
      ),
    )
  }
  return on(touches, 0)
}

describe('on random shops', () => {
  const chance = new Chance(20261127)
  const random = () => chance.next()
  const shop = (count: number, gauges: number) => {
    const pockets = 10 + Math.floor(random() * 31)
    const touches = Array.from({ length: count }, (_, index): TouchToOrder => {
      const ways = Array.from({ length: gauges }, (_, gauge) => gauge)
        .filter(() => random() < 0.6)
        .map((gauge) => way(0.5 + 3 * random(), `gauge ${gauge}`))
      return {
        tool: index + 1,
        ...(random() < 0.8 && { pocket: 1 + Math.floor(random() * pockets) }),
        ways: ways.length > 0 ? ways : [way(2, 'gauge 0')],
      }
    })
    const asked: ChangeTimes = {
      gauge: 2 * random(),
      ...(random() < 0.8 && { changer: { pockets, minutesEach: 0.2 * random() } }),
    }
    const rules: OrderRules = {
      first: random() < 0.3 ? [1 + Math.floor(random() * count)] : [],
    }
    return { touches, asked, rules }
  }

  test('no order is quicker, where all can be tried', () => {
    for (let round = 0; round < trials(250); round += 1) {
      const { touches, asked, rules } = shop(2 + (round % 4), 1 + (round % 3))
      const order = orderTouches(touches, asked, rules)
      expect(order.minutes).toBeCloseTo(quickestByTrying(touches, asked, rules.first), 9)
      expect(order.minutes).toBeCloseTo(orderMinutes(order.touches, asked), 9)
      expect(keepsRules(order.touches, rules)).toBe(true)
      expect(tools(order).toSorted()).toEqual(touches.map(({ tool }) => tool).toSorted())
    }
  })

  test('with more tools it is within a fifth of what no order could do', () => {
    for (let round = 0; round < trials(20); round += 1) {
      const { touches, asked, rules } = shop(11 + Math.floor(random() * 20), 3)
      const order = orderTouches(touches, asked, rules)
      expect(order.minutes / order.least).toBeLessThan(1.2)
      expect(order.minutes / order.least).toBeGreaterThan(1 - 1e-9)
      expect(keepsRules(order.touches, rules)).toBe(true)
      expect(tools(order).toSorted()).toEqual(touches.map(({ tool }) => tool).toSorted())
    }
  })
})
