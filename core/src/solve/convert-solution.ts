import { offsetAddress, type Address } from '../address/address'
import { valueOf } from '../chain/chain'
import { toNanometres, type Nanometres } from '../length/length'
import type { SetupDocument } from '../facts/document'
import { isToolByTool } from '../sheet/tool-rows'
import { schoolKnowledge } from './z/heights'
import type { Solution } from './solution'
import { SourceReader } from '../sources/sources'
import { convertTable, type OffsetTable } from '../schools/convert'
import { schoolReference, schoolReferenceOnTop, type School } from '../schools/schools'

/** What a conversion needs and the set-up does not have. */
export type ConversionGap = 'registers' | 'lengths' | 'plane' | 'nose' | 'part-top' | 'master'

export type Conversion =
  | { readonly ok: true; readonly table: OffsetTable }
  | { readonly ok: false; readonly missing: ConversionGap }

/** What a school counts from that another may not have touched. */
const COUNTS_FROM: Readonly<Record<School, ConversionGap>> = {
  'setting-plane': 'plane',
  'gauge-line': 'nose',
  'part-top': 'part-top',
  'master-tool': 'master',
}

/**
 * The lengths and Z offsets of a set-up as another school would have them, as this control stores them.
 *
 * Two schools differ by the distance of what they count from, and that is known where both were touched against
 * the plane, or both against the stock top of the first part.
 *
 * @returns the table, or what would have to be touched for it.
 */
export function convertSolution(
  document: SetupDocument,
  solution: Solution,
  to: School,
): Conversion {
  if (isToolByTool(document.sheet)) return { ok: false, missing: 'registers' }
  const table = tableOf(document, solution)
  if (table.lengths.size === 0) return { ok: false, missing: 'lengths' }
  const shift = referenceShift(document, solution, to)
  if (shift === undefined) return { ok: false, missing: missingFor(document.sheet.school, to) }
  const converted = convertTable(table, shift, toNanometres(0))
  return {
    ok: true,
    table: { ...converted, lengths: asStored(document, converted.lengths) },
  }
}

/** How much higher the own school counts from than the other; undefined where no surface relates them. */
function referenceShift(
  document: SetupDocument,
  { heights }: Solution,
  to: School,
): Nanometres | undefined {
  const { school } = document.sheet
  if (to === school) return toNanometres(0)
  const known = schoolKnowledge(document, new SourceReader(document), heights)
  for (const reference of [schoolReference, schoolReferenceOnTop]) {
    const [from, target] = [reference(school, known), reference(to, known)]
    if (from !== undefined && target !== undefined)
      return toNanometres(valueOf(from) - valueOf(target))
  }
  return undefined
}

/** Lengths from the part's top say nothing of a plane that no tool touched; else the other school's own touch is missing. */
const missingFor = (from: School, to: School): ConversionGap =>
  to === 'setting-plane' ? COUNTS_FROM[from] : COUNTS_FROM[to]

/** The lengths as the control adds them, and Z of every work offset that the school moves. */
export function tableOf(document: SetupDocument, solution: Solution): OffsetTable {
  const rows: readonly Address[] = document.sheet.offsets.map(({ row }) => offsetAddress(row, 'Z'))
  const values = solution.registers.flatMap(({ address, kind, value }) =>
    value === undefined ? [] : [{ address, kind, value }],
  )
  const lengths = values.filter(({ kind }) => kind === 'length')
  return {
    lengths: asStored(document, new Map(lengths.map(({ address, value }) => [address, value]))),
    // A row that keeps the plane itself is the same in every school.
    offsets: new Map(
      values
        .filter(({ address }) => rows.includes(address))
        .map(({ address, value }) => [address, value]),
    ),
  }
}

/** A control that subtracts its lengths stores them with the other sign; turned twice they are themselves again. */
function asStored(
  { sheet }: SetupDocument,
  lengths: OffsetTable['lengths'],
): OffsetTable['lengths'] {
  const turned = sheet.machine.control.lengthSign === 'subtracted' ? -1 : 1
  return new Map([...lengths].map(([row, value]) => [row, toNanometres(turned * value)]))
}
