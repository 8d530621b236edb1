/** What may come between tool and surface, or stands in the spindle, at a touch. */
export const GAUGE_KINDS = [
  'height-setter',
  'gauge-block',
  'shim',
  'paper',
  'edge-finder',
  'pin',
] as const

export type GaugeKind = (typeof GAUGE_KINDS)[number]

export interface GaugeKindFacts {
  /** What the size of this gauge is: said beside the field where it is entered. */
  readonly measure: 'height' | 'thickness' | 'tip-diameter' | 'diameter'
  /** Share of the size that counts in a Z touch; null where the gauge does not serve Z. */
  readonly shareInZ: number | null
  /** Share of the size that counts in an X or Y touch: half of a diameter, the whole of a wall. */
  readonly shareInXY: number | null
  /** Repeatability of the contact in millimetres, one standard deviation (from memory, editable later). */
  readonly repeatabilityMm: number
}

/**
 * The contacts of domain.md §4 that this version serves. To add one, see "Add a contact method" in
 * docs/development.md.
 */
export const GAUGE_FACTS: Readonly<Record<GaugeKind, GaugeKindFacts>> = {
  'height-setter': { measure: 'height', shareInZ: 1, shareInXY: null, repeatabilityMm: 0.003 },
  'gauge-block': { measure: 'thickness', shareInZ: 1, shareInXY: 1, repeatabilityMm: 0.005 },
  shim: { measure: 'thickness', shareInZ: 1, shareInXY: 1, repeatabilityMm: 0.005 },
  paper: { measure: 'thickness', shareInZ: 1, shareInXY: 1, repeatabilityMm: 0.012 },
  'edge-finder': {
    measure: 'tip-diameter',
    shareInZ: null,
    shareInXY: 0.5,
    repeatabilityMm: 0.005,
  },
  pin: { measure: 'diameter', shareInZ: 1, shareInXY: 0.5, repeatabilityMm: 0.01 },
}
