import { valueOf, type Chain } from '../chain/chain'
import type { Nanometres } from '../length/length'
import type { SetupDocument } from '../setup/document'
import { quantityKey, type QuantityName } from '../setup/quantity'
import type { EdgeAngle, ImpliedSize, Solution } from '../setup/solution'
import { axisOfFace } from '../touch/touch'

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
  document: SetupDocument,
  solution: Solution,
  quantity: QuantityName,
): Implied | undefined {
  switch (quantity.of) {
    case 'nose-on-plane':
      return implied('plane', solution.heights.noseOnPlane)
    case 'tip-on-plane': {
      const tool = document.sheet.tools.find(({ number }) => number === quantity.tool)
      const address = `H${tool?.lengthRegister}`
      const kind = document.sheet.school === 'gauge-line' ? 'tool-length' : 'register'
      return implied(kind, chainOfRegister(solution, address), address)
    }
    case 'face': {
      const axis = axisOfFace(quantity.face)
      const address = `${quantity.row}.${axis}`
      const register = implied('register', chainOfRegister(solution, address), address)
      const size = solution.sizes.find((one) => one.row === quantity.row && one.axis === axis)
      if (register !== undefined) return size ? { ...register, size } : register
      return implied('face', solution.faces.get(quantityKey(quantity)))
    }
    case 'edge-point': {
      const edge = solution.edges.find(
        ({ row, face }) => row === quantity.row && face === quantity.face,
      )
      const address = `${quantity.row}.X`
      return edge
        ? { kind: 'edge', chain: edge.chain, value: edge.runOut, edge }
        : implied('register', chainOfRegister(solution, address), address)
    }
    case 'circle-point':
    case 'sweep': {
      const address = `${quantity.row}.X`
      const register = implied('register', chainOfRegister(solution, address), address)
      const size = solution.sizes.find(({ row, axis }) => row === quantity.row && axis === 'X')
      return register && size ? { ...register, size } : register
    }
    case 'tool-diameter': {
      const tool = document.sheet.tools.find(({ number }) => number === quantity.tool)
      const address = `D${tool?.diameterRegister}`
      return implied('register', chainOfRegister(solution, address), address)
    }
    case 'tip-on-part': {
      const plan = document.sheet.offsets.find(({ row }) => row === quantity.row)
      const tool = document.sheet.tools.find(({ number }) => number === quantity.tool)
      const address = plan?.Z.by === 'part-top' ? `H${tool?.lengthRegister}` : `${quantity.row}.Z`
      return implied('register', chainOfRegister(solution, address), address)
    }
    case 'fixture-difference':
    case 'nose-on-part':
    case 'carried-difference': {
      const address = `${quantity.row}.Z`
      return (
        implied('register', chainOfRegister(solution, address), address) ??
        implied('part-top', solution.heights.partTop.get(quantity.row))
      )
    }
  }
}

const chainOfRegister = (solution: Solution, address: string): Chain | undefined =>
  solution.registers.find((register) => register.address === address)?.chain

function implied(
  kind: Implied['kind'],
  chain: Chain | undefined,
  address?: string,
): Implied | undefined {
  if (chain === undefined) return undefined
  return { kind, chain, value: valueOf(chain), ...(address === undefined ? {} : { address }) }
}
