import { valueOf } from '../chain/chain'
import type { SetupDocument } from '../setup/document'
import { schoolKnowledge } from '../setup/heights'
import type { Solution } from '../setup/solution'
import { SourceReader } from '../setup/sources'
import { convertTable, type OffsetTable } from './convert'
import { schoolReference, type School } from './schools'

/** What a conversion needs and the set-up does not have. */
export type ConversionGap = 'own-reference' | 'nose-on-plane' | 'part-top' | 'master-on-plane'

export type Conversion =
  | { readonly ok: true; readonly table: OffsetTable }
  | { readonly ok: false; readonly missing: ConversionGap }

const NEEDS: Readonly<Record<School, ConversionGap>> = {
  'setting-plane': 'own-reference',
  'gauge-line': 'nose-on-plane',
  'part-top': 'part-top',
  'master-tool': 'master-on-plane',
}

/**
 * The lengths and Z offsets of a set-up as another school would have them.
 *
 * @returns the table, or the reading that is missing for it.
 */
export function convertSolution(
  document: SetupDocument,
  solution: Solution,
  to: School,
): Conversion {
  const from = solution.heights.reference
  if (from === undefined) return { ok: false, missing: 'own-reference' }
  const known = schoolKnowledge(document, new SourceReader(document), solution.heights)
  const target = schoolReference(to, known)
  if (target === undefined) return { ok: false, missing: NEEDS[to] }
  const table = tableOf(document, solution)
  return { ok: true, table: convertTable(table, valueOf(from), valueOf(target)) }
}

/** The lengths as the control adds them, and Z of every work offset. */
export function tableOf(document: SetupDocument, solution: Solution): OffsetTable {
  const turned = document.sheet.machine.control.lengthSign === 'subtracted' ? -1 : 1
  const values = solution.registers.flatMap(({ address, kind, value }) =>
    value === undefined ? [] : [{ address, kind, value }],
  )
  return {
    lengths: new Map(
      values
        .filter(({ kind }) => kind === 'length')
        .map(({ address, value }) => [address, (turned * value) as typeof value]),
    ),
    offsets: new Map(
      values
        .filter(({ address }) => address.endsWith('.Z'))
        .map(({ address, value }) => [address, value]),
    ),
  }
}
