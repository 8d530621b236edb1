import { registerName } from '../../address/address'
import type { Implied } from '../../plan/implied'

/** What the number beside a reading is called. */
export function describeImplied({ kind, address }: Pick<Implied, 'kind' | 'address'>): string {
  switch (kind) {
    case 'tool-length':
      return 'Length'
    case 'plane':
      return 'Plane'
    case 'part-top':
      return 'Part above plane'
    case 'face':
      return 'Face'
    case 'edge':
      return 'Runs out over the part'
    case 'register':
      return address === undefined ? '' : registerName(address)
  }
}
