import type { StandInMade } from '../src/stand-in'
import type { Assembly, Body } from '../src/shop'

/** Millimetres as nanometres. */
export const mm = (value: number): number => Math.round(value * 1_000_000)

const place = (x: number, y: number, z: number) => ({ X: mm(x), Y: mm(y), Z: mm(z) })

/**
 * The worked case of docs/domain.md: the bare nose meets the table at −500, a part 120 mm high lies on it, and a setter whose pad stands
 * 150 mm high; the tool is 80 mm long.
 */
export const PART: Body = {
  ...{ id: 'part', kind: 'part', low: place(-300, -200, -500), high: place(-180, -120, -380) },
}
export const SETTER: Body = {
  ...{ id: 'setter', kind: 'setter', low: place(-100, -100, -500), high: place(-60, -60, -350) },
  springs: mm(1),
}
const TABLE: Body = {
  ...{ id: 'table', kind: 'table', low: place(-500, -300, -600), high: place(0, 0, -500) },
}

const tool = (number: number, length: number, part: Partial<Assembly> = {}): Assembly => ({
  ...{ number, name: `mill ${number}`, kind: 'mill', length: mm(length), diameter: mm(10) },
  ...{ stickOut: mm(40), holder: { diameter: mm(40) }, seats: 0, ...part },
})

export const TOOLS: readonly Assembly[] = [
  tool(1, 80),
  tool(2, 120),
  tool(3, 90, { kind: 'edge-finder', name: 'edge finder', travel: mm(0.5) }),
  tool(4, 95, { kind: 'dial-sensor', name: 'sensor', diameter: mm(4), travel: mm(2) }),
  tool(5, 80, { name: 'taper', seats: 10_000 }),
]

/** A small mill with switches, home at the top and at the far corner. @param lostMotion of each screw, millimetres. */
export const benchMill = (part: Partial<StandInMade> = {}, lostMotion = 0): StandInMade => {
  const slide = (min: number) => ({
    ...{ travel: { min: mm(min), max: mm(1) }, lostMotion: mm(lostMotion), home: 0 },
  })
  return {
    name: 'Bench mill',
    slides: { X: slide(-500), Y: slide(-300), Z: slide(-480) },
    control: {
      ...{ unit: 'mm', decimals: 3, lengthSign: 1, diameterAs: 'diameter', keepsLengths: true },
      tools: 20,
    },
    hasSwitches: true,
    tools: TOOLS,
    bodies: [TABLE, PART, SETTER],
    rapid: mm(6000),
    ...part,
  }
}
