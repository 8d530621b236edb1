import { dismiss, useOutbox, type OutboxEntry } from '@/data/outbox'
import { Button } from '@/kit/button'
import { Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'

/** What was entered here and has not arrived yet, or was refused: never silent, never lost. */
export function OutboxNotice() {
  const entries = useOutbox()
  const waiting = entries.filter(({ refused }) => refused === undefined)
  return (
    <>
      {waiting.length > 0 && (
        <Row role="status" backgroundColor="$readPaper" paddingHorizontal="$3" paddingVertical="$1">
          <Words as="note" tone="read">
            {waiting.length} {waiting.length === 1 ? 'entry is' : 'entries are'} kept on this device
            and on the way to the server.
          </Words>
        </Row>
      )}
      {entries.map((entry) => entry.refused && <Refused key={entry.fact.id} entry={entry} />)}
    </>
  )
}

function Refused({ entry: { fact, refused } }: { entry: OutboxEntry }) {
  return (
    <Row
      role="alert"
      backgroundColor="$wrongPaper"
      paddingHorizontal="$3"
      paddingVertical="$2"
      justifyContent="space-between"
    >
      <Words as="note" tone="wrong" flex={1}>
        {entered(fact)} was not accepted: {refused?.message} {refused?.remedy}
      </Words>
      <Button kind="plain" onPress={() => dismiss(fact.id)}>
        Seen
      </Button>
    </Row>
  )
}

/** What the person entered, so that it can be entered again. */
function entered(fact: OutboxEntry['fact']): string {
  switch (fact.kind) {
    case 'reading':
      return `The reading ${fact.body.read.text} ${fact.body.read.unit}`
    case 'read-back':
      return `The read-back ${fact.body.shown.text} ${fact.body.shown.unit} of ${fact.body.address}`
    case 'key-in':
      return `The key-in of ${fact.body.address}`
    case 'sheet':
      return `The sheet “${fact.body.name}”`
    case 'event':
      return 'What you said had changed'
    case 'acceptance':
      return `Your word for ${fact.body.address}`
    case 'proof':
      return `The proof of ${fact.body.row} with T${fact.body.tool}`
    case 'lift':
      return `The lift of ${fact.body.amount.text} ${fact.body.amount.unit}`
    case 'check-off':
      return 'What you had seen to'
    case 'program':
      return `The program ${fact.body.name}`
    case 'program-check':
      return 'The check of the file at the machine'
    case 'record':
      return 'The release'
  }
}
