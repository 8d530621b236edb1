import { useState } from 'react'
import type { OffsetRow } from '@pine/core/address'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { LengthEntry } from '../tools/length-entry'
import { referenceView, withPlaneRow, withReference, withReferenceLength } from './reference-draft'
import type { SheetPageProps } from '../sheet-page-props'

/** What lengths are counted from beyond the plane or the nose itself: few shops have it, so it is opened. */
export function ReferenceEntry({ draft, change, problem }: SheetPageProps) {
  const view = referenceView(draft)
  const { masters, master, length, rows, planeRow } = view
  const [opened, setOpened] = useState(planeRow !== undefined || (length?.value.text ?? '') !== '')
  const isWrong = length !== undefined && problem(`reference.${length.field}`) !== undefined
  return (
    <>
      {masters.length > 1 && (
        <Choice
          label="Which tool is the master?"
          value={master}
          options={masters}
          onChange={(number) => change(withReference(draft, { masterTool: Number(number) }))}
        />
      )}
      {opened || isWrong ? (
        <>
          {length && (
            <LengthEntry
              label={length.label}
              value={length.value}
              onChange={(next) => change(withReferenceLength(draft, length.field, next))}
              problem={problem(`reference.${length.field}`)}
              note={length.note}
              testID={`reference-${length.field}`}
            />
          )}
          <Choice<OffsetRow | 'none'>
            label="A row that keeps the setting plane"
            value={planeRow ?? 'none'}
            options={[
              { value: 'none', label: 'none' },
              ...rows.map((row) => ({ value: row, label: row })),
            ]}
            onChange={(row) => change(withPlaneRow(draft, row))}
            note="Its Z is where the bare nose touches the plane; no part lies in it."
          />
        </>
      ) : (
        <Button kind="plain" onPress={() => setOpened(true)} testID="reference-more">
          {length === undefined
            ? 'A row keeps the plane …'
            : 'A declared length, a row for the plane …'}
        </Button>
      )}
    </>
  )
}
