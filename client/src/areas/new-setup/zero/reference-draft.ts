import { OFFSET_ROWS, type OffsetRow } from '@pine/core/address'
import type { WrittenLength } from '@pine/core/length'
import type { SheetDraft } from '../sheet-draft'

type Reference = NonNullable<SheetDraft['reference']>

/** The lengths of a school's reference that may be left empty. */
export type ReferenceLength = 'constant' | 'masterLength'

/** What a school is counted from, as its fields: a length that is not declared is an empty one. */
export function referenceView({ school, reference, tools, unit, offsets }: SheetDraft) {
  const blank: WrittenLength = { text: '', unit }
  return {
    masters:
      school === 'master-tool'
        ? tools.map(({ number, name }) => ({
            value: String(number),
            label: `T${number} ${name}`.trim(),
          }))
        : [],
    master: String(reference?.masterTool ?? ''),
    length:
      school === 'master-tool'
        ? ({
            field: 'masterLength',
            label: 'The master is declared with a length of',
            note: 'Left empty, its H is zero and shorter tools have a minus.',
            value: reference?.masterLength ?? blank,
          } as const)
        : school === 'gauge-line'
          ? ({
              field: 'constant',
              label: 'H is the length less a constant K of',
              note: 'Left empty, H is the whole length from the nose.',
              value: reference?.constant ?? blank,
            } as const)
          : undefined,
    // A row that keeps the plane is none that a part lies in.
    rows: OFFSET_ROWS.filter((row) => offsets.every((offset) => offset.row !== row)),
    planeRow: reference?.planeRow,
  }
}

/** The draft with another reference; a field that is left out is not declared. */
export const withReference = (
  { reference: before, ...draft }: SheetDraft,
  changes: { readonly [Field in keyof Reference]?: Reference[Field] | undefined },
): SheetDraft => {
  const reference = Object.fromEntries(
    Object.entries({ ...before, ...changes }).filter(([, value]) => value !== undefined),
  ) as Reference
  return Object.keys(reference).length === 0 ? draft : { ...draft, reference }
}

/** A length as it is typed; emptied, it is not declared. */
export const withReferenceLength = (
  draft: SheetDraft,
  field: ReferenceLength,
  length: WrittenLength,
): SheetDraft => withReference(draft, { [field]: length.text.trim() === '' ? undefined : length })

/** The row that keeps the setting plane, or none. */
export const withPlaneRow = (draft: SheetDraft, row: OffsetRow | 'none'): SheetDraft =>
  withReference(draft, { planeRow: row === 'none' ? undefined : row })
