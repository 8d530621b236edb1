import { format } from 'date-fns'
import { ScrollView, useMedia } from 'tamagui'
import { v7 as uuid } from 'uuid'
import { typographic } from '@pine/core'
import type { NewFact, SetupRecord } from '@pine/contract'
import type { StandingSetup } from '@/data/setups'
import { Button } from '@/kit/button'
import { TrustMark } from '@/kit/trust-mark'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { RegistersPanel, type RegistersPanelProps } from './registers-panel'

export interface RecordStepProps extends Pick<RegistersPanelProps, 'onTrace'> {
  readonly setup: StandingSetup
  readonly records: readonly SetupRecord[]
  readonly enter: (fact: NewFact) => Promise<void>
  readonly onStep: (key: string) => void
}

/** What is open, or the record: frozen numbers with who, when and a hash. */
export function RecordStep({ setup, records, enter, onStep, onTrace }: RecordStepProps) {
  const { wide } = useMedia()
  const open = setup.steps.filter(({ step, done }) => !done && step.does !== 'record')
  const [first] = open
  const record = records.at(-1)
  return (
    <ScrollView flex={1} contentContainerStyle={{ padding: wide ? 24 : 12, gap: 14 }}>
      {record ? (
        <Frozen record={record} />
      ) : first ? (
        <>
          <Words as="sentence" role="heading" aria-level={1}>
            {open.length} {open.length === 1 ? 'step is' : 'steps are'} still open.
          </Words>
          <Words>A set-up is recorded when every register is keyed in and read back equal.</Words>
          <Button kind="act" onPress={() => onStep(first.step.key)}>
            To the first open step
          </Button>
        </>
      ) : (
        <>
          <Words as="sentence" role="heading" aria-level={1}>
            Every register is keyed in and read back. Record it.
          </Words>
          <Words>
            The numbers are frozen with every reading, who took it and when. Later changes leave the
            record as it is.
          </Words>
          <Button
            kind="act"
            onPress={() => void enter({ id: uuid(), kind: 'record', body: {} })}
            testID="record"
          >
            Record this set-up
          </Button>
        </>
      )}
      {!wide && !record && <RegistersPanel solution={setup.solution} onTrace={onTrace} />}
    </ScrollView>
  )
}

/** The numbers as they were recorded: shown from the record, not worked out again. */
function Frozen({ record }: { record: SetupRecord }) {
  const { by, at, hash, solution, document } = record
  return (
    <Column gap="$3" testID="frozen">
      <Row gap="$3">
        <TrustMark state="keyed" size={32} />
        <Words as="sentence" role="heading" aria-level={1} flex={1}>
          Recorded
        </Words>
      </Row>
      <Words>
        by {by}, {format(new Date(at), 'd MMMM yyyy, HH:mm')} · {document.readings.length} readings,{' '}
        {document.keyIns.length} key-ins
      </Words>
      <Card overflow="hidden">
        {solution.registers.map(({ address, value, unit }, index) => (
          <Row
            key={address}
            justifyContent="space-between"
            minHeight="$touch"
            paddingHorizontal="$3"
            borderTopWidth={index === 0 ? 0 : 1}
            borderColor="$line"
          >
            <Words strong>{address.replace('.', ' ')}</Words>
            <Digits as="lead" testID={`frozen-${address}`}>
              {typographic(value ?? '–')} {unit}
            </Digits>
          </Row>
        ))}
      </Card>
      <Column gap={0}>
        <Words as="note">SHA-256 of the readings and numbers</Words>
        <Digits as="note" testID="hash">
          {hash.slice(0, 32)}
          {'\n'}
          {hash.slice(32)}
        </Digits>
      </Column>
      <Words as="note">
        Prove each work offset and each touched tool with a cautious move before the program runs.
      </Words>
    </Column>
  )
}
