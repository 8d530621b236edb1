import { useRouter } from 'expo-router'
import { useState } from 'react'
import type { ImportPreview } from '@pine/contract'
import type { ImportList } from '@pine/core/import-list'
import { LENGTH_UNITS } from '@pine/core/length'
import { fileFailureWords } from '@/data/server/api'
import { previewImport, runImport, type ImportOptions } from '@/data/shop/import-list'
import { useMachines } from '@/data/shop/shop'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { FilePicker } from '@/kit/entry/file-picker'
import { Page } from '@/kit/frame/page'
import { Section } from '@/kit/frame/section'
import { Problem } from '@/kit/problem'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { ImportColumns } from './import-columns'
import { importedWords, importView, LIST_NAMES, withColumn } from './import-view'

/** A file that was picked, the options chosen for it, and its preview. */
interface Picked {
  readonly file: File
  readonly options: ImportOptions
  readonly preview: ImportPreview
}

/** Tools or gauges from a list that a spreadsheet has saved: looked at first, imported with one press. */
export function ImportScreen({ list }: { readonly list: ImportList }) {
  const router = useRouter()
  const [picked, setPicked] = useState<Picked>()
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string>()
  const [done, setDone] = useState<string>()
  const back = () => router.replace(list === 'tools' ? '/tools' : '/shop')
  const attempt = async (work: () => Promise<void>) => {
    setBusy(true)
    setProblem(undefined)
    await work().catch((cause: unknown) => setProblem(fileFailureWords(cause)))
    setBusy(false)
  }
  const look = (file: File, options: ImportOptions) =>
    attempt(async () => {
      setDone(undefined)
      setPicked({ file, options, preview: await previewImport(list, file, options) })
    })
  const run = ({ file, options }: Picked) =>
    attempt(async () => {
      setDone(importedWords(list, await runImport(list, file, options)))
      setPicked(undefined)
    })
  const view = picked && importView(list, picked.preview)
  return (
    <Page
      title={`Import ${LIST_NAMES[list].many}`}
      foot={
        <>
          <Button
            kind={done === undefined ? 'plain' : 'act'}
            grow={done !== undefined}
            onPress={back}
          >
            {done === undefined ? 'Back' : `To the ${LIST_NAMES[list].many}`}
          </Button>
          {picked && view?.button !== undefined && (
            <Button
              kind="act"
              grow
              disabled={busy}
              onPress={() => void run(picked)}
              testID="run-import"
            >
              {view.button}
            </Button>
          )}
        </>
      }
    >
      {done !== undefined && (
        <Words as="lead" role="status" testID="imported">
          {done}
        </Words>
      )}
      {picked === undefined && done === undefined && (
        <Words as="lead">
          A list that a spreadsheet saved as CSV. Its first row says what each column is. You see
          what it comes to before anything is written.
        </Words>
      )}
      <Row>
        <FilePicker
          kind={picked === undefined && done === undefined ? 'act' : 'quiet'}
          onPick={(file) => void look(file, {})}
          testID="import-file"
        >
          {picked === undefined ? 'Pick the file' : 'Pick another file'}
        </FilePicker>
      </Row>
      <Problem words={problem} />
      {picked && view && (
        <Preview
          list={list}
          picked={picked}
          onOptions={(options) => void look(picked.file, options)}
        />
      )}
    </Page>
  )
}

function Preview({
  list,
  picked: { options, preview },
  onOptions,
}: {
  readonly list: ImportList
  readonly picked: Picked
  readonly onOptions: (options: ImportOptions) => void
}) {
  const { machines } = useMachines()
  const view = importView(list, preview)
  return (
    <>
      <Column gap="$1">
        <Words as="note">{view.file}</Words>
        <Words as="title" role="status" testID="import-summary">
          {view.summary}
        </Words>
        <Problem words={view.missing} />
      </Column>
      {view.asksForMachine && (
        <Choice
          label="Pockets of which machine"
          options={(machines ?? []).map(({ id, machine }) => ({ value: id, label: machine.name }))}
          value={options.machine}
          onChange={(machine) => onOptions({ ...options, machine })}
        />
      )}
      {view.problems.length > 0 && (
        <Section title="Left out">
          <Card overflow="hidden" role="list" testID="import-problems">
            {view.problems.map(({ where, words }, index) => (
              <Line
                key={`${where} ${words}`}
                first={index === 0}
                role="listitem"
                paddingVertical="$2"
              >
                <Column gap={0} flex={1}>
                  <Words strong>{where}</Words>
                  <Words tone="wrong">{words}</Words>
                </Column>
              </Line>
            ))}
          </Card>
          {view.more !== undefined && <Words as="note">{view.more}</Words>}
        </Section>
      )}
      {preview.sample.length > 0 && (
        <Section
          title={preview.sample.length < preview.good ? 'The first of them' : 'As they will stand'}
        >
          <Card overflow="hidden" role="list" testID="import-sample">
            {preview.sample.map(({ row, name, words }, index) => (
              <Line key={row} first={index === 0} role="listitem" paddingVertical="$2">
                <Column gap={0} flex={1}>
                  <Words strong>{name}</Words>
                  <Words as="note">{words}</Words>
                </Column>
                <Words as="note">{`row ${row}`}</Words>
              </Line>
            ))}
          </Card>
        </Section>
      )}
      <Section title="What each column is">
        <ImportColumns
          list={list}
          columns={view.columns}
          onChoose={(column, role) => onOptions(withColumn(options, preview.mapping, column, role))}
        />
        <Row flexWrap="wrap" gap="$4">
          <Choice
            label="Lengths without a unit are in"
            options={LENGTH_UNITS.map((value) => ({ value, label: value }))}
            value={preview.unit}
            onChange={(unit) => onOptions({ ...options, unit })}
          />
          <Choice
            label="Decimals are written"
            options={[
              { value: 'point', label: '6.35' },
              { value: 'comma', label: '6,35' },
            ]}
            value={preview.decimal}
            onChange={(decimal) => onOptions({ ...options, decimal })}
          />
        </Row>
      </Section>
    </>
  )
}
