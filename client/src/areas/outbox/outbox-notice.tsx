import { factWords } from '@pine/contract'
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
        {factWords(fact)} was not accepted: {refused?.message} {refused?.remedy}
      </Words>
      <Button kind="plain" onPress={() => dismiss(fact.id)}>
        Seen
      </Button>
    </Row>
  )
}
