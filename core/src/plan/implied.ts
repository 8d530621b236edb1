import { hasUnknown, valueOf, type Chain } from '../chain/chain'
import type { Nanometres } from '../length/length'
import type { SetupDocument } from '../facts/document'
import { moduleOf, quantityKey, type QuantityName } from '../quantities/quantities'
import type { Finding } from '../quantities/quantity-module'
import type { Solution } from '../solve/solution'
import type { EdgeAngle, ImpliedSize } from '../registers/register'

/** What one reading tells at once, so that a wrong digit is seen before anything is keyed. */
export interface Implied {
  readonly kind: 'tool-length' | 'register' | 'plane' | 'part-top' | 'face' | 'edge'
  /** Register address, where it is one. */
  readonly address?: string
  readonly chain: Chain
  readonly value: Nanometres
  /** The size of two faces against the drawing, once both are read. */
  readonly size?: ImpliedSize
  /** How far an edge is turned, once both its touches are read. */
  readonly edge?: EdgeAngle
}

/** The number to show beside a reading; undefined while nothing follows from it yet. */
export function impliedBy(
  { sheet }: SetupDocument,
  solution: Solution,
  quantity: QuantityName,
): Implied | undefined {
  for (const finding of moduleOf(quantity).findings(quantity, sheet)) {
    const found = impliedAs(finding, solution, quantity)
    if (found !== undefined) return found
  }
  return undefined
}

function impliedAs(
  finding: Finding,
  { registers, heights, sizes, edges, faces }: Solution,
  quantity: QuantityName,
): Implied | undefined {
  switch (finding.of) {
    case 'register': {
      const { address, isLength = false } = finding
      const register = implied(
        isLength ? 'tool-length' : 'register',
        registers.find((one) => one.address === address)?.chain,
        address,
      )
      const size = sizes.find(
        ({ row, axis }) => row === finding.size?.row && axis === finding.size.axis,
      )
      return register && size ? { ...register, size } : register
    }
    case 'plane':
      return implied('plane', heights.noseOnPlane)
    case 'part-top':
      return implied('part-top', heights.partTop[finding.row])
    case 'face':
      return implied('face', faces[quantityKey(quantity)])
    case 'edge': {
      const edge = edges.find(({ row, face }) => row === finding.row && face === finding.face)
      return edge && { kind: 'edge', chain: edge.chain, value: edge.runOut, edge }
    }
  }
}

function implied(
  kind: Implied['kind'],
  chain: Chain | undefined,
  address?: string,
): Implied | undefined {
  if (chain === undefined || hasUnknown(chain)) return undefined
  return { kind, chain, value: valueOf(chain), ...(address === undefined ? {} : { address }) }
}
