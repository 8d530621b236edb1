import { quantityKey } from '../../quantities/quantities'
import { EMPTY_CHAIN, scaleChain, subtractChains, sumChains, type Chain } from '../../chain/chain'
import { lengthRegister, workOffsetZ } from '../../schools/schools'
import { zWayProblem } from '../../schools/z-way-problem'
import type { SetupDocument } from '../../facts/document'
import type { OffsetPlan } from '../../sheet/offset-plan'
import type { Tool } from '../../sheet/tool'
import type { OffsetRow } from '../../address/row'
import { declaredConstant, declaredMasterLength, facingOf } from './heights'
import { fixtureDifference } from './part-tops'
import type { Heights } from '../solution'
import type { SourceReader } from '../../sources/sources'

/**
 * H of a tool as the control adds it (the sign of a control that subtracts is turned at key-in). A tool that was touched on
 * the first part alone has R + L, from which the school counts as it does from the plane: from the nose, or a master, on that top;
 * from the top itself it is H.
 */
export function toolLength(
  document: SetupDocument,
  heights: Heights,
  sources: SourceReader,
  tool: Tool,
): Chain | undefined {
  const { school, offsets } = document.sheet
  const tip = heights.tipOnPlane[tool.number]
  const [plan] = offsets
  const first = plan?.row
  const onTop =
    first && heights.tipOnPart[quantityKey({ of: 'tip-on-part', row: first, tool: tool.number })]
  const fromTop = onTop && heights.referenceOnTop && lengthRegister(onTop, heights.referenceOnTop)
  const isChosen = school === 'part-top' || plan?.Z.by === 'part-top'
  if (isChosen && fromTop !== undefined) return fromTop
  if (tip !== undefined && heights.reference !== undefined)
    return lengthRegister(tip, heights.reference)
  if (school === 'gauge-line') return lengthFromConstant(document, sources, tool) ?? fromTop
  return isMaster(document, tool) ? masterItself(document, sources) : fromTop
}

const isMaster = ({ sheet: { school, reference } }: SetupDocument, tool: Tool): boolean =>
  school === 'master-tool' && reference?.masterTool === tool.number

/** The master is as long as it was declared, whatever it is: a router with one bit at a time touches no plane. */
function masterItself(document: SetupDocument, sources: SourceReader): Chain | undefined {
  return declaredMasterLength(document, sources)
}

/** A known length needs no touch at all under the gauge line. */
function lengthFromConstant(
  document: SetupDocument,
  sources: SourceReader,
  tool: Tool,
): Chain | undefined {
  const length = sources.knownLength(tool.number)
  const constant = declaredConstant(document, sources)
  return length && constant && subtractChains(length, constant)
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
  if (facing === undefined || !isWayOfSchool(document, sources, plan)) return undefined
  switch (Z.by) {
    case 'part-top':
      return (
        heights.referenceOnTop &&
        adjusted(document, sources, plan, subtractChains(heights.referenceOnTop, facing))
      )
    case 'tool-on-part': {
      const onPart = heights.tipOnPart[quantityKey({ of: 'tip-on-part', row, tool: Z.tool })]
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
      // The earlier register already holds the external offset and its quill; this row may run with another.
      const moved = fromPlan && quillBeyond(document, sources, plan, fromPlan)
      return (
        from &&
        fromFacing &&
        difference &&
        moved &&
        subtractChains(sumChains(from, fromFacing, difference, moved), facing)
      )
    }
    case 'nose-on-part':
    case 'carried-difference': {
      const known = zFromPlane(document, heights, sources, plan, facing)
      return known && adjusted(document, sources, plan, known)
    }
  }
}

/** A way that the school does not have would give a number that is wrong: there is none, and it is told. */
function isWayOfSchool(
  { sheet: { school, offsets } }: SetupDocument,
  sources: SourceReader,
  plan: OffsetPlan,
): boolean {
  const problem = zWayProblem(school, plan.Z.by, offsets.indexOf(plan))
  if (problem !== undefined) sources.note(problem)
  return problem === undefined
}

/**
 * From the plane by the school's reference; under the gauge line the nose on the part is enough, and from the
 * first part's top the nose on both tops.
 */
function zFromPlane(
  document: SetupDocument,
  heights: Heights,
  sources: SourceReader,
  { row, Z }: OffsetPlan,
  facing: Chain,
): Chain | undefined {
  const zero = heights.zero[row]
  if (zero !== undefined && heights.reference !== undefined)
    return workOffsetZ(zero, heights.reference)
  const first = document.sheet.offsets[0]
  const firstTop = first && heights.partTop[first.row]
  if (zero !== undefined && firstTop !== undefined && heights.referenceOnTop !== undefined)
    return workOffsetZ(subtractChains(zero, firstTop), heights.referenceOnTop)
  const nose = heights.noseOnPart[row]
  if (Z.by !== 'nose-on-part' || nose === undefined) return undefined
  const reference = noseReference(document, heights, sources)
  return reference && subtractChains(subtractChains(nose, facing), reference)
}

/** What the nose itself is counted from, where no plane was touched. */
function noseReference(
  { sheet: { school, offsets, ...sheet } }: SetupDocument,
  heights: Heights,
  sources: SourceReader,
): Chain | undefined {
  const [first] = offsets
  const onFirst = first && heights.noseOnPart[first.row]
  if (onFirst !== undefined && heights.referenceOnTop !== undefined)
    return subtractChains(onFirst, heights.referenceOnTop)
  if (school !== 'gauge-line') return undefined
  const constant = declaredConstant({ sheet }, sources)
  return constant && scaleChain(constant, -1)
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
  const external = sources.externalOffset('Z')
  const measured = quillOut(document, sources, plan, 'measured')
  const running = quillOut(document, sources, plan, 'running')
  if (measured === undefined || running === undefined || external === undefined) return undefined
  return sumChains(chain, subtractChains(running, measured), scaleChain(external, -1))
}

/** How far a quill is out; nothing where the sheet speaks of none. */
function quillOut(
  { sheet: { offsets } }: SetupDocument,
  sources: SourceReader,
  plan: OffsetPlan,
  when: 'measured' | 'running',
): Chain | undefined {
  const { quill } = plan.Z
  if (quill === undefined) return EMPTY_CHAIN
  const place = `sheet.offsets.${offsets.indexOf(plan)}.Z.quill.${when}`
  const name = `quill out while ${when === 'measured' ? 'measuring' : 'running'}`
  return sources.declared(quill[when], place, 'quill', name, {
    sign: 'not-negative',
    uncertainty: quill.uncertainty,
  })
}

/** How much further a quill is out while a row runs than while the row that it is counted from does. */
function quillBeyond(
  document: SetupDocument,
  sources: SourceReader,
  plan: OffsetPlan,
  from: OffsetPlan,
): Chain | undefined {
  if (plan.Z.quill === undefined) return EMPTY_CHAIN
  const [own, other] = [plan, from].map((one) => quillOut(document, sources, one, 'running'))
  return own && other && subtractChains(own, other)
}
