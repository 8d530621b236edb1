import { useRouter } from 'expo-router'
import { useState } from 'react'
import { sendable } from '@/data/server/api'
import type { Enter } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Choice } from '@/kit/entry/choice'
import { Overlay } from '@/kit/frame/overlay'
import { ReadingField } from '@/kit/entry/reading-field'
import { Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { EntryFrame } from '@/areas/run/frame/entry/entry-frame'
import { keyedLines } from './keyed-lines'
import { nextNumber, QUICK_ZEROS, withQuickRow, withQuickTool } from './quick-sheet'
import { useToolNumber } from './use-tool-number'

interface QuickNextProps {
  readonly id: string
  readonly setup: LoadedSetup
  readonly enter: Enter
}

/** Nothing is open in a quick one: another tool, the work offset, or the job that it becomes. */
export function QuickNext({ id, setup, enter }: QuickNextProps) {
  const router = useRouter()
  const sheet = setup.sheetAsWritten
  const number = useToolNumber(nextNumber(sheet))
  const [placing, setPlacing] = useState(false)
  const [problem, setProblem] = useState<string>()
  const measure = () => {
    if (number.value === undefined) return setProblem('A tool has a whole number, such as 3.')
    const more = withQuickTool(sheet, number.value)
    if (more === sheet)
      return setProblem(`T${number.value} is measured. To touch it again, open the menu.`)
    number.clear()
    void enter({ kind: 'sheet', body: sendable(more) })
  }
  const row = sheet.offsets[0]?.row ?? 'G54'
  return (
    <>
      <EntryFrame
        {...number.keys}
        onNext={measure}
        next="Measure it"
        problem={problem}
        numbers={
          <ReadingField
            label="Next tool number"
            value={number.text}
            unit=""
            placeholder={String(nextNumber(sheet))}
            onChange={(text) => {
              setProblem(undefined)
              number.change(text)
            }}
            onSubmit={measure}
          />
        }
      >
        <Words as="sentence" role="heading" aria-level={1}>
          Keyed and read back. What next?
        </Words>
        <Row flexWrap="wrap">
          {sheet.quick === 'lengths' && (
            <Button grow onPress={() => setPlacing(true)} testID="quick-row">
              {row}
            </Button>
          )}
          <Button
            grow
            onPress={() => router.push({ pathname: '/setups/sheet', params: { id } })}
            testID="quick-job"
          >
            Make it a job
          </Button>
          <Button grow onPress={() => router.replace('/')} testID="quick-done">
            Done
          </Button>
        </Row>
        <Column gap={0} testID="quick-numbers">
          {keyedLines(setup).map(({ name, number: shown }) => (
            <Row key={name} justifyContent="space-between">
              <Words>{name}</Words>
              <Digits as="number">{shown}</Digits>
            </Row>
          ))}
        </Column>
        <Caution>
          Not proven yet. First move in single block, rapid at its lowest, a thumb on feed hold.
        </Caution>
      </EntryFrame>
      {placing && (
        <Overlay onClose={() => setPlacing(false)}>
          <Choice
            label={`Where is zero of ${row} on the part? Z is its stock top.`}
            value={undefined}
            options={QUICK_ZEROS}
            onChange={(zero) => {
              const withRow = withQuickRow(sheet, zero)
              setPlacing(false)
              if (withRow !== undefined) void enter({ kind: 'sheet', body: sendable(withRow) })
            }}
          />
        </Overlay>
      )}
    </>
  )
}
