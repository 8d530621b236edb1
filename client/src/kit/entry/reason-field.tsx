import { useState } from 'react'
import { Button } from '../button'
import { Field } from './field'
import { Column, Row } from '../surfaces'
import { Words } from '../words'

export interface ReasonFieldProps {
  /** What is done by giving a reason. */
  readonly offer: string
  readonly question: string
  readonly confirm: string
  readonly onReason: (reason: string) => void
}

/** Something that may be done against advice: by name, with a reason, and never by one tap alone. */
export function ReasonField({ offer, question, confirm, onReason }: ReasonFieldProps) {
  const [open, setOpen] = useState(false)
  const [reason, setReason] = useState('')
  const [submitted, setSubmitted] = useState(false)
  if (!open)
    return (
      <Button kind="plain" onPress={() => setOpen(true)}>
        {offer}
      </Button>
    )
  return (
    <Column gap="$2">
      <Field
        label={question}
        value={reason}
        onChange={setReason}
        problem={
          submitted && reason.trim() === ''
            ? 'A reason is needed; it is kept with your name.'
            : undefined
        }
        testID="reason"
      />
      <Row>
        <Button grow onPress={() => setOpen(false)}>
          No
        </Button>
        <Button
          kind="wrong"
          grow
          onPress={() => {
            setSubmitted(true)
            if (reason.trim() !== '') onReason(reason.trim())
          }}
        >
          {confirm}
        </Button>
      </Row>
      <Words as="note">Kept in the record with your name and the time.</Words>
    </Column>
  )
}
