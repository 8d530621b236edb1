import type { Place } from '../kit'
import { reachOf, type Assembly, type Cylinder } from './assembly'
import { gapsTo, type Body } from './body'

/** What stands in the shop, and does not move by itself. */
export type Fixed = readonly Body[]

/** Something in the spindle met something on the table. */
export interface Met {
  readonly what: Cylinder['of']
  readonly body: Body
  /** How far one would be inside the other, nanometres: the way out that is shortest. */
  readonly by: number
  /** Whether it went down into it, or ran against its side. */
  readonly from: 'above' | 'beside'
}

/**
 * Everything that what hangs in the spindle runs into at a place; nothing while it is clear. A sprung body is met only beyond its spring.
 *
 * @param at where axis and nose truly stand, nanometres.
 * @param length of the tool as it is seated.
 */
export function meets(
  bodies: Fixed,
  tool: Assembly | undefined,
  length: number,
  at: Place,
): readonly Met[] {
  const reach = reachOf(tool, length)
  return bodies.flatMap((body) =>
    reach.flatMap(({ of, from, to, radius }): Met[] => {
      const low = at.Z - length + from
      const high = at.Z - length + to
      const top = body.high.Z - (of === 'tip' ? (body.springs ?? 0) : 0)
      const down = top - low
      if (down <= 0 || high <= body.low.Z) return []
      const beside = radius - gapsTo(body, at.X, at.Y) - (of === 'tip' ? givesWay(tool) : 0)
      if (beside <= 0) return []
      return [
        { what: of, body, by: Math.min(down, beside), from: down <= beside ? 'above' : 'beside' },
      ]
    }),
  )
}

/** How far the tip of an instrument is pushed aside without harm. */
const givesWay = (tool: Assembly | undefined): number =>
  tool?.kind === 'edge-finder' || tool?.kind === 'wobbler' || tool?.kind === 'dial-sensor'
    ? (tool.travel ?? 0)
    : 0
