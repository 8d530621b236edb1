import { useState, type ReactNode } from 'react'
import { failureWords } from '@/data/server/api'
import { ReasonField } from '@/kit/entry/reason-field'
import { Button } from '@/kit/button'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'

interface DeclaredProps {
  /** What it is, on the button. */
  readonly what: 'machine' | 'gauge' | 'tool'
  readonly name: string
  /** What else can be changed about it, beside that. */
  readonly more?: ReactNode
  readonly onCorrect: () => void
  readonly onRetire: (reason: string) => Promise<unknown>
}

/** What can be done about something that is declared: put right, or taken out of use. It is never deleted from what used it. */
export function Declared({ what, name, more, onCorrect, onRetire }: DeclaredProps) {
  const [open, setOpen] = useState(false)
  const [failure, setFailure] = useState<string>()
  if (!open)
    return (
      <Row justifyContent="flex-end">
        <Button kind="plain" label={`change ${name}`} onPress={() => setOpen(true)}>
          {`Change ${what}`}
        </Button>
      </Row>
    )
  return (
    <Column gap="$1">
      <Row flexWrap="wrap">
        <Button kind="plain" label={`correct ${name}`} onPress={onCorrect}>
          Correct
        </Button>
        {more}
        <ReasonField
          offer="Take out of use"
          question={`Why is ${name} taken out of use?`}
          confirm="Take it out of use"
          onReason={(reason) => {
            onRetire(reason).catch((cause: unknown) => setFailure(failureWords(cause)))
          }}
        />
      </Row>
      {failure !== undefined && (
        <Words tone="wrong" role="alert">
          {failure}
        </Words>
      )}
    </Column>
  )
}

/** Something out of use, by name, and the way back. */
export function Retired({
  name,
  onBack,
}: {
  readonly name: string
  readonly onBack: () => Promise<unknown>
}) {
  const [failure, setFailure] = useState<string>()
  return (
    <Row justifyContent="space-between" flexWrap="wrap">
      <Words tone="soft">{name}, out of use</Words>
      <Button
        kind="plain"
        label={`take ${name} into use again`}
        onPress={() => {
          onBack().catch((cause: unknown) => setFailure(failureWords(cause)))
        }}
      >
        Into use again
      </Button>
      {failure !== undefined && (
        <Words tone="wrong" role="alert">
          {failure}
        </Words>
      )}
    </Row>
  )
}
