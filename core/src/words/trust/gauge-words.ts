import type { GaugeKind, GaugeKindFacts } from '../../touch/gauge-kinds'

/** What people call a kind of gauge. */
export const GAUGE_NAMES: Readonly<Record<GaugeKind, string>> = {
  'height-setter': 'height setter',
  'light-setter': 'light setter',
  'fixed-setter': 'fixed setter',
  ball: 'ball',
  'gauge-block': 'gauge block',
  pin: 'gauge pin',
  shim: 'shim or feeler',
  card: 'stiff card',
  paper: 'paper',
  plate: 'contact plate',
  'edge-finder': 'edge finder',
  wobbler: 'wobbler',
  cutter: 'cutter',
  'dial-sensor': 'dial sensor',
  probe: 'electronic probe',
  'dial-indicator': 'dial indicator',
  micrometer: 'micrometer',
}

/** What the size of a gauge is the size of. */
export const MEASURE_NAMES: Readonly<Record<GaugeKindFacts['measure'], string>> = {
  height: 'height',
  thickness: 'thickness',
  'tip-diameter': 'tip diameter',
  diameter: 'diameter',
  radius: 'effective radius',
  length: 'length under preload',
  range: 'measuring range',
}
