import { ScrollView, useMedia } from 'tamagui'
import { v7 as uuid } from 'uuid'
import { registerName } from '@pine/core/address'
import { describeWarning, stepName } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { TrustMark } from '@/kit/trust-mark'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { FrozenRecord } from './frozen-record'
import { RegistersPanel, type RegistersPanelProps } from '../frame/registers-panel'
import type { StepProps } from '../frame/step-props'
import { lengthWriter } from '../frame/write-length'

export interface ReleaseStepProps
  extends Omit<StepProps, 'setupId' | 'onDone'>, Pick<RegistersPanelProps, 'onTrace'> {
  readonly setupId: string
  readonly onStep: (key: string) => void
}

/** What is open, stale or accepted; or the release: numbers frozen with who, when and a hash. */
export function ReleaseStep({ setupId, setup, enter, onStep, onTrace }: ReleaseStepProps) {
  const { wide } = useMedia()
  const { document, solution } = setup
  const open = setup.steps.filter(({ step, done }) => !done && step.does !== 'record')
  const [first] = open
  const record = document.records.at(-1)
  const released = setup.steps.some(({ step, done }) => step.does === 'record' && done)
  return (
    <ScrollView flex={1} contentContainerStyle={{ padding: wide ? 24 : 12, gap: 14, flexGrow: 1 }}>
      {released && record && <FrozenRecord setupId={setupId} recordId={record.id} />}
      {!released && record && (
        <Words as="lead" tone="wrong" strong>
          Something changed since it was released by {record.by.name}: it is to be released anew.
        </Words>
      )}
      {first ? (
        <>
          <Words as="sentence" role="heading" aria-level={1}>
            {open.length} {open.length === 1 ? 'step is' : 'steps are'} still open.
          </Words>
          <Button kind="act" onPress={() => onStep(first.step.key)}>
            To the first: {stepName(document, first.step)}
          </Button>
          <Card overflow="hidden">
            {open.map(({ step, trust }, index) => (
              <Row
                key={step.key}
                render="button"
                minHeight="$touch"
                paddingHorizontal="$3"
                gap="$3"
                backgroundColor="$card"
                borderWidth={0}
                borderTopWidth={index === 0 ? 0 : 1}
                borderColor="$line"
                cursor="pointer"
                onPress={() => onStep(step.key)}
              >
                <TrustMark state={trust} size={20} />
                <Words flex={1} textAlign="left">
                  {stepName(document, step)}
                </Words>
                {trust === 'stale' && (
                  <Words as="note" tone="wrong">
                    stale
                  </Words>
                )}
              </Row>
            ))}
          </Card>
        </>
      ) : (
        !released && (
          <>
            <Words as="sentence" role="heading" aria-level={1}>
              Everything is read, keyed in and proven. Release it.
            </Words>
            <Accepted setup={setup} />
            <Disagreements setup={setup} />
            <Caution>
              The numbers are frozen with every reading, who took it and when. A part may be cut
              with them; prove again after every change.
            </Caution>
            {!wide && <RegistersPanel solution={solution} onTrace={onTrace} />}
            <Column flexGrow={wide ? 0 : 1} justifyContent="flex-end">
              <Button
                kind="act"
                focused
                onPress={() => void enter({ id: uuid(), kind: 'record', body: {} })}
                testID="record"
              >
                Release for cutting
              </Button>
            </Column>
          </>
        )
      )}
      {!wide && first && <RegistersPanel solution={solution} onTrace={onTrace} />}
    </ScrollView>
  )
}

/** What somebody takes responsibility for, and why. */
function Accepted({ setup: { document, solution } }: Pick<StepProps, 'setup'>) {
  const unproven = document.acceptances.filter(
    ({ address, accepts }) =>
      accepts === 'unproven' &&
      solution.registers.some((one) => one.address === address && one.state !== 'proven'),
  )
  const stale = solution.registers.flatMap(({ accepted }) => accepted ?? [])
  const leftOut = document.checkOffs.filter((one) => one.leftOut !== undefined)
  const lines = [
    ...stale.map((one) => `${registerName(one.address)} stale: ${one.reason} (${one.by.name})`),
    ...unproven.map(
      (one) => `${registerName(one.address)} unproven: ${one.reason} (${one.by.name})`,
    ),
    ...leftOut.map((one) => `${one.of} left out: ${one.leftOut} (${one.by.name})`),
  ]
  if (lines.length === 0) return null
  return (
    <Card padded>
      <Words strong>Accepted with a reason</Words>
      {lines.map((line) => (
        <Words key={line}>{line}</Words>
      ))}
    </Card>
  )
}

function Disagreements({ setup: { solution } }: Pick<StepProps, 'setup'>) {
  if (solution.warnings.length === 0) return null
  const write = lengthWriter(solution)
  return (
    <Card padded tone="wrong">
      {solution.warnings.map((warning) => (
        <Words key={`${warning.code}${warning.place}`} tone="wrong">
          {describeWarning(warning, (nm) => `${write(nm)} ${solution.unit}`)}
        </Words>
      ))}
    </Card>
  )
}
