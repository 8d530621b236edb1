import { Link, useRouter } from 'expo-router'
import { formatDistanceToNow } from 'date-fns/formatDistanceToNow'
import { useState } from 'react'
import { useMedia, View } from '@tamagui/core'
import { type SetupSheet } from '@pine/core/sheet'
import type { SetupSummary } from '@pine/contract'
import { askedFailureWords } from '@/data/server/api'
import { useBegun } from '@/data/setup/begun'
import { gaugesCall } from '@/areas/shop/standing-words'
import { useGaugeStandings } from '@/data/shop/gauge-checks'
import { useMay } from '@/data/server/session'
import { useSetups } from '@/data/setup/setups'
import { useMachines } from '@/data/shop/shop'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { Page } from '@/kit/frame/page'
import { Card, Column, Row } from '@/kit/surfaces'
import { TrustMark } from '@/kit/trust-mark'
import { Words } from '@/kit/words'
import { FoundElsewhere } from './found-elsewhere'
import { byMachine, found, needsMachine, noneWords, progressWords, trustOf } from './list-view'
import { MoreButton } from './more-button'

/** What is on which machine, how far it is, and what is next. */
export function SetupsScreen() {
  const router = useRouter()
  const { wide } = useMedia()
  const mayEnter = useMay('enter')
  const { machines = [] } = useMachines()
  const { standings } = useGaugeStandings()
  const call = gaugesCall(standings)
  const [sought, setSought] = useState('')
  const [machine, setMachine] = useState('')
  const query = { find: sought, ...(machine !== '' && { machine }) }
  const open = useSetups({ ...query, standing: 'open' })
  const released = useSetups({ ...query, standing: 'released' })
  const [isOpen, isReleased] = [
    found(open.setups ?? [], sought),
    found(released.setups ?? [], sought),
  ]
  const listed = [...isOpen, ...isReleased]
  const begun = useBegun().filter(({ id }) => !listed.some((setup) => setup.id === id))
  const isAll = sought.trim() === '' && machine === ''
  const isEmpty = open.setups !== undefined && released.setups !== undefined && listed.length === 0
  const card = (setup: SetupSummary, named = false) => (
    <View key={setup.id} role="listitem" width={wide ? '48.5%' : '100%'}>
      <SetupCard setup={setup} named={named} />
    </View>
  )
  const startNew = (
    <>
      <Button grow onPress={() => router.push('/setups/quick')} testID="just-measure">
        Just measure
      </Button>
      <Button grow onPress={() => router.push('/setups/from-program')}>
        From a program
      </Button>
      <Button kind="act" grow onPress={() => router.push('/setups/new')}>
        New set-up
      </Button>
    </>
  )
  return (
    <Page title="Set-ups" foot={mayEnter ? startNew : undefined}>
      {open.error !== undefined && open.setups === undefined && (
        <Words role="alert" tone="wrong">
          {askedFailureWords(open.error)}
        </Words>
      )}
      {isAll && isEmpty && begun.length === 0 && (
        <Words as="lead" tone="soft">
          {mayEnter
            ? 'Nothing is set up yet. Start with the machine, the stock and the tools; you are led from there.'
            : 'Nothing is set up yet.'}
        </Words>
      )}
      {call !== undefined && (
        <Card
          padded
          render="button"
          cursor="pointer"
          minHeight={56}
          justifyContent="center"
          onPress={() => router.push('/shop')}
          testID="gauges-call"
          {...(call.isWrong && { tone: 'wrong' as const })}
        >
          <Words strong tone={call.isWrong ? 'wrong' : 'caution'}>
            {call.words}
          </Words>
        </Card>
      )}
      <Field
        label="Find a job, tool, gauge, machine or person"
        value={sought}
        onChange={setSought}
        testID="find"
      />
      {needsMachine(open.total + released.total, machines.length, machine) && (
        <Choice
          label="On which machine"
          options={[
            { value: '', label: 'All' },
            ...machines.map((one) => ({ value: one.id, label: one.machine.name })),
          ]}
          value={machine}
          onChange={setMachine}
        />
      )}
      {!isAll && isEmpty && !open.isAsking && !released.isAsking && (
        <Words tone="soft">{noneWords(sought, open.error === undefined)}</Words>
      )}
      <FoundElsewhere words={sought} />
      {begun.length > 0 && (
        <View flexDirection="row" flexWrap="wrap" gap="$3" role="list">
          {begun.map(({ id, sheet }) => (
            <View key={id} role="listitem" width={wide ? '48.5%' : '100%'}>
              <BegunCard id={id} sheet={sheet} />
            </View>
          ))}
        </View>
      )}
      {byMachine(isOpen).map(({ machine: name, setups: here }) => (
        <Column key={name} gap="$2">
          <Words as="lead" strong role="heading" aria-level={2}>
            {name}
          </Words>
          <View flexDirection="row" flexWrap="wrap" gap="$3" role="list">
            {here.map((setup) => card(setup))}
          </View>
        </Column>
      ))}
      <MoreButton page={open} of="worked on" testID="more-open" />
      {isReleased.length > 0 && (
        <Column gap="$2">
          <Words as="lead" strong role="heading" aria-level={2}>
            Released
          </Words>
          <View flexDirection="row" flexWrap="wrap" gap="$3" role="list" testID="released">
            {isReleased.map((setup) => card(setup, true))}
          </View>
          <MoreButton page={released} of="released" testID="more-released" />
        </Column>
      )}
      <Row justifyContent="center" flexWrap="wrap">
        {mayEnter && (
          <Button kind="plain" onPress={() => router.push('/setups/from-file')} testID="from-file">
            From a set-up file
          </Button>
        )}
        <Button kind="plain" onPress={() => router.push('/setups/put-away')} testID="put-away">
          Put away
        </Button>
      </Row>
    </Page>
  )
}

