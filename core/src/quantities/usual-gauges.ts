import type { GaugeKind } from '../touch/gauge-kinds'

/** What is usually under a nose or a tip on the setting plane, the best first. */
export const SETTERS: readonly GaugeKind[] = [
  'height-setter',
  'light-setter',
  'fixed-setter',
  'gauge-block',
  'pin',
  'shim',
  'paper',
]

/** What usually touches a side. */
export const SENSORS: readonly GaugeKind[] = [
  'probe',
  'dial-sensor',
  'edge-finder',
  'wobbler',
  'pin',
  'cutter',
]
