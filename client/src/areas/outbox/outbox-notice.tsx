import { dismiss } from '@/data/outbox'
import { useKeepsNothing, useOutbox } from '@/data/outbox-store'
import { saveText } from '@/data/save-text'
import { useSession } from '@/data/session'
import { Button } from '@/kit/button'
import { Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { outboxView } from './outbox-view'

/** What was entered here and has not arrived yet, or was refused: never silent, never lost. */
export function OutboxNotice() {
  const { person } = useSession()
  const keepsNothing = useKeepsNothing()
  const { lines, refused } = outboxView(useOutbox(), person, keepsNothing)
  return (
    <>
      {lines.map((line) => (
        <Row
          key={line}
          role="status"
          backgroundColor={keepsNothing ? '$wrongPaper' : '$readPaper'}
          paddingHorizontal="$3"
          paddingVertical="$1"
        >
          <Words as="note" tone={keepsNothing ? 'wrong' : 'read'}>
            {line}
          </Words>
        </Row>
      ))}
      {refused.map(({ id, words, file }) => (
        <Row
          key={id}
          role="alert"
          backgroundColor="$wrongPaper"
          paddingHorizontal="$3"
          paddingVertical="$2"
          justifyContent="space-between"
        >
          <Words as="note" tone="wrong" flex={1}>
            {words}
          </Words>
          <Button kind="plain" onPress={() => saveText(`entry-${id}.json`, file)}>
            Save
          </Button>
          <Button kind="plain" onPress={() => void dismiss(id)}>
            Seen
          </Button>
        </Row>
      ))}
    </>
  )
}
