import { type Station } from '../../plan/order/step'

/** The parts of a set-up, as a person reads them. */
export const STATION_NAMES: Readonly<Record<Station, string>> = {
  ready: 'Ready',
  reference: 'Reference',
  lengths: 'Lengths',
  plan: 'X and Y',
  height: 'Z',
  'key-in': 'Key in',
  stops: 'Tool by tool',
  prove: 'Prove',
  release: 'Release',
}
