import type { Assembly, Body } from '../shop'
import type { StandInMade } from '../stand-in'

// The mill of the demonstration's invented workshop, with a vise, a part and a setter on it. Every number here is made up.

const mm = (value: number): number => Math.round(value * 1_000_000)
const at = (x: number, y: number, z: number) => ({ X: mm(x), Y: mm(y), Z: mm(z) })

const body = (
  id: string,
  kind: Body['kind'],
  low: readonly [number, number, number],
  high: readonly [number, number, number],
  part: Partial<Body> = {},
): Body => ({ id, kind, low: at(...low), high: at(...high), ...part })

const tool = (
  number: number,
  name: string,
  length: number,
  diameter: number,
  part: Partial<Assembly> = {},
): Assembly => ({
  ...{ number, name, kind: 'mill', length: mm(length), diameter: mm(diameter) },
  ...{ stickOut: mm(length * 0.45), holder: { diameter: mm(50) }, seats: 3_000 },
  ...part,
})

/** Where Z is met by the bare nose: the table 480 below home, its vise 60 high, a setter of 50.002 on the fixed jaw. */
const TABLE = -480
const JAW = TABLE + 60

export function workshopMill(): StandInMade {
  const slide = (min: number, lostMotion: number) => ({
    travel: { min: mm(min), max: mm(0.5) },
    lostMotion: mm(lostMotion),
    home: 0,
  })
  return {
    name: 'Mill 2',
    slides: { X: slide(-700, 0.006), Y: slide(-450, 0.008), Z: slide(-500, 0.004) },
    control: {
      ...{ unit: 'mm', decimals: 3, lengthSign: 1, diameterAs: 'diameter', keepsLengths: true },
      tools: 99,
    },
    hasSwitches: true,
    rapid: mm(12_000),
    tools: [
      tool(1, '50 mm face mill', 88.412, 50),
      tool(2, '16 mm end mill', 96.118, 16),
      tool(3, '8 mm end mill', 81.264, 8),
      tool(4, '10 mm drill', 121.53, 10, { kind: 'drill' }),
      tool(5, 'M6 tap', 108.207, 6),
      tool(6, '90° chamfer mill', 90.755, 10),
      tool(20, '10 mm edge finder', 84.6, 10, { kind: 'edge-finder', travel: mm(0.4) }),
    ],
    bodies: [
      body('table', 'table', [-700, -450, TABLE - 80], [0, 0, TABLE]),
      body('fixed-jaw', 'jaw', [-420, -180, TABLE], [-270, -140, JAW]),
      body('moving-jaw', 'jaw', [-420, -300, TABLE], [-270, -260, JAW]),
      body('part', 'part', [-405, -260, JAW - 12], [-285.02, -180, JAW + 34.1], { turned: 0.0004 }),
      body('setter', 'setter', [-415, -175, JAW], [-385, -145, JAW + 50.002], { springs: mm(1.5) }),
    ],
  }
}
