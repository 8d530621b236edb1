import type { Place } from '../kit'
import type { Assembly } from './assembly'
import { gapsTo, type Body } from './body'
import { finderShows } from './finder'
import type { Fixed } from './meeting'

/** What a person holds between the tip and what lies beneath it. */
export type Instrument =
  | { readonly kind: 'paper' | 'shim'; readonly thickness: number }
  | { readonly kind: 'block' | 'roller'; readonly size: number }
  /** A plate with a clip: `clipped` once the clip hangs on the tool. */
  | { readonly kind: 'clip'; readonly clipped: boolean }

/** What a person sees, hears or feels of it. No number of the world is in it that they would not have. */
export type Sensed =
  | { readonly by: 'paper' | 'shim'; readonly feels: 'free' | 'drags' | 'pinched' | 'torn' }
  | { readonly by: 'block' | 'roller'; readonly feels: 'passes' | 'stops' }
  | { readonly by: 'clip'; readonly lit: boolean }
  /** A dial: how far its needle is past zero, nanometres, and how often it turned; `over` beyond its travel. */
  | { readonly by: 'setter' | 'dial-sensor'; readonly needle: number; readonly over: boolean }
  | { readonly by: 'light'; readonly lit: boolean }
  | { readonly by: 'finder'; readonly runsOut: number; readonly kicked: boolean }

/** How far a sheet gives way while it drags and before it is pinched, then torn. Common practice, no source. */
const DRAGS_NM = 8_000
const TEARS_NM = 60_000

/** What a person notices with the spindle where it is, by everything that they hold or that stands there. */
export function sense(
  bodies: Fixed,
  {
    tool,
    length,
    at,
    spindle,
    holds,
  }: {
    readonly tool: Assembly | undefined
    readonly length: number
    readonly at: Place
    readonly spindle: number
    readonly holds?: Instrument | undefined
  },
): readonly Sensed[] {
  const radius = (tool?.diameter ?? 0) / 2
  const tip = at.Z - length
  const beneath = bodies.filter((body) => gapsTo(body, at.X, at.Y) < radius)
  // A body that the tip stands beside and not above is no support for what lies under it.
  const top = Math.max(...beneath.map(({ high }) => high.Z))
  const sensed: Sensed[] = []
  if (holds !== undefined && Number.isFinite(top)) sensed.push(felt(holds, tip - top))
  for (const body of beneath)
    if (body.springs !== undefined) {
      const needle = body.high.Z - tip
      const on = { needle, over: needle > body.springs }
      if (needle > -TEARS_NM * 20) sensed.push({ by: 'setter', ...on })
    }
  if (tool?.kind === 'edge-finder' || tool?.kind === 'wobbler') {
    const past = spindle > 0 ? nearestFace(bodies, at, tip, radius) : undefined
    if (past !== undefined) sensed.push({ by: 'finder', ...finderShows(past, tool.travel ?? 0) })
  }
  if (tool?.kind === 'dial-sensor') {
    // Both needles at zero: the axis stands over the face.
    const past = nearestFace(bodies, at, tip, 0)
    if (past !== undefined)
      sensed.push({ by: 'dial-sensor', needle: past, over: past > (tool.travel ?? 0) })
  }
  return sensed
}

/** @param gap between the tip and what lies beneath, nanometres. */
function felt(holds: Instrument, gap: number): Sensed {
  switch (holds.kind) {
    case 'paper':
    case 'shim': {
      const slack = gap - holds.thickness
      return {
        by: holds.kind,
        feels:
          slack > 0 ? 'free' : slack > -DRAGS_NM ? 'drags' : slack > -TEARS_NM ? 'pinched' : 'torn',
      }
    }
    case 'block':
    case 'roller':
      return { by: holds.kind, feels: gap >= holds.size ? 'passes' : 'stops' }
    case 'clip':
      return { by: 'clip', lit: holds.clipped && gap <= 0 }
  }
}

/** How far a round thing is past contact with the nearest side that it can reach; undefined where none is near. */
function nearestFace(bodies: Fixed, at: Place, tip: number, radius: number): number | undefined {
  const beside = bodies.filter((body: Body) => tip < body.high.Z && tip > body.low.Z)
  const past = Math.max(...beside.map((body) => radius - gapsTo(body, at.X, at.Y)))
  return past > -20_000_000 ? past : undefined
}