/** One that was begun here and is not with the server yet: the work goes on all the same. */
function BegunCard({ id, sheet }: { id: string; sheet: SetupSheet }) {
  return (
    <Link href={{ pathname: '/setups/[id]', params: { id } }} asChild>
      <Card render="a" padded cursor="pointer" hoverStyle={{ borderColor: '$act' }}>
        <Row gap="$3" alignItems="flex-start">
          <TrustMark state="not-read" size={26} />
          <Column flex={1} gap={2}>
            <Words as="lead" strong>
              {sheet.name}
            </Words>
            <Words as="note">
              {sheet.machine.name} · {sheet.unit}
            </Words>
            <Words tone="read" strong>
              Begun on this device, waits for a connection
            </Words>
          </Column>
        </Row>
      </Card>
    </Link>
  )
}

/** @param named whether its machine is said: not where it stands under it. */
function SetupCard({ setup, named }: { setup: SetupSummary; named: boolean }) {
  const {
    id,
    name,
    machine,
    unit,
    stepsDone,
    stepsTotal,
    recorded,
    warnings,
    blocks,
    changedAt,
    changedBy,
  } = setup
  return (
    <Link href={{ pathname: '/setups/[id]', params: { id } }} asChild>
      <Card render="a" padded cursor="pointer" hoverStyle={{ borderColor: '$act' }}>
        <Row gap="$3" alignItems="flex-start">
          <View paddingTop={1}>
            <TrustMark state={trustOf(setup)} size={26} />
          </View>
          <Column flex={1} gap={2}>
            <Words as="lead" strong>
              {name}
            </Words>
            {named && <Words as="note">{machine}</Words>}
            <Words
              tone={warnings > 0 || blocks !== null ? 'wrong' : recorded ? 'act' : 'read'}
              strong
            >
              {progressWords(setup)}
            </Words>
            <Words as="note">
              {unit} · step {stepsDone} of {stepsTotal} · {changedBy},{' '}
              {formatDistanceToNow(new Date(changedAt))} ago
            </Words>
          </Column>
        </Row>
      </Card>
    </Link>
  )
}
