export type AssemblyKind =
  'nose' | 'mill' | 'drill' | 'edge-finder' | 'wobbler' | 'dial-sensor' | 'pin' | 'indicator'

/** A tool in its holder as it really is: nobody at the machine knows its length. Nanometres. */
export interface Assembly {
  readonly number: number
  readonly name: string
  readonly kind: AssemblyKind
  /** From the nose to the tip, when it is seated as it was the first time. */
  readonly length: number
  readonly diameter: number
  /** How much of it stands out of its holder. */
  readonly stickOut: number
  readonly holder: { readonly diameter: number }
  /** Each time that it goes into the spindle it seats this much otherwise, one standard deviation. */
  readonly seats: number
  /** How far a finder runs out, or the pointer of a sensor travels. */
  readonly travel?: number
}

/** Half the spindle's nose: it meets what stands beside a short tool. Common practice, no source. */
const NOSE_RADIUS = 35_000_000

/** Its length as it is seated now. @param seated a normal deviate, one standard deviation being 1. */
export const lengthIn = ({ length, seats }: Assembly, seated: number): number =>
  length + Math.round(seated * seats)

/** A piece of what hangs in the spindle: a cylinder about its axis, by how far above the tip it begins and ends. */
export interface Cylinder {
  readonly of: 'tip' | 'holder' | 'nose'
  readonly from: number
  readonly to: number
  readonly radius: number
}

/** What reaches down from the spindle, from the tip up. @param length as it is seated. */
export function reachOf(tool: Assembly | undefined, length: number): readonly Cylinder[] {
  const nose = { of: 'nose', from: length, to: length + 100_000_000, radius: NOSE_RADIUS } as const
  if (tool === undefined) return [{ ...nose, from: 0 }]
  const shank = Math.min(tool.stickOut, length)
  return [
    { of: 'tip', from: 0, to: shank, radius: tool.diameter / 2 },
    { of: 'holder', from: shank, to: length, radius: tool.holder.diameter / 2 },
    nose,
  ]
}
