import { useState } from 'react'
import type { ColumnRole, ImportList } from '@pine/core/import-list'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { columnChoices, type ColumnLine } from './import-view'

/** The columns of a file, each with what stands in it and what it is taken for; one is opened to be named. */
export function ImportColumns({
  list,
  columns,
  onChoose,
}: {
  readonly list: ImportList
  readonly columns: readonly ColumnLine[]
  readonly onChoose: (column: number, role: ColumnRole | undefined) => void
}) {
  const [open, setOpen] = useState<number>()
  return (
    <Card overflow="hidden" role="list" testID="import-columns">
      {columns.map(({ column, heading, samples, is, role }, index) => (
        <Line key={column} first={index === 0} role="listitem" paddingVertical="$2">
          <Column gap="$2" flex={1} minWidth={0}>
            <Row justifyContent="space-between" alignItems="center">
              <Column gap={0} flexShrink={1} minWidth={0}>
                <Words strong>{heading === '' ? '(no heading)' : heading}</Words>
                <Digits as="note">{samples}</Digits>
              </Column>
              <Button
                kind="quiet"
                label={`what ${heading} is`}
                onPress={() => setOpen(open === column ? undefined : column)}
                testID={`column-${column}`}
              >
                {is ?? 'not imported'}
              </Button>
            </Row>
            {open === column && (
              <Choice
                label="It is the"
                options={columnChoices(list)}
                value={role ?? 'none'}
                onChange={(chosen) => {
                  setOpen(undefined)
                  onChoose(column, chosen === 'none' ? undefined : chosen)
                }}
              />
            )}
          </Column>
        </Line>
      ))}
    </Card>
  )
}
