import { useState } from 'react'
import { CHANGE_NAMES } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { TrustMark } from '@/kit/trust-mark'
import { Digits, Words } from '@/kit/words'
import { PARTS, SINCE } from './change-options'
import {
  changeView,
  consequencesView,
  type ChangeKind,
  type ChangeAnswers,
  type ChangeView,
} from './change-view'
import type { StepProps } from '../step-props'

export interface SomethingChangedProps extends Pick<StepProps, 'setup' | 'enter'> {
  readonly onClose: () => void
  /** It was said: on to what has to be done again. */
  readonly onEntered: () => void
}

const NOTHING_SAID: ChangeAnswers = { value: '' }

/** One entry for everything that goes wrong in mid-job: what it ends is seen before it is said. */
export function SomethingChanged({ setup, enter, onClose, onEntered }: SomethingChangedProps) {
  const [answers, setAnswers] = useState(NOTHING_SAID)
  const { kinds, options, chosen, questions, asksPart, body, restart } = changeView(setup, answers)
  const { kind } = answers
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
          value={undefined as ChangeKind | undefined}
          onChange={(chosenKind) => setAnswers({ ...answers, kind: chosenKind })}
          options={kinds}
        />
      ) : (
        <Row justifyContent="space-between">
          <Words as="lead" strong flex={1}>
            {CHANGE_NAMES[kind]}
          </Words>
          <Button kind="plain" onPress={() => setAnswers({ value: answers.value })}>
            Something else
          </Button>
        </Row>
      )}
      {options.length > 1 && (
        <Choice
          label="Which?"
          value={chosen}
          onChange={(which) => setAnswers({ ...answers, which })}
          options={options}
        />
      )}
      {asksPart && (
        <Choice
          label="How did it come in?"
          value={answers.part}
          onChange={(part) => setAnswers({ ...answers, part })}
          options={PARTS}
          note="Against a stop X and Y hold within what the stop repeats, where one face gives them."
        />
      )}
      {questions && (
        <Field
          label={questions.label}
          value={answers.value}
          unit={questions.unit}
          onChange={(value) => setAnswers({ ...answers, value })}
          testID="changed-to"
        />
      )}
      {questions?.since && (
        <Choice
          label="Since when has it been so?"
          value={answers.since}
          onChange={(since) => setAnswers({ ...answers, since })}
          options={SINCE}
          note="If nobody knows, say that it failed its check: what was read with it is then read again."
        />
      )}
      {restart.length > 0 && (
        <Card padded gap="$1" testID="restart">
          <Words strong>If it broke in the cut, go on like this</Words>
          {restart.map((line) => (
            <Words key={line} as="note">
              {line}
            </Words>
          ))}
        </Card>
      )}
      {body && (
        <Consequences
          setup={setup}
          body={body}
          onSay={() => {
            void enter({ kind: 'event', body })
            onEntered()
          }}
        />
      )}
    </Column>
  )
}

interface ConsequencesProps extends Pick<StepProps, 'setup'> {
  readonly body: NonNullable<ChangeView['body']>
  readonly onSay: () => void
}

/** What it ends, what has to be done again, and what stays: nothing more. */
function Consequences({ setup, body, onSay }: ConsequencesProps) {
  const { changed, again, stay, disagrees } = consequencesView(setup, body)
  return (
    <Column gap="$2">
      {disagrees.map(({ key, words, slip }) => (
        <Card key={key} padded tone="wrong" role="alert" testID="change-disagrees">
          <Words tone="wrong">{words}</Words>
          {slip !== '' && (
            <Words tone="wrong" strong>
              {slip}
            </Words>
          )}
        </Card>
      ))}
      {changed.length > 0 && (
        <Card overflow="hidden">
          {changed.map(({ address, name, state, number, text }, index) => (
            <Line key={address} gap="$2" first={index === 0}>
              <TrustMark state={state} size={20} />
              <Column flex={1} gap={0}>
                <Words strong>{name}</Words>
                <Words as="note" tone={state === 'stale' ? 'wrong' : 'soft'}>
                  {text}
                </Words>
              </Column>
              <Digits flexShrink={0}>{number}</Digits>
            </Line>
          ))}
        </Card>
      )}
      <Words testID="to-do-again">{again}</Words>
      {stay !== '' && <Words as="note">{stay}</Words>}
      <Button kind="act" onPress={onSay} testID="it-happened">
        It happened
      </Button>
    </Column>
  )
}
