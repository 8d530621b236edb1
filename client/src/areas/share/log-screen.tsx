import { format } from 'date-fns/format'
import { useRouter } from 'expo-router'
import { useState } from 'react'
import type { SetupFile } from '@pine/core/facts'
import { STORY_KINDS, type StoryKind } from '@pine/core/words'
import { OpenedSetup } from '@/areas/run/frame/opened-setup'
import { useSetupFile } from '@/data/setup/one-setup'
import type { LoadedSetup } from '@/data/setup/standing'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { Page } from '@/kit/frame/page'
import { Section } from '@/kit/frame/section'
import { Card, Column, Line } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { BackToStep } from './back-to-step'
import { logView, STORY_NAMES } from './log-view'

/** What happened in a set-up: who entered what, and when. */
export function LogScreen({ id }: { readonly id: string }) {
  const file = useSetupFile(id)
  return (
    <OpenedSetup id={id}>
      {(setup) => (file === undefined ? null : <Log id={id} setup={setup} file={file} />)}
    </OpenedSetup>
  )
}

function Log({
  id,
  setup: { document },
  file,
}: {
  readonly id: string
  readonly setup: LoadedSetup
  readonly file: SetupFile
}) {
  const router = useRouter()
  const [tells, setTells] = useState<StoryKind | 'all'>('all')
  const [find, setFind] = useState('')
  const days = logView(document, file.facts, { tells, find })
  return (
    <Page
      title={`What happened in ${document.sheet.name}`}
      foot={
        <>
          <BackToStep id={id} />
          <Button
            grow
            onPress={() => router.push({ pathname: '/setups/compare', params: { id } })}
            testID="compare"
          >
            Compare
          </Button>
        </>
      }
    >
      <Field
        label="Look for a tool, a register, a gauge, a person"
        value={find}
        onChange={setFind}
        testID="find-in-log"
      />
      <Choice
        label="Show"
        options={(['all', ...STORY_KINDS] as const).map((value) => ({
          value,
          label: STORY_NAMES[value],
        }))}
        value={tells}
        onChange={setTells}
      />
      {days.length === 0 && <Words role="status">Nothing of that is in it.</Words>}
      {days.map(({ day, lines }) => (
        <Section key={day} title={day}>
          <Card overflow="hidden" role="list">
            {lines.map(({ id: fact, at, by, words }, index) => (
              <Line
                key={fact}
                first={index === 0}
                role="listitem"
                paddingVertical="$2"
                gap="$3"
                alignItems="flex-start"
              >
                <Digits as="note">{format(new Date(at), 'HH:mm')}</Digits>
                <Column gap={0} flex={1}>
                  <Words>{words}</Words>
                  <Words as="note">{by}</Words>
                </Column>
              </Line>
            ))}
          </Card>
        </Section>
      ))}
    </Page>
  )
}
