import { budgetOf } from '../budget/budget'
import { subtractChains, valueOf } from '../chain/chain'
import type { Reading, SetupDocument } from '../facts/document'
import type { Kept } from '../facts/kept'
import { isBehind, staleBy } from '../freshness/stale'
import { standingReadings } from '../freshness/standing'
import { formatLength } from '../length/format-length'
import { endsOf } from '../quantities/contact-ends'
import type { QuantityName } from '../quantities/quantities'
import type { Tool } from '../sheet/sheet'
import { registerOfTool } from '../sheet/tool-rows'
import type { KeptTouch, ToolUse } from '../shop/kept-offers'
import type { Solution } from '../solve/solution'

/** A use of the shop's own tools: by the id of its assembly. */
export interface AssemblyUse extends ToolUse {
  readonly assembly: string
}

/** What a set-up tells of each of the shop's own tools in it, for set-ups after it. */
export function toolUses(
  document: SetupDocument,
  solution: Pick<Solution, 'heights' | 'kept' | 'registers'>,
): readonly AssemblyUse[] {
  return document.sheet.tools.flatMap((tool) =>
    tool.assembly === undefined ? [] : [useOf(document, solution, tool, tool.assembly)],
  )
}

function useOf(
  document: SetupDocument,
  { heights, registers, kept = [] }: Pick<Solution, 'heights' | 'kept' | 'registers'>,
  { number }: Tool,
  assembly: string,
): AssemblyUse {
  const { id, sheet, events } = document
  const { unit, machine } = sheet
  // What was taken over and found elsewhere is not handed on.
  const isElsewhere = kept.some(({ agrees }) => !agrees)
  const asked: readonly QuantityName[] = [
    { of: 'nose-on-plane' },
    { of: 'tip-on-plane', tool: number },
    { of: 'tool-diameter', tool: number },
  ]
  const readings = asked
    .flatMap((quantity) => standingReadings(document, quantity))
    .filter((reading) => !(reading.kept !== undefined && isElsewhere))
    .filter((reading) => !events.some((event) => isBehind(event, reading, document)))
  const used = new Set(readings.flatMap((one) => endsOf(one).flatMap(({ gauges }) => gauges)))
  const changed = events.findLast((event) => event.kind === 'tool-changed' && event.tool === number)
  const own = registerOfTool(sheet, number)
  const isProven = registers.find(({ address }) => address === own)?.state === 'proven'
  const here = { setup: id, name: sheet.name, ...(isProven && { proven: true as const }) }
  const [tip, nose] = [heights.tipOnPlane[number], heights.noseOnPlane]
  const length = tip && nose && subtractChains(tip, nose)
  const holds =
    length !== undefined && valueOf(length) > 0 && staleBy(length, document) === undefined
  return {
    assembly,
    setup: id,
    name: sheet.name,
    ...(sheet.machineId !== undefined && { machine: sheet.machineId }),
    number,
    plane: sheet.plane,
    touches: readings.map((reading) => touchOf(reading, here)),
    gauges: sheet.gauges.filter((gauge) => used.has(gauge.id)),
    ...(changed && { changedAt: changed.at }),
    ...(holds && {
      length: { text: formatLength(valueOf(length), unit, machine.control.decimals[unit]), unit },
      lengthWithinMm: budgetOf(length).expandedMm,
    }),
  }
}

/** A reading as it would stand in another set-up: without what speaks of this one alone. */
function touchOf(reading: Reading, here: Pick<Kept, 'setup' | 'name' | 'proven'>): KeptTouch {
  const { id, by, at, via: _via, place: _place, seen: _seen, kept, ...said } = reading
  const { spindle: _in, supersedes: _instead, reason: _why, surprise: _all, ...body } = said
  const { check: _check, ...from } = kept ?? { ...here, reading: id, by: by.name, at }
  return { ...body, kept: { ...from, ...(here.proven && { proven: true }) } }
}
