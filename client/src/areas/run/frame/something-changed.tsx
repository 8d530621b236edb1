import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { type MachineAxis, registerName } from '@pine/core/address'
import { rebaseOf, type SetupEvent } from '@pine/core/facts'
import { consequencesOf } from '@pine/core/plan'
import { CHANGE_NAMES, stepName, typographic } from '@pine/core/words'
import type { NewFact } from '@pine/contract'
import { withPreview } from '@/data/preview'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/choice'
import { Field } from '@/kit/field'
import { Card, Column, Row } from '@/kit/surfaces'
import { TrustMark } from '@/kit/trust-mark'
import { Digits, Words } from '@/kit/words'
import type { StepProps } from './step-props'
import { lengthWriter } from './write-length'

type EventBody = Extract<NewFact, { kind: 'event' }>['body']
type Kind = Exclude<SetupEvent['kind'], 'home-recovered'>

const KINDS: readonly Kind[] = [
  'tool-changed',
  'part-changed',
  'plane-moved',
  'rebased',
  'home-lost',
  'external-changed',
  'unit-changed',
  'check-failed',
]

export interface SomethingChangedProps extends Pick<StepProps, 'setup' | 'enter'> {
  readonly onClose: () => void
  /** It was said: on to what has to be done again. */
  readonly onSaid: () => void
}

/** One entry for everything that goes wrong in mid-job: what it ends is seen before it is said. */
export function SomethingChanged({ setup, enter, onClose, onSaid }: SomethingChangedProps) {
  const { document } = setup
  const { sheet } = document
  const [kind, setKind] = useState<Kind>()
  const [which, setWhich] = useState<string>()
  const [value, setValue] = useState('')
  // A tool can carry lengths over only when it was touched before and after the plane moved.
  const canRebase = sheet.tools.filter(({ number }) =>
    rebaseOf(document, { tool: number, place: document.length }),
  )
  const offered = KINDS.filter(
    (one) =>
      (one !== 'rebased' || canRebase.length > 0) &&
      (one !== 'check-failed' || sheet.gauges.length > 0),
  )
  const options =
    kind === undefined
      ? []
      : whichOptions(
          kind,
          setup,
          canRebase.map(({ number }) => number),
        )
  const chosen = which ?? (options.length === 1 ? options[0]?.value : undefined)
  const body =
    kind === undefined ? undefined : eventBody(kind, chosen, value, sheet.unit, options.length > 0)
  return (
    <Column gap="$3" testID="something-changed">
      <Row justifyContent="space-between">
        <Words as="title" role="heading" aria-level={2}>
          Something changed
        </Words>
        <Button kind="plain" onPress={onClose}>
          Nothing
        </Button>
      </Row>
      {kind === undefined ? (
        <Choice
          label="What?"
          value={undefined as Kind | undefined}
          onChange={setKind}
          options={offered.map((one) => ({ value: one, label: CHANGE_NAMES[one] }))}
        />
      ) : (
        <Row justifyContent="space-between">
          <Words as="lead" strong flex={1}>
            {CHANGE_NAMES[kind]}
          </Words>
          <Button
            kind="plain"
            onPress={() => {
              setKind(undefined)
              setWhich(undefined)
            }}
          >
            Something else
          </Button>
        </Row>
      )}
      {options.length > 1 && (
        <Choice label="Which?" value={chosen} onChange={setWhich} options={options} />
      )}
      {kind === 'external-changed' && (
        <Field
          label="What the external offset is now"
          value={value}
          unit={sheet.unit}
          onChange={setValue}
          testID="external"
        />
      )}
      {body && (
        <What
          setup={setup}
          body={body}
          onSay={() => {
            void enter({ id: uuid(), kind: 'event', body })
            onSaid()
          }}
        />
      )}
    </Column>
  )
}

function whichOptions(
  kind: Kind,
  { document: { sheet } }: StepProps['setup'],
  canRebase: readonly number[],
): readonly { readonly value: string; readonly label: string }[] {
  const tools = sheet.tools.map(({ number, name }) => ({
    value: String(number),
    label: `T${number} · ${name}`,
  }))
  switch (kind) {
    case 'tool-changed':
      return tools
    case 'rebased':
      return tools.filter(({ value }) => canRebase.includes(Number(value)))
    case 'part-changed':
      return sheet.offsets.map(({ row }) => ({ value: row, label: row }))
    case 'external-changed':
      return (['X', 'Y', 'Z'] as const).map((axis) => ({ value: axis, label: axis }))
    case 'check-failed':
      return sheet.gauges.map(({ id, name }) => ({ value: id, label: name }))
    case 'plane-moved':
    case 'home-lost':
    case 'unit-changed':
      return []
  }
}

function eventBody(
  kind: Kind,
  which: string | undefined,
  value: string,
  unit: 'mm' | 'in',
  asks: boolean,
): EventBody | undefined {
  if (asks && which === undefined) return undefined
  switch (kind) {
    case 'tool-changed':
    case 'rebased':
      return { kind, tool: Number(which) }
    case 'part-changed':
      return { kind, row: which as Extract<EventBody, { kind: 'part-changed' }>['row'] }
    case 'external-changed':
      return value.trim() === ''
        ? undefined
        : { kind, axis: which as MachineAxis, value: { text: value.trim(), unit } }
    case 'check-failed':
      // Nothing vouches for the readings before it: all of this set-up's are suspect.
      return { kind, gauge: which ?? '' }
    case 'plane-moved':
    case 'home-lost':
    case 'unit-changed':
      return { kind }
  }
}

/** What it ends, what has to be done again, and what stays: nothing more. */
function What({
  setup,
  body,
  onSay,
}: Pick<StepProps, 'setup'> & { readonly body: EventBody; readonly onSay: () => void }) {
  const after = withPreview(setup.document, { kind: 'event', body })
  const { changed, again, stay } = consequencesOf(setup, after)
  const write = lengthWriter(setup.solution)
  return (
    <Column gap="$2">
      {changed.length > 0 && (
        <Card overflow="hidden">
          {changed.map(({ before, after: now }, index) => (
            <Row
              key={now.address}
              minHeight="$touch"
              paddingHorizontal="$3"
              gap="$2"
              borderTopWidth={index === 0 ? 0 : 1}
              borderColor="$line"
            >
              <TrustMark state={now.state} size={20} />
              <Words strong flex={1}>
                {registerName(now.address)}
              </Words>
              <Digits>
                {before.value === undefined ? '–' : write(before.value)}
                {now.value === before.value || now.value === undefined
                  ? ''
                  : ` → ${write(now.value)}`}{' '}
                {setup.solution.unit}
              </Digits>
              <Words as="note" tone={now.state === 'stale' ? 'wrong' : 'soft'}>
                {now.state === 'stale' ? 'no longer holds' : 'key again'}
              </Words>
            </Row>
          ))}
        </Card>
      )}
      <Words testID="to-do-again">
        {again.length === 0
          ? 'Nothing has to be done again.'
          : `To do again: ${again.map(({ step }) => stepName(setup.document, step)).join(', ')}.`}
      </Words>
      {stay.length > 0 && (
        <Words as="note">
          As they are: {stay.map(({ address }) => typographic(registerName(address))).join(', ')}.
        </Words>
      )}
      <Button kind="act" onPress={onSay} testID="it-happened">
        It happened
      </Button>
    </Column>
  )
}
