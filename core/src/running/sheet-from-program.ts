import type { LengthUnit } from '../length/length'
import { type Tool } from '../sheet/tool'
import { isOffsetRow, OFFSET_ROWS, type OffsetRow } from '../address/row'
import type { ProgramReading } from '../program/program-reading'

/** What a program tells of the sheet of its set-up. */
export interface SheetFromProgram {
  readonly unit?: LengthUnit
  readonly tools: readonly Tool[]
  readonly rows: readonly OffsetRow[]
  /** Rows that it uses and that a sheet cannot have yet, such as `G54.1 P1`. */
  readonly otherRows: readonly string[]
}

const LONGEST_NAME = 60

/**
 * Tools with the H and D that the program calls for, and its work offsets, in the order of use. A tool
 * without an H keeps its own number, as most shops have it.
 */
export function sheetFromProgram({ unit, operations }: ProgramReading): SheetFromProgram {
  const tools = new Map<number, Tool>()
  const taken = new Set<number>()
  for (const { tool, name, lengths, diameters } of operations) {
    if (tool === undefined || tool <= 0 || tools.has(tool)) continue
    const called = lengths.find(({ register }) => register > 0 && !taken.has(register))?.register
    const lengthRegister = called ?? tool
    taken.add(lengthRegister)
    const diameterRegister = diameters.find(({ register }) => register > 0)?.register
    tools.set(tool, {
      number: tool,
      name: (name ?? '').slice(0, LONGEST_NAME),
      lengthRegister,
      ...(diameterRegister !== undefined && { diameterRegister }),
    })
  }
  const used = [...new Set(operations.flatMap(({ rows }) => rows.map(({ row }) => row)))]
  return {
    ...(unit !== undefined && { unit }),
    tools: [...tools.values()],
    rows: used.filter(isOffsetRow).sort((a, b) => placeOfRow(a) - placeOfRow(b)),
    otherRows: used.filter((row) => !isOffsetRow(row)),
  }
}

/** The rows that every control has come first, then those of the long list by their number. */
function placeOfRow(row: OffsetRow): number {
  const place = (OFFSET_ROWS as readonly string[]).indexOf(row)
  return place < 0 ? OFFSET_ROWS.length + Number(row.slice('G54.1 P'.length)) : place
}
