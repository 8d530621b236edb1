import { toNanometres, type Nanometres } from '../length/length'

/** A whole offset table: every length and every Z, in one school. */
export interface OffsetTable {
  /** H by register row, as the control adds it. */
  readonly lengths: ReadonlyMap<string, Nanometres>
  /** WCS.z by work offset row. */
  readonly offsets: ReadonlyMap<string, Nanometres>
}

/**
 * The same table in another school: every H changes by the difference of the two references, every
 * WCS.z by the opposite, so each sum WCS.z + H stays what it was, to the nanometre, and converting
 * back gives the table itself.
 *
 * @param from reference G of the school that the table is in (schools.ts), machine Z.
 * @param to reference G of the school to convert to.
 */
export function convertTable(table: OffsetTable, from: Nanometres, to: Nanometres): OffsetTable {
  const shift = from - to
  const moved = (values: ReadonlyMap<string, Nanometres>, by: number) =>
    new Map([...values].map(([row, value]) => [row, toNanometres(value + by)]))
  return { lengths: moved(table.lengths, shift), offsets: moved(table.offsets, -shift) }
}
