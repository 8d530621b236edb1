import type { OffsetRow } from '../address/row'
import type { SetupDocument } from '../facts/document'
import { standingReadings } from '../freshness/standing'
import type { Shown } from '../registers/register'
import type { Tool } from '../sheet/tool'
import { setWith } from '../registers/set-with'
import { isToolByTool, registerOfTool } from '../sheet/tool-rows'

/** Why a tool is among those that are proven where not all are. */
export const PROOF_REASONS = ['longest', 'new', 'stands-in', 'row', 'surprised'] as const

export type ProofReason = (typeof PROOF_REASONS)[number]

/** One cautious move: a work offset with a tool, and where the policy picks tools, why this one. */
export interface ProofNeeded {
  readonly row: OffsetRow
  readonly tool: number
  readonly because: readonly ProofReason[]
}

/**
 * The moves that are watched before a part is cut: each tool that was touched once and each work offset once, in as few moves
 * as that takes; where the machine's policy proves the riskiest, only the longest tool, those that were never measured in
 * their holder before, those that stand in for another, and those whose reading was a surprise. Lengths from a bench are proven
 * like the others, but for the first: that one is a sensor most often. A length that is taken over with its proof keeps it with
 * the row's one.
 *
 * Source: common practice, no source.
 */
export function proofsNeeded(
  document: SetupDocument,
  { registers }: Pick<Shown, 'registers'>,
): readonly ProofNeeded[] {
  const { tools: all, offsets, machine } = document.sheet
  const candidates = provable(document, all)
  const [firstRow] = offsets
  const picks = machine.policy?.proves === 'riskiest'
  const longest = picks ? longestOf(document, candidates, registers) : undefined
  const reasons = new Map(
    candidates.map(
      (tool) => [tool.number, picks ? reasonsOf(document, tool, longest) : []] as const,
    ),
  )
  const risky = candidates.filter(({ number }) => (reasons.get(number) ?? []).length > 0)
  const [first, ...rest] = picks && risky.length > 0 ? risky : candidates
  if (firstRow === undefined || first === undefined) return []
  const tools = [first, ...(picks && risky.length === 0 ? [] : rest)]
  if (isToolByTool(document.sheet)) return everySetting(document, tools, picks, reasons)
  const moves = Math.max(tools.length, offsets.length)
  return Array.from({ length: moves }, (_, index) => {
    const { row } = offsets[index] ?? firstRow
    const { number } = tools[index] ?? first
    return {
      row,
      tool: number,
      because: [
        ...(reasons.get(number) ?? []),
        ...(picks && index < offsets.length && offsets.length > 1 ? (['row'] as const) : []),
      ],
    }
  })
}

/**
 * Where Z of a row is set anew with each tool, each setting is a number of its own that was typed: all of them are proven; where the
 * policy picks, those of the risky tools, and the first of each row.
 */
function everySetting(
  document: SetupDocument,
  tools: readonly Tool[],
  picks: boolean,
  reasons: ReadonlyMap<number, readonly ProofReason[]>,
): readonly ProofNeeded[] {
  const seen = new Set<OffsetRow>()
  return setWith(document).flatMap(({ row, tool }): readonly ProofNeeded[] => {
    const isFirst = !seen.has(row)
    seen.add(row)
    const isRisky = tools.some(({ number }) => number === tool)
    if (!isRisky && !isFirst) return []
    const first = picks && isFirst ? (['row'] as const) : []
    return [{ row, tool, because: [...(reasons.get(tool) ?? []), ...first] }]
  })
}

/**
 * The tools that a move can prove something about: those that were touched, and those whose length came from a bench. The first of
 * known length is touched itself, to find the plane: it is the sensor most often, and proves nothing.
 */
function provable(document: SetupDocument, all: readonly Tool[]): readonly Tool[] {
  const open = all.filter(({ number }) => !keepsItsProof(document, number))
  const tools = open.length > 0 ? open : all.slice(0, 1)
  const sensor = tools.find(({ length }) => length !== undefined)
  const others = tools.filter((tool) => tool !== sensor)
  return others.length > 0 ? others : tools
}

/** Whether all that is known of a tool was taken over, and was proven where it was read. */
function keepsItsProof(document: SetupDocument, tool: number): boolean {
  const touches = standingReadings(document, { of: 'tip-on-plane', tool })
  return touches.length > 0 && touches.every(({ kept }) => kept?.proven === true && !kept.check)
}

function reasonsOf(
  document: SetupDocument,
  tool: Tool,
  longest: number | undefined,
): readonly ProofReason[] {
  return [
    ...(tool.number === longest ? (['longest'] as const) : []),
    ...(isNew(document, tool) ? (['new'] as const) : []),
    ...(tool.programDiameter === undefined ? [] : (['stands-in'] as const)),
    ...(surprised(document, tool) ? (['surprised'] as const) : []),
  ]
}

/** It was never measured in its holder before, here or in another set-up. */
const isNew = ({ readings }: SetupDocument, { number, lastLength }: Tool): boolean =>
  lastLength === undefined &&
  !readings.some((one) => 'tool' in one && one.tool === number && one.kept !== undefined)

/** Its touch stands although it was not what was to be expected. */
const surprised = ({ readings }: SetupDocument, { number }: Tool): boolean =>
  readings.some((one) => 'tool' in one && one.tool === number && one.surprise !== undefined)

/** The tool that reaches furthest, by what its register holds: in every school it grows with the tool. */
function longestOf(
  { sheet }: SetupDocument,
  tools: readonly Tool[],
  registers: Shown['registers'],
): number | undefined {
  const turns = !isToolByTool(sheet) && sheet.machine.control.lengthSign === 'subtracted'
  const sign = turns ? -1 : 1
  const held = tools.flatMap(({ number }) => {
    const own = registerOfTool(sheet, number)
    const value = registers.find(({ address }) => address === own)?.value
    return value === undefined ? [] : [{ number, reach: value * sign }]
  })
  return held.toSorted((one, other) => other.reach - one.reach)[0]?.number
}
