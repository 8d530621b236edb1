import { format } from 'date-fns/format'
import { Link, useRouter } from 'expo-router'
import { useState } from 'react'
import { View } from '@tamagui/core'
import type { LogQuery } from '@pine/contract'
import { askedFailureWords } from '@/data/server/api'
import { usePeople } from '@/data/server/session'
import { useLog } from '@/data/shop/log'
import { useMachines } from '@/data/shop/shop'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { Page } from '@/kit/frame/page'
import { Section } from '@/kit/frame/section'
import { Problem } from '@/kit/problem'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import {
  logDays,
  logQueryOf,
  NOBODY_IN_PARTICULAR,
  pathOf,
  type LogChoice,
  type ShopLogLine,
} from './shop-log-view'

const ALL: LogChoice = {
  ...{ person: NOBODY_IN_PARTICULAR, machine: NOBODY_IN_PARTICULAR },
  ...{ register: '', day: '' },
}

/** Everything that was entered in the shop, or of one tool or gauge: by whom, when, in which set-up. */
export function ShopLogScreen({ of }: { readonly of: Pick<LogQuery, 'tool' | 'gauge'> }) {
  const router = useRouter()
  const [choice, setChoice] = useState(ALL)
  const { people } = usePeople()
  const { all: machines } = useMachines()
  const asked = logQueryOf(choice, of)
  const { lines, error, isAsking, more } = useLog(asked ?? of)
  const isOfOne = of.tool !== undefined || of.gauge !== undefined
  const everybody = { value: NOBODY_IN_PARTICULAR, label: 'all' }
  return (
    <Page
      title={isOfOne ? 'All that was entered of it' : 'Log of the shop'}
      foot={
        <Button kind="plain" onPress={() => router.back()}>
          Back
        </Button>
      }
    >
      <Choice
        label="By"
        options={[everybody, ...(people ?? []).map(({ id, name }) => ({ value: id, label: name }))]}
        value={choice.person}
        onChange={(person) => setChoice({ ...choice, person })}
      />
      <Choice
        label="On"
        options={[
          everybody,
          ...(machines ?? []).map(({ id, machine }) => ({ value: id, label: machine.name })),
        ]}
        value={choice.machine}
        onChange={(machine) => setChoice({ ...choice, machine })}
      />
      <Row flexWrap="wrap" gap="$3" alignItems="flex-end">
        <Column flex={1} minWidth={150}>
          <Field
            label="Register"
            hint="G54 Z"
            value={choice.register}
            onChange={(register) => setChoice({ ...choice, register })}
            testID="log-register"
          />
        </Column>
        <Column flex={1} minWidth={150}>
          <Field
            label="Day, as 2026-11-30"
            value={choice.day}
            onChange={(day) => setChoice({ ...choice, day })}
            testID="log-day"
          />
        </Column>
      </Row>
      <Problem words={error === undefined ? undefined : askedFailureWords(error)} />
      {asked === undefined && <Words role="status">Type a whole day, such as 2026-11-30.</Words>}
      {lines?.length === 0 && !isAsking && (
        <Words role="status">Nothing of that was entered.</Words>
      )}
      <Column gap="$4" testID="shop-log">
        {logDays(lines ?? []).map(({ day, lines: ofDay }) => (
          <Section key={`${day} ${ofDay[0]?.id}`} title={day}>
            <Card overflow="hidden" role="list">
              {ofDay.map((line, index) => (
                <LogLine key={line.id} line={line} first={index === 0} />
              ))}
            </Card>
          </Section>
        ))}
      </Column>
      {more && (
        <Button onPress={more} testID="more">
          More
        </Button>
      )}
    </Page>
  )
}

function LogLine({ line, first }: { readonly line: ShopLogLine; readonly first: boolean }) {
  const { at, by, stream, words } = line
  return (
    <Line first={first} role="listitem" paddingVertical="$2">
      <Link href={pathOf(stream)} asChild>
        <View render="a" flex={1} minWidth={0} flexDirection="row" gap="$3" minHeight="$touch">
          <Digits as="note">{format(new Date(at), 'HH:mm')}</Digits>
          <Column gap={0} flex={1} minWidth={0}>
            <Words>{words}</Words>
            <Words as="note">{`${by} · ${stream.name}`}</Words>
          </Column>
        </View>
      </Link>
    </Line>
  )
}
