/** What may come between tool and surface, or stands in the spindle, at a touch. */
export const GAUGE_KINDS = [
  'height-setter',
  'light-setter',
  'fixed-setter',
  'ball',
  'gauge-block',
  'pin',
  'shim',
  'card',
  'paper',
  'plate',
  'edge-finder',
  'wobbler',
  'cutter',
  'dial-sensor',
  'probe',
  'dial-indicator',
  'micrometer',
] as const

export type GaugeKind = (typeof GAUGE_KINDS)[number]

/** What a gauge is wanted for: a touch, both ends of a difference, a dial to be swept, a size to be measured. */
export type GaugePurpose = 'touch' | 'difference' | 'sweep' | 'diameter'

export interface GaugeKindFacts {
  /** What the size of this gauge is: said beside the field where it is entered. */
  readonly measure:
    'height' | 'thickness' | 'tip-diameter' | 'diameter' | 'radius' | 'length' | 'range'
  /** Share of the size that counts in a Z touch; null where the gauge does not serve Z. */
  readonly shareInZ: number | null
  /** Share that counts in an X or Y touch: half of a diameter, the whole of a wall; null where it does not serve. */
  readonly shareInXY: number | null
  /** A plate has one thickness in Z and another, its wall, in X and Y. */
  readonly countsInXY: 'size' | 'wall'
  /** Stands in the spindle (its radius counts) or lies between (its thickness counts). */
  readonly stands: 'in-spindle' | 'between'
  /** Whether the touch is made by rising until it passes: the screw then turns the other way. */
  readonly rises: boolean
  /**
   * Repeatability of the contact in millimetres, one standard deviation. Written from memory: a
   * default that a gauge may overrule with its own.
   */
  readonly repeatabilityMm: number
  /**
   * How long a touch with it takes where no log tells it, in minutes, the tool's change included. Written from memory: a shop's
   * own log takes its place as soon as it has five of them.
   */
  readonly minutes: number
  /**
   * Standard uncertainty of a size that nobody certified, in millimetres; that of a ground gauge, where it is not said. From memory,
   * editable on the gauge: marked shims to 5 µm, what is measured by hand to 10 µm.
   */
  readonly sizeMm?: number
  /** What it is kept for, where it does not serve every touch of its axes and the ends of a difference. */
  readonly only?: readonly GaugePurpose[]
}

const between = { countsInXY: 'size', stands: 'between', rises: false } as const
const inSpindle = { countsInXY: 'size', stands: 'in-spindle', rises: false } as const

/** The contacts of docs/domain.md, “Touches”. To add one, see "Add a contact method" in docs/development.md. */
export const GAUGE_FACTS: Readonly<Record<GaugeKind, GaugeKindFacts>> = {
  'height-setter': {
    ...between,
    measure: 'height',
    shareInZ: 1,
    shareInXY: null,
    repeatabilityMm: 0.003,
    minutes: 1.5,
  },
  'light-setter': {
    ...between,
    measure: 'height',
    shareInZ: 1,
    shareInXY: null,
    repeatabilityMm: 0.005,
    minutes: 1.5,
  },
  'fixed-setter': {
    ...between,
    measure: 'height',
    shareInZ: 1,
    shareInXY: null,
    repeatabilityMm: 0.005,
    minutes: 1,
  },
  ball: {
    ...between,
    measure: 'diameter',
    shareInZ: 1,
    shareInXY: null,
    repeatabilityMm: 0.003,
    minutes: 2,
  },
  'gauge-block': {
    ...between,
    measure: 'thickness',
    shareInZ: 1,
    shareInXY: 1,
    rises: true,
    repeatabilityMm: 0.005,
    minutes: 2.5,
  },
  pin: {
    ...inSpindle,
    measure: 'diameter',
    shareInZ: 1,
    shareInXY: 0.5,
    rises: true,
    repeatabilityMm: 0.01,
    minutes: 2.5,
  },
  shim: {
    ...between,
    measure: 'thickness',
    shareInZ: 1,
    shareInXY: 1,
    repeatabilityMm: 0.005,
    minutes: 2,
    sizeMm: 0.005,
  },
  card: {
    ...between,
    measure: 'thickness',
    shareInZ: 1,
    shareInXY: 1,
    repeatabilityMm: 0.02,
    minutes: 2,
    sizeMm: 0.01,
  },
  paper: {
    ...between,
    measure: 'thickness',
    shareInZ: 1,
    shareInXY: 1,
    repeatabilityMm: 0.012,
    minutes: 2,
    sizeMm: 0.005,
  },
  plate: {
    ...between,
    measure: 'thickness',
    shareInZ: 1,
    shareInXY: 1,
    countsInXY: 'wall',
    repeatabilityMm: 0.02,
    minutes: 1.5,
    sizeMm: 0.01,
  },
  'edge-finder': {
    ...inSpindle,
    measure: 'tip-diameter',
    shareInZ: null,
    shareInXY: 0.5,
    repeatabilityMm: 0.005,
    minutes: 2,
  },
  wobbler: {
    ...inSpindle,
    measure: 'tip-diameter',
    shareInZ: null,
    shareInXY: 0.5,
    repeatabilityMm: 0.012,
    minutes: 2,
  },
  cutter: {
    ...inSpindle,
    measure: 'diameter',
    shareInZ: null,
    shareInXY: 0.5,
    repeatabilityMm: 0.01,
    minutes: 2,
    sizeMm: 0.01,
  },
  // Both needles at zero put the spindle axis over the face: that is what its zero means. In Z it
  // is a tool of known length, counted under that preload.
  'dial-sensor': {
    ...inSpindle,
    measure: 'length',
    shareInZ: null,
    shareInXY: 0,
    repeatabilityMm: 0.005,
    minutes: 2,
  },
  probe: {
    ...inSpindle,
    measure: 'radius',
    shareInZ: null,
    shareInXY: 1,
    repeatabilityMm: 0.002,
    minutes: 2,
  },
  // What only tells: it is read at zero, or read itself, and its own size is nowhere in a number.
  'dial-indicator': {
    ...inSpindle,
    measure: 'range',
    shareInZ: 0,
    shareInXY: 0,
    repeatabilityMm: 0.003,
    minutes: 3,
    only: ['sweep', 'difference'],
  },
  micrometer: {
    ...between,
    measure: 'range',
    shareInZ: 0,
    shareInXY: null,
    repeatabilityMm: 0.003,
    minutes: 2,
    only: ['diameter'],
  },
}

/** Whether a gauge serves a purpose along an axis: it counts there, and is not kept for something else. */
export function gaugeServes(
  kind: GaugeKind,
  purpose: GaugePurpose,
  axis: 'X' | 'Y' | 'Z',
): boolean {
  const { shareInZ, shareInXY, only } = GAUGE_FACTS[kind]
  if (only !== undefined) return only.includes(purpose)
  const touches = purpose === 'touch' || purpose === 'difference'
  return touches && (axis === 'Z' ? shareInZ : shareInXY) !== null
}

/** Kinds that stand in a turning spindle, and bear only so many rpm. */
export const TURNING_GAUGES: readonly GaugeKind[] = ['edge-finder', 'wobbler']

/** Kinds that take one stylus or another, and are as long as that makes them. */
export const STYLUS_GAUGES: readonly GaugeKind[] = ['dial-sensor', 'probe']

/** A bare tip or nose on the part, with nothing between (from memory). */
export const BARE_REPEATABILITY_MM = 0.02

/** A dial that is swept round, where no dial is named (from memory). */
export const SWEPT_REPEATABILITY_MM = 0.003
