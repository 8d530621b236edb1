import { useState } from 'react'
import type { MachineReport, MachineEntry } from '@pine/contract'
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
import { changedAgent, reportLines } from './report-view'

/** A machine's report of itself, and the network address that it comes from. */
export function ReportSection({ id }: { readonly id: string }) {
  const { all = [] } = useMachines()
  const entry = all.find((one) => one.id === id)
  const [changing, setChanging] = useState(false)
  const [report, setReport] = useState<MachineReport>()
  const [failure, setFailure] = useState<string>()
  const [isBusy, setBusy] = useState(false)
  if (entry === undefined) return null
  const ask = () => {
    setBusy(true)
    setFailure(undefined)
    setReport(undefined)
    askMachine(id)
      .then(setReport, (cause: unknown) => setFailure(fileFailureWords(cause)))
      .finally(() => setBusy(false))
  }
  return (
    <Section title="Report over the network">
      <Words as="note">
        {entry.agent === undefined
          ? 'No network address yet: its numbers are typed. A machine with an MTConnect agent can report its position and offsets.'
          : `${entry.agent.address}. A touch on this machine can be taken from there with one press.`}
      </Words>
      {report && <Report report={report} machine={entry.machine as MachineDeclaration} />}
      <Problem words={failure} />
      {changing ? (
        <AgentEntry entry={entry} onDone={() => setChanging(false)} />
      ) : (
        <Row flexWrap="wrap">
          {entry.agent !== undefined && (
            <Button onPress={ask} disabled={isBusy} testID="ask-machine">
              {isBusy ? 'Asking the machine …' : 'Get a report'}
            </Button>
          )}
          <Allowed to="declare">
            <Button kind="plain" onPress={() => setChanging(true)} testID="change-agent">
              {entry.agent === undefined
                ? 'Enter its network address'
                : 'Change its network address'}
            </Button>
          </Allowed>
        </Row>
      )}
    </Section>
  )
}

function Report({
  report,
  machine,
}: {
  readonly report: MachineReport
  readonly machine: MachineDeclaration
}) {
  const lines = reportLines(report, 'mm', machine.control.decimals.mm)
  return (
    <Card overflow="hidden" role="list" testID="machine-report">
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
        label="Network address"
        note="Such as http://192.168.1.20:5000. Whoever runs the server has to allow it too. Left empty, numbers are typed."
        testID="agent-address"
      />
      <FormField control={control} name="reason" label="Why" testID="agent-reason" />
      <FormEnd failure={failure} takes="Use this address" onLeave={onDone} onTake={submit} />
    </Column>
  )
}
