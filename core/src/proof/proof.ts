import type { Address } from '../address/address'
import { formatLength } from '../length/format-length'
import { toNanometres, type LengthUnit, type Nanometres } from '../length/length'
import { nanometresOf } from '../length/read-length'
import type { SetupDocument } from '../facts/document'
import type { MachineAxis, OffsetRow } from '../address/row'
import type { Shown } from '../registers/register'
import type { Tool } from '../sheet/tool'
import { zRowsOf } from '../sheet/tool-rows'
import { explain } from '../slips/explain'
import type { Explanation } from '../slips/slip'
import { machineFrame } from './machine-frame'

/** A cautious move that shows that one work offset and one tool's length are right. */
export interface ProofMove {
  /**
   * Lifts Z to where nothing stands in the way, before X and Y move: in the machine's own words, where its profile
   * declares them; else it is done by hand.
   */
  readonly retract?: string
  /** To be typed, single block, rapid at its lowest, a thumb on feed hold. */
  readonly blocks: readonly [string, string]
  /** Machine position at the end of the move: EXT + WCS + H + work position. */
  readonly machine: { readonly X: Nanometres; readonly Y: Nanometres; readonly Z: Nanometres }
  /**
   * What the distance to go in Z must read before anything moves, with the axis where the retract left it: a turned sign or another
   * tool's length shows there, and not in the metal.
   */
  readonly toGo: { readonly from: Nanometres; readonly must: Nanometres }
  /** Work Z at the end: the gap that a block of this height must just pass. */
  readonly clearance: Nanometres
  /** Work Z of the tip with the axis at the upper end of its travel, where the machine declares that: no retract is higher. */
  readonly highest?: Nanometres
}

export interface ProofRequest {
  readonly row: OffsetRow
  readonly tool: number
  /** Work Z to stop at, above zero: the height of a block at hand. */
  readonly clearance: Nanometres
}

/** The two blocks for a proof and where they end; undefined while a register is missing. */
export function proofMove(
  document: SetupDocument,
  solution: Shown,
  request: ProofRequest,
): ProofMove | undefined {
  const { row, tool, clearance } = request
  const frame = machineFrame(document, solution)
  const declared = document.sheet.tools.find(({ number }) => number === tool)
  const zero = (axis: MachineAxis) => frame.workZero(row, axis, { tool })
  const [X, Y, Z] = [zero('X'), zero('Y'), zero('Z')]
  if (X === undefined || Y === undefined || Z === undefined || declared === undefined)
    return undefined
  const { retract } = document.sheet.machine
  const { max } = frame.travel('Z')
  const end = toNanometres(Z + clearance)
  const from = retractedTo(retract, solution.unit) ?? max ?? toNanometres(0)
  return {
    ...(retract !== undefined && { retract }),
    blocks: [
      `G90 ${row} G0 X0 Y0`,
      `${lengthWord(declared)} Z${programNumber(clearance, solution.unit)}`,
    ],
    machine: { X, Y, Z: end },
    toGo: { from, must: toNanometres(end - from) },
    clearance,
    ...(max !== undefined && { highest: toNanometres(max - Z) }),
  }
}

/** Machine Z that a retract in machine position ends at, such as `G53 G0 Z0`; undefined where the words name none. */
function retractedTo(retract: string | undefined, unit: LengthUnit): Nanometres | undefined {
  const [, text] = /\bG53\b.*\bZ\s*([-+]?(?:\d+\.?\d*|\.\d+))/i.exec(retract ?? '') ?? []
  return text === undefined ? undefined : nanometresOf({ text, unit })
}

/** What makes the length of a tool active; where the control keeps none it has no register, and the row itself was set with it. */
const lengthWord = ({ lengthRegister }: Tool): string =>
  lengthRegister === undefined ? 'G0' : `G43 H${lengthRegister}`

/**
 * A number as a program has it: no trailing zeros, always a point.
 *
 * @example programNumber(25_000_000, 'mm') // '25.'
 */
export function programNumber(nm: Nanometres, unit: LengthUnit): string {
  return formatLength(nm, unit, unit === 'mm' ? 3 : 4).replace(/0+$/, '')
}

/**
 * Work position plus distance to go is the target, always: how far two numbers off the screen miss it.
 *
 * @example distanceToGoError(25_000_000, 40_000_000, -15_000_000) // 0
 */
export const distanceToGoError = (
  target: Nanometres,
  position: Nanometres,
  distanceToGo: Nanometres,
): Nanometres => toNanometres(position + distanceToGo - target)

export interface GapVerdict {
  /** g − c: above zero the tip stands too high, below zero too deep. */
  readonly error: Nanometres
  readonly stands: 'right' | 'too-high' | 'too-deep'
  /** By register: the slips that would give just this error. */
  readonly causes: readonly {
    readonly address: Address
    readonly explanations: readonly Explanation[]
  }[]
}

/**
 * What a measured gap says.
 *
 * @param gap height of the block that just passes under the tip.
 * @param within how well the gap is known: half a feeler's step, say.
 */
export function gapVerdict(
  document: SetupDocument,
  solution: Shown,
  request: ProofRequest,
  gap: Nanometres,
  within: Nanometres,
): GapVerdict {
  const error = toNanometres(gap - request.clearance)
  if (Math.abs(error) <= within) return { error, stands: 'right', causes: [] }
  const rows = zRowsOf(document.sheet, request.row, request.tool)
  const suspects = solution.registers.filter(({ address }) => rows.includes(address))
  const turned = document.sheet.machine.control.lengthSign === 'subtracted'
  const causes = suspects.flatMap(({ address, value, chain, kind }) => {
    if (value === undefined || chain === undefined) return []
    const sign = turned && kind === 'length' ? -1 : 1
    const others = solution.registers.flatMap((other) =>
      other.value === undefined || other.address === address
        ? []
        : [{ name: other.address, nm: other.value }],
    )
    const explanations = explain({
      expected: value,
      observed: toNanometres(value + sign * error),
      unit: solution.unit,
      decimals: solution.decimals,
      within,
      chain,
      kind,
      others,
    })
    return explanations.length === 0 ? [] : [{ address, explanations }]
  })
  return { error, stands: error > 0 ? 'too-high' : 'too-deep', causes }
}

/**
 * How far everything is raised for a dry run: −(lowest program Z) + margin. While it is in, the part
 * must not be released for cutting.
 *
 * @param lowestZ lowest work Z of the program.
 * @example airCutLift(-20_000_000, 10_000_000) // 30_000_000
 */
export const airCutLift = (lowestZ: Nanometres, margin: Nanometres): Nanometres =>
  toNanometres(Math.max(0, margin - lowestZ))
