import { useState, type ReactNode } from 'react'
import { failureWords } from '@/data/server/api'
import { Button } from '../button'
import { Choice } from './choice'
import { Field } from './field'
import { Problem } from '../problem'
import { Card, Row } from '../surfaces'
import { Words } from '../words'

export interface HappenedFormProps<What extends string> {
  readonly question: string
  readonly options: readonly { readonly value: What; readonly label: string }[]
  /** What more is asked, by what happened. */
  readonly more?: (what: What) => ReactNode
  /** What falls by it, and in which open set-ups it is told: seen before it is said. */
  readonly text: string
  readonly setups: readonly { readonly id: string; readonly name: string }[]
  readonly onSay: (what: What, note: string) => Promise<unknown>
  readonly onDone: () => void
}

/** Something happened between two set-ups, to a tool or a machine: said with what falls by it. */
export function HappenedForm<What extends string>({
  question,
  options,
  more,
  text,
  setups,
  onSay,
  onDone,
}: HappenedFormProps<What>) {
  const [what, setWhat] = useState<What>()
  const [note, setNote] = useState('')
  const [problem, setProblem] = useState<string>()
  const submit = () => {
    if (what === undefined) return
    onSay(what, note.trim()).then(onDone, (cause: unknown) => setProblem(failureWords(cause)))
  }
  return (
    <Card padded gap="$3" tone="read">
      <Choice label={question} value={what} onChange={setWhat} options={options} />
      {what !== undefined && (
        <>
          {more?.(what)}
          <Field
            label="A word on it (may stay empty)"
            value={note}
            onChange={setNote}
            testID="note"
          />
          <Words testID="falls">{text}</Words>
          {setups.map(({ id, name }) => (
            <Words key={id} as="note">
              {name}
            </Words>
          ))}
        </>
      )}
      <Problem words={problem} />
      <Row>
        <Button grow onPress={onDone}>
          Nothing happened
        </Button>
        <Button grow kind="act" disabled={what === undefined} onPress={submit} testID="say-it">
          Say so
        </Button>
      </Row>
    </Card>
  )
}
