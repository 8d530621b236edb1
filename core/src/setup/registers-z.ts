import { EMPTY_CHAIN, scaleChain, subtractChains, sumChains, type Chain } from '../chain/chain'
import { lengthRegister, workOffsetZ } from '../schools/schools'
import type { SetupDocument } from './document'
import type { OffsetPlan, OffsetRow, Tool } from './sheet'
import { facingOf, fixtureDifference } from './heights'
import type { Heights } from './solution'
import type { SourceReader } from './sources'

/**
 * H of a tool as the control adds it (the sign of a control that subtracts is turned at key-in).
 * A tool that was touched only on the part has R + L, which is H itself when lengths are counted
 * from the part's top.
 */
export function toolLength(
  document: SetupDocument,
  heights: Heights,
  sources: SourceReader,
  tool: Tool,
): Chain | undefined {
  const { school, offsets } = document.sheet
  const tip = heights.tipOnPlane.get(tool.number)
  const first = offsets[0]?.row
  if (school === 'part-top' && first !== undefined) {
    const onPart = heights.tipOnPart.get(`${first} ${tool.number}`)
    if (onPart !== undefined) return onPart
  }
  if (school === 'gauge-line' && tip === undefined)
    return lengthFromConstant(document, sources, tool)
  if (tip === undefined && isMaster(document, tool)) return masterItself(document, sources)
  return tip && heights.reference && lengthRegister(tip, heights.reference)
}

const isMaster = ({ sheet: { school, reference } }: SetupDocument, tool: Tool): boolean =>
  school === 'master-tool' && reference?.masterTool === tool.number

/** The master is as long as it was declared, whatever it is: a router with one bit at a time touches no plane. */
function masterItself({ sheet }: SetupDocument, sources: SourceReader): Chain | undefined {
  const declared = sheet.reference?.masterLength
  return declared === undefined
    ? EMPTY_CHAIN
    : sources.declared(
        declared,
        'sheet.reference.masterLength',
        'school-constant',
        'declared master length',
      )
}

/** A known length needs no touch at all under the gauge line. */
function lengthFromConstant(
  document: SetupDocument,
  sources: SourceReader,
  tool: Tool,
): Chain | undefined {
  const length = sources.knownLength(tool.number)
  const constant = document.sheet.reference?.constant
  const counted =
    constant &&
    sources.declared(constant, 'sheet.reference.constant', 'school-constant', 'constant K')
  return length && subtractChains(length, counted ?? EMPTY_CHAIN)
}

/**
 * WCS.z of every offset, in the order of the fixtures. A tool on the part gives it in any school,
 * since WCS.z + H is where that tip stands on program zero; a fixture difference counts from the
 * register of an earlier row.
 */
export function offsetsZ(
  document: SetupDocument,
  heights: Heights,
  sources: SourceReader,
  lengths: ReadonlyMap<number, Chain>,
): ReadonlyMap<OffsetRow, Chain> {
  const found = new Map<OffsetRow, Chain>()
  for (const plan of document.sheet.offsets) {
    const chain = offsetZ(document, heights, sources, lengths, found, plan)
    if (chain !== undefined) found.set(plan.row, chain)
  }
  return found
}

function offsetZ(
  document: SetupDocument,
  heights: Heights,
  sources: SourceReader,
  lengths: ReadonlyMap<number, Chain>,
  earlier: ReadonlyMap<OffsetRow, Chain>,
  plan: OffsetPlan,
): Chain | undefined {
  const { row, Z } = plan
  const facing = facingOf(document, sources, plan)
  if (facing === undefined) return undefined
  switch (Z.by) {
    case 'part-top':
      return adjusted(document, sources, plan, scaleChain(facing, -1))
    case 'tool-on-part': {
      const onPart = heights.tipOnPart.get(`${row} ${Z.tool}`)
      const length = lengths.get(Z.tool)
      return (
        onPart &&
        length &&
        adjusted(document, sources, plan, subtractChains(subtractChains(onPart, facing), length))
      )
    }
    case 'fixture-difference': {
      const from = earlier.get(Z.from)
      const fromPlan = document.sheet.offsets.find((other) => other.row === Z.from)
      const fromFacing = fromPlan && facingOf(document, sources, fromPlan)
      const difference = fixtureDifference(document, sources, row, Z.from)
      // The earlier register already holds the external offset and the quill.
      return (
        from &&
        fromFacing &&
        difference &&
        subtractChains(sumChains(from, fromFacing, difference), facing)
      )
    }
    case 'nose-on-part':
    case 'carried-difference': {
      const known = zFromPlane(document, heights, sources, plan, facing)
      return known && adjusted(document, sources, plan, known)
    }
  }
}

/** From the plane by the school's reference; under the gauge line the nose on the part is enough. */
function zFromPlane(
  document: SetupDocument,
  heights: Heights,
  sources: SourceReader,
  { row, Z }: OffsetPlan,
  facing: Chain,
): Chain | undefined {
  const zero = heights.zero.get(row)
  if (zero !== undefined && heights.reference !== undefined)
    return workOffsetZ(zero, heights.reference)
  const nose = heights.noseOnPart.get(row)
  if (document.sheet.school !== 'gauge-line' || Z.by !== 'nose-on-part' || nose === undefined)
    return undefined
  const constant = document.sheet.reference?.constant
  const counted =
    constant &&
    sources.declared(constant, 'sheet.reference.constant', 'school-constant', 'constant K')
  return sumChains(subtractChains(nose, facing), counted ?? EMPTY_CHAIN)
}

/**
 * Zm = EXT + WCS + H + Zp: what the control adds by itself is taken off. A quill that is out by
 * more when the program runs than when Z was measured holds the tip that much lower.
 */
function adjusted(
  document: SetupDocument,
  sources: SourceReader,
  plan: OffsetPlan,
  chain: Chain,
): Chain | undefined {
  const { quill } = plan.Z
  const place = `sheet.offsets.${document.sheet.offsets.indexOf(plan)}.Z.quill`
  const out = quill && {
    measured: sources.declared(
      quill.measured,
      `${place}.measured`,
      'quill',
      'quill out while measuring',
      { sign: 'not-negative' },
    ),
    running: sources.declared(
      quill.running,
      `${place}.running`,
      'quill',
      'quill out while running',
      { sign: 'not-negative' },
    ),
  }
  const external = sources.externalOffset('Z')
  if ((out && !(out.measured && out.running)) || external === undefined) return undefined
  const moved =
    out?.running && out.measured ? subtractChains(out.running, out.measured) : EMPTY_CHAIN
  return sumChains(chain, moved, scaleChain(external, -1))
}
