import { useMemo, useState } from 'react'
import type { SetupFile } from '@pine/core/facts'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { BackToStep } from '@/areas/share/back-to-step'
import { askedFailureWords } from '@/data/server/api'
import { useSetupFile } from '@/data/setup/one-setup'
import { useOtherSetup, useSetupsOfJob } from '@/data/setup/other-setup'
import { useKeptSetupFile } from '@/data/shop/setup-file'
import type { LoadedSetup } from '@/data/setup/standing'
import { Choice } from '@/kit/entry/choice'
import { Page } from '@/kit/frame/page'
import { Section } from '@/kit/frame/section'
import { Problem } from '@/kit/problem'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { TrustMark } from '@/kit/trust-mark'
import { Digits, Words } from '@/kit/words'
import {
  againstOptions,
  chosenAgainst,
  compareView,
  standingAsOf,
  type DifferenceLine,
} from './compare-view'

/** What differs now: from the last good run, from another set-up of the job, from a moment of this one. */
export function CompareScreen({ id }: { readonly id: string }) {
  const file = useSetupFile(id)
  return (
    <OpenedSetup id={id}>
      {(setup) => (file === undefined ? null : <Compare id={id} setup={setup} file={file} />)}
    </OpenedSetup>
  )
}

function Compare({
  id,
  setup,
  file,
}: {
  readonly id: string
  readonly setup: LoadedSetup
  readonly file: SetupFile
}) {
  const { name } = setup.document.sheet
  const options = againstOptions(setup.document, file.facts, useSetupsOfJob(name))
  const [picked, setPicked] = useState<string>()
  const value = picked ?? options[0]?.value
  const against = chosenAgainst(value)
  const { length } = against
  const other = useOtherSetup(against.setup)
  const kept = useKeptSetupFile(against.file)
  const error = other.error ?? kept.error
  const isElsewhere = against.setup !== undefined || against.file !== undefined
  const source = isElsewhere ? (other.file ?? kept.file) : file
  const then = useMemo(
    () => (source === undefined ? undefined : standingAsOf(source, length)),
    [source, length],
  )
  const view = then && value !== undefined ? compareView(then, setup) : undefined
  return (
    <Page title={`What differs in ${name}`} foot={<BackToStep id={id} />}>
      {options.length === 0 ? (
        <Words as="lead" tone="soft">
          There is nothing to compare it with yet: no release, nothing that happened to it, and no
          other set-up of this name.
        </Words>
      ) : (
        <Choice label="Compared with" options={options} value={value} onChange={setPicked} />
      )}
      <Problem words={error === undefined ? undefined : askedFailureWords(error)} />
      {view && (
        <>
          <Words as="title" role="status" testID="differs">
            {view.summary}
          </Words>
          {view.lines.length > 0 && (
            <Card overflow="hidden" role="list" testID="differences">
              {view.lines.map((line, index) => (
                <Difference key={line.name} line={line} first={index === 0} />
              ))}
            </Card>
          )}
          {view.sheet.length > 0 && (
            <Section title="Declared otherwise">
              <Card overflow="hidden" role="list" testID="sheet-differences">
                {view.sheet.map((line, index) => (
                  <Line key={line} first={index === 0} role="listitem" paddingVertical="$2">
                    <Words>{line}</Words>
                  </Line>
                ))}
              </Card>
            </Section>
          )}
          {view.equal.length > 0 && (
            <Words as="note">{`As before: ${view.equal.join(', ')}.`}</Words>
          )}
        </>
      )}
    </Page>
  )
}

function Difference({ line, first }: { readonly line: DifferenceLine; readonly first: boolean }) {
  const { name, then, now, state, change, because } = line
  return (
    <Line first={first} role="listitem" paddingVertical="$2" gap="$3" alignItems="flex-start">
      <TrustMark state={state} size={24} />
      <Column gap={2} flex={1} minWidth={0}>
        <Row justifyContent="space-between" flexWrap="wrap">
          <Digits>{name}</Digits>
          {change !== undefined && <Digits as="lead">{change}</Digits>}
        </Row>
        <Digits>{`${then} → ${now}`}</Digits>
        {because.map((words) => (
          <Words key={words} as="note">
            {words}
          </Words>
        ))}
      </Column>
    </Line>
  )
}
