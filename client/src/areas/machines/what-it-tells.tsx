import { useState } from 'react'
import type { AgentTold, MachineEntry } from '@pine/contract'
import type { MachineDeclaration } from '@pine/core/sheet'
import { Allowed } from '@/areas/people/allowed'
import { fileFailureWords } from '@/data/server/api'
import { useKeptForm } from '@/data/device/use-kept-form'
import { askMachine } from '@/data/shop/agent'
import { useMachines } from '@/data/shop/shop'
import { Button } from '@/kit/button'
import { FormEnd } from '@/kit/entry/form-end'
import { FormField } from '@/kit/entry/form'
import { Section } from '@/kit/frame/section'
import { Problem } from '@/kit/problem'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { changedAgent, tellsLines } from './tells-view'

/** What a machine tells of itself over the network: asked now, and where that is. */
export function WhatItTells({ id }: { readonly id: string }) {
  const { all = [] } = useMachines()
  const entry = all.find((one) => one.id === id)
  const [changing, setChanging] = useState(false)
  const [told, setTold] = useState<AgentTold>()
  const [failure, setFailure] = useState<string>()
  const [isBusy, setBusy] = useState(false)
  if (entry === undefined) return null
  const ask = () => {
    setBusy(true)
    setFailure(undefined)
    setTold(undefined)
    askMachine(id)
      .then(setTold, (cause: unknown) => setFailure(fileFailureWords(cause)))
      .finally(() => setBusy(false))
  }
  return (
    <Section title="What it tells of itself">
      <Words as="note">
        {entry.agent === undefined
          ? 'Nothing: every number is typed. A machine that answers MTConnect over the shop’s network can tell its position and its rows.'
          : `${entry.agent.address} tells of it. A touch can be taken from there by one press.`}
      </Words>
      {told && <Told told={told} machine={entry.machine as MachineDeclaration} />}
      <Problem words={failure} />
      {changing ? (
        <AgentEntry entry={entry} onDone={() => setChanging(false)} />
      ) : (
        <Row flexWrap="wrap">
          {entry.agent !== undefined && (
            <Button onPress={ask} disabled={isBusy} testID="ask-machine">
              {isBusy ? 'Asking it …' : 'Ask it now'}
            </Button>
          )}
          <Allowed to="declare">
            <Button kind="plain" onPress={() => setChanging(true)} testID="change-agent">
              {entry.agent === undefined ? 'Say where it answers' : 'Change where it answers'}
            </Button>
          </Allowed>
        </Row>
      )}
    </Section>
  )
}

function Told({
  told,
  machine,
}: {
  readonly told: AgentTold
  readonly machine: MachineDeclaration
}) {
  const lines = tellsLines(told, 'mm', machine.control.decimals.mm)
  return (
    <Card overflow="hidden" role="list" testID="told">
      {lines.map(({ name, value }, index) => (
        <Line key={name} first={index === 0} role="listitem" justifyContent="space-between">
          <Words flexShrink={1}>{name}</Words>
          <Digits>{value}</Digits>
        </Line>
      ))}
    </Card>
  )
}

function AgentEntry({
  entry: { id, machine, agent },
  onDone,
}: {
  readonly entry: MachineEntry
  readonly onDone: () => void
}) {
  const { change } = useMachines()
  const { control, submit, failure } = useKeptForm(
    `agent:${id}`,
    { address: agent?.address ?? '', reason: '' },
    changedAgent,
    async (made) => {
      await change(id, machine as MachineDeclaration, made)
      onDone()
    },
  )
  return (
    <Column gap="$3">
      <FormField
        control={control}
        name="address"
        label="Where it answers"
        note="Such as http://192.168.1.20:5000. Whoever runs the server lists it there too. Left empty, numbers are typed."
        testID="agent-address"
      />
      <FormField control={control} name="reason" label="Why" testID="agent-reason" />
      <FormEnd failure={failure} takes="Take it over" onLeave={onDone} onTake={submit} />
    </Column>
  )
}
