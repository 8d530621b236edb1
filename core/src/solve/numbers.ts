import { diameterAddress, offsetAddress, type Address } from '../address/address'
import { AXES } from '../address/row'
import { scaleChain, subtractChains, sumChains, type Chain } from '../chain/chain'
import type { SetupDocument } from '../facts/document'
import { countingTouches } from '../sources/counting-touches'
import type { Register } from '../registers/register'
import type { Tool } from '../sheet/tool'
import { isToolByTool, lengthAddressOf } from '../sheet/tool-rows'
import { standingChain, standingRows } from '../sources/standing-rows'
import type { SourceReader } from '../sources/sources'
import { meanOfKnown } from './z/mean-of-known'
import type { PlannedAxis } from './axes/plan-axes'
import { offsetsZ, toolLength } from './z/registers-z'
import type { Heights } from './solution'
import type { Subject } from './z/stand'
import { setWith } from '../registers/set-with'

/** What a row of the control is to hold, as the control adds it; without a chain while a reading is missing. */
export interface WantedNumber {
  readonly address: Address
  readonly kind: Register['kind']
  readonly subject: Subject
  readonly chain: Chain | undefined
}

/** H of every tool whose length is known, by its number. */
export type Lengths = ReadonlyMap<number, Chain>

/**
 * The numbers of a set-up in the order of its sheet: lengths and diameters, then the rows. Where the control keeps no lengths,
 * Z of a row with a tool is what both would be together: where its tip stands on zero.
 */
export function wantedNumbers(
  document: SetupDocument,
  sources: SourceReader,
  heights: Heights,
  axes: readonly PlannedAxis[],
  lengths: Lengths,
): readonly WantedNumber[] {
  const { tools, offsets, reference } = document.sheet
  const inZ = offsetsZ(document, heights, sources, lengths)
  const byTool = isToolByTool(document.sheet)
  const standing = standingRows(document)
  const read: readonly WantedNumber[] = [
    ...tools.flatMap((tool) => toolNumbers(document, sources, tool, lengths)),
    ...offsets.flatMap(({ row }) =>
      AXES.filter((axis) => axis !== 'Z' || !byTool).map((axis): WantedNumber => ({
        address: offsetAddress(row, axis),
        kind: 'work-offset',
        subject: { of: 'row', row },
        chain:
          axis === 'Z'
            ? inZ.get(row)
            : axes.find((one) => one.row === row && one.axis === axis)?.solved.register,
      })),
    ),
    ...(byTool ? setWith(document) : []).map(({ address, row, tool }): WantedNumber => {
      const [zero, length] = [inZ.get(row), lengths.get(tool)]
      return {
        address,
        kind: 'work-offset',
        subject: { of: 'tool', tool },
        chain: zero && length && sumChains(zero, length),
      }
    }),
    ...(reference?.planeRow === undefined
      ? []
      : [
          {
            address: offsetAddress(reference.planeRow, 'Z'),
            kind: 'work-offset',
            subject: { of: 'plane' },
            chain: planeOffset(heights, sources),
          } as const,
        ]),
  ]
  return read.map((number): WantedNumber => {
    const declaredRow = standing.get(number.address)
    return declaredRow === undefined
      ? number
      : { ...number, chain: standingChain(document, sources, declaredRow) }
  })
}

export function lengthsByTool(
  document: SetupDocument,
  sources: SourceReader,
  heights: Heights,
): Lengths {
  const standing = standingRows(document)
  return new Map(
    document.sheet.tools.flatMap((tool) => {
      const H = lengthAddressOf(document.sheet, tool.number)
      const declaredRow = H && standing.get(H)
      const length =
        declaredRow === undefined
          ? toolLength(document, heights, sources, tool)
          : standingChain(document, sources, declaredRow)
      return length ? [[tool.number, length] as const] : []
    }),
  )
}

function toolNumbers(
  document: SetupDocument,
  sources: SourceReader,
  tool: Tool,
  lengths: Lengths,
): readonly WantedNumber[] {
  const subject = { of: 'tool', tool: tool.number } as const
  const H = lengthAddressOf(document.sheet, tool.number)
  return [
    ...(H === undefined
      ? []
      : [{ address: H, kind: 'length', subject, chain: lengths.get(tool.number) } as const]),
    ...(tool.diameterRegister === undefined
      ? []
      : [
          {
            address: diameterAddress(tool.diameterRegister),
            kind: 'diameter',
            subject,
            chain: toolDiameter(document, sources, tool),
          } as const,
        ]),
  ]
}

/** A row that keeps the setting plane: its Z is where the bare nose touches it, less what the control adds. */
function planeOffset({ noseOnPlane }: Heights, sources: SourceReader): Chain | undefined {
  const external = sources.externalOffset('Z')
  return noseOnPlane && external && subtractChains(noseOnPlane, external)
}

/** What was measured over the widest points; the register of a control that keeps radii takes half. */
function toolDiameter(
  document: SetupDocument,
  sources: SourceReader,
  tool: Tool,
): Chain | undefined {
  const measured = meanOfKnown(
    countingTouches(document, sources, { of: 'tool-diameter', tool: tool.number }).counting.map(
      (reading) => sources.reading(reading),
    ),
  )
  const keepsRadius = document.sheet.machine.control.diameterRegister === 'radius'
  return measured && (keepsRadius ? scaleChain(measured, 0.5) : measured)
}
