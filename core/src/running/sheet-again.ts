import { subtractChains, valueOf } from '../chain/chain'
import { formatLength } from '../length/format-length'
import type { SetupDocument } from '../facts/document'
import { registerOfTool } from '../sheet/tool-rows'
import type { Gauge } from '../sheet/gauge'
import type { SetupSheet } from '../sheet/sheet'
import type { Tool } from '../sheet/tool'
import type { MachineDeclaration } from '../sheet/machine'
import type { Solution } from '../solve/solution'
import { positionsBefore } from './positions-before'

/** What the shop has today under the names that a sheet was written with. */
export interface ShopToday {
  readonly machine?: MachineDeclaration | undefined
  readonly gauges: readonly Gauge[]
}

/**
 * The sheet of the same job again: the machine and the gauges as they are declared today, and of each tool that was measured
 * against the bare nose what it measured, and where plane and faces stood, so that the next touches are expected. What no longer
 * held when it was left is not carried over, nor are lengths counted from a plane: they are the plane's as much as the tool's.
 */
export function sheetAgain(
  { id, sheet, events }: Pick<SetupDocument, 'id' | 'sheet' | 'events'>,
  solution: Pick<Solution, 'heights' | 'registers' | 'faces'>,
  { machine, gauges }: ShopToday,
): SetupSheet {
  const { stood: _before, imported: _from, leftOut = [], ...rest } = sheet
  const positions = positionsBefore({ sheet, events }, solution)
  return {
    ...rest,
    repeats: id,
    ...(positions && { stood: positions }),
    ...(machine && { machine }),
    gauges: sheet.gauges.map((gauge) => gauges.find(({ id }) => id === gauge.id) ?? gauge),
    // What was left out for that day is asked for again.
    tools: [...sheet.tools, ...leftOut.map(({ tool }) => tool)].map((tool) =>
      toolAgain(tool, sheet, solution),
    ),
  }
}

/** What a set-up file goes to: the machine of the shop that has its name, and the gauges. */
export interface ShopForFile {
  readonly machine?: { readonly id: string; readonly machine: MachineDeclaration } | undefined
  readonly gauges: readonly Gauge[]
}

/**
 * The sheet of a job that a set-up file holds, for this shop. On a machine that is not the file's, where things stood says nothing;
 * and the set-up that it was is not here to be repeated: the file itself is what it is compared with.
 */
export function sheetFromFile(
  document: Pick<SetupDocument, 'id' | 'sheet' | 'events'>,
  solution: Pick<Solution, 'heights' | 'registers' | 'faces'>,
  { machine, gauges }: ShopForFile,
  imported: NonNullable<SetupSheet['imported']>,
): SetupSheet {
  const again = sheetAgain(document, solution, { machine: machine?.machine, gauges })
  const { repeats: _elsewhere, machineId: _theirs, stood, ...sheet } = again
  return {
    ...sheet,
    imported,
    ...(machine && { machineId: machine.id, ...(stood && { stood }) }),
  }
}

function toolAgain(
  tool: Tool,
  sheet: SetupSheet,
  { heights, registers }: Pick<Solution, 'heights' | 'registers'>,
): Tool {
  const { unit, machine } = sheet
  const own = registerOfTool(sheet, tool.number)
  const register = registers.find(({ address }) => address === own)
  const tip = heights.tipOnPlane[tool.number]
  const { lastLength: before, ...rest } = tool
  if (register?.state === 'stale') return rest
  if (tip === undefined || heights.noseOnPlane === undefined)
    return { ...rest, ...(before && { lastLength: before }) }
  const length = valueOf(subtractChains(tip, heights.noseOnPlane))
  if (length <= 0) return rest
  return {
    ...rest,
    lastLength: { text: formatLength(length, unit, machine.control.decimals[unit]), unit },
  }
}
