import type { GaugeKind, GaugeKindFacts } from '@pine/core'

export const GAUGE_NAMES: Readonly<Record<GaugeKind, string>> = {
  'height-setter': 'height setter',
  'gauge-block': 'gauge block',
  shim: 'shim or feeler',
  paper: 'paper',
  'edge-finder': 'edge finder',
  pin: 'gauge pin',
}

export const MEASURE_NAMES: Readonly<Record<GaugeKindFacts['measure'], string>> = {
  height: 'height',
  thickness: 'thickness',
  'tip-diameter': 'tip diameter',
  diameter: 'diameter',
}
