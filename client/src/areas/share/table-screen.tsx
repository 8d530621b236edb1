import { useRouter } from 'expo-router'
import { useState } from 'react'
import { LENGTH_UNITS, type LengthUnit } from '@pine/core/length'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { textOfBytes } from '@/data/device/text-of-bytes'
import { useDraft } from '@/data/device/drafts'
import { useMay } from '@/data/server/session'
import type { Enter } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { FilePicker } from '@/kit/entry/file-picker'
import { Entry } from '@/kit/entry/field'
import { Page } from '@/kit/frame/page'
import { Section } from '@/kit/frame/section'
import { Problem } from '@/kit/problem'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { ColumnsEntry } from './columns-entry'
import { mappingOf, sampleColumns, tableView, type ColumnRole, type TableLine } from './table-view'

/** What a control holds, read off its table in one go instead of row by row. */
export function TableScreen({ id }: { readonly id: string }) {
  return (
    <OpenedSetup id={id}>
      {(setup, enter) => <TableOf id={id} setup={setup} enter={enter} />}
    </OpenedSetup>
  )
}

interface TableProps {
  readonly id: string
  readonly setup: LoadedSetup
  readonly enter: Enter
}

/** No control’s table is longer; a file that is has been picked by mistake. */
const LONGEST_TABLE = 1_000_000

function TableOf({ id, setup, enter }: TableProps) {
  const router = useRouter()
  const mayEnter = useMay('enter')
  const draft = useDraft(`table:${id}`, '')
  const [unit, setUnit] = useState<LengthUnit>(setup.solution.unit)
  const [by, setBy] = useState<'itself' | 'tools' | 'offsets'>('itself')
  const [chosen, setChosen] = useState<Partial<Record<ColumnRole, number>>>({})
  const [problem, setProblem] = useState<string>()
  const columns = by === 'itself' ? undefined : mappingOf(by, chosen)
  const view = tableView(setup, { text: draft.value, unit, columns })
  const sample = sampleColumns(draft.value)
  const back = () => router.replace({ pathname: '/setups/[id]', params: { id } })
  const open = async (file: File) => {
    if (file.size > LONGEST_TABLE)
      return setProblem(
        `${file.name} is longer than any table: a megabyte at most. Pick the table of offsets.`,
      )
    setProblem(undefined)
    draft.set(textOfBytes(new Uint8Array(await file.arrayBuffer())))
  }
  const enterAll = () => {
    for (const fact of view.facts) void enter(fact)
    draft.clear()
    back()
  }
  return (
    <Page
      title="Read the offset table"
      foot={
        <>
          <Button kind="plain" onPress={back}>
            Back
          </Button>
          {mayEnter && view.facts.length > 0 && (
            <Button kind="act" grow onPress={enterAll} testID="enter-table">
              {view.button}
            </Button>
          )}
        </>
      }
    >
      <Column gap="$2">
        <Words as="note" render={<label htmlFor="table-text" />}>
          The table as text: G10 blocks, or lines with their row
        </Words>
        <Entry
          id="table-text"
          render="textarea"
          minHeight={120}
          paddingVertical="$2"
          digits
          value={draft.value}
          onChangeText={draft.set}
          placeholder="such as G54 X-352.300 Y-255.000 Z-220.000"
          testID="table-text"
        />
        <Row flexWrap="wrap" justifyContent="space-between" alignItems="flex-end">
          <FilePicker onPick={(file) => void open(file)} testID="table-file">
            Pick a file
          </FilePicker>
          <Choice
            label="Its numbers are in"
            options={LENGTH_UNITS.map((value) => ({ value, label: value }))}
            value={unit}
            onChange={setUnit}
          />
        </Row>
      </Column>
      <Problem words={problem} />
      {view.refusal !== undefined && <Problem words={view.refusal} />}
      {view.summary !== undefined && (
        <Section title={view.summary}>
          <Card overflow="hidden" role="list" testID="table-rows">
            {view.lines.map((line, index) => (
              <RowLine key={line.address} line={line} first={index === 0} />
            ))}
          </Card>
          {view.missing.length > 0 && (
            <Words as="note">{`Not in the table: ${view.missing.join(', ')}.`}</Words>
          )}
          {view.others > 0 && (
            <Words as="note">
              {`${view.others} more ${view.others === 1 ? 'row is' : 'rows are'} not set by this set-up, or anew with each tool.`}
            </Words>
          )}
        </Section>
      )}
      {view.problems.length > 0 && (
        <Section title="Not taken">
          <Column gap="$1" role="alert" testID="table-problems">
            {view.problems.map((line) => (
              <Words key={line} as="note" tone="wrong">
                {line}
              </Words>
            ))}
          </Column>
        </Section>
      )}
      {sample.length > 0 && (by !== 'itself' || view.summary === undefined) && (
        <ColumnsEntry by={by} onBy={setBy} sample={sample} chosen={chosen} onChoose={setChosen} />
      )}
    </Page>
  )
}

const VERDICTS: Readonly<Record<TableLine['verdict'], string>> = {
  equal: 'as it should be',
  differs: 'differs',
  'not-keyed': 'not keyed yet',
  'not-in-table': 'not in the table',
  'not-known': 'not measured yet',
}

function RowLine({ line, first }: { readonly line: TableLine; readonly first: boolean }) {
  const { name, shows, should, verdict, cause } = line
  const isWrong = verdict === 'differs'
  return (
    <Line first={first} role="listitem" paddingVertical="$2" testID={`row-${line.address}`}>
      <Column gap={0} flex={1}>
        <Row justifyContent="space-between">
          <Digits>{name}</Digits>
          {shows !== undefined && (
            <Digits as="lead" tone={isWrong ? 'wrong' : verdict === 'equal' ? 'read' : 'ink'}>
              {shows}
            </Digits>
          )}
        </Row>
        <Row justifyContent="space-between" flexWrap="wrap">
          <Words as="note" tone={isWrong ? 'wrong' : 'soft'} strong={isWrong}>
            {VERDICTS[verdict]}
          </Words>
          {should !== undefined && verdict !== 'equal' && (
            <Words as="note">{`should show ${should}`}</Words>
          )}
        </Row>
        {cause !== undefined && <Words tone="wrong">{cause}</Words>}
      </Column>
    </Line>
  )
}
