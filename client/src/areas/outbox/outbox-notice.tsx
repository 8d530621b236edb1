import { useEffect, useState } from 'react'
import { useReached } from '@/data/server/connection'
import { dismiss } from '@/data/outbox/outbox'
import { useKeepsNothing, useOutbox } from '@/data/outbox/outbox-store'
import { useNewVersion, takeNewVersion } from '@/data/server/page-version'
import { useLostFailure } from '@/data/device/lost-failure'
import { saveText } from '@/data/device/save-text'
import { useSession } from '@/data/server/session'
import { Button } from '@/kit/button'
import { Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { firstWaiting, outboxView } from './outbox-view'

/** What was entered here and has not arrived yet, or was refused: never silent, never lost. */
export function OutboxNotice() {
  const { person } = useSession()
  const keepsNothing = useKeepsNothing()
  const entries = useOutbox()
  const isLate = useLate(firstWaiting(entries, person))
  const { lines, refused } = outboxView(entries, person, keepsNothing, useReached(), isLate)
  const isNewer = useNewVersion()
  const lost = useLostFailure()
  return (
    <>
      {isNewer && (
        <Row
          role="status"
          backgroundColor="$readPaper"
          paddingHorizontal="$3"
          justifyContent="space-between"
          testID="new-version"
        >
          <Words as="note" tone="read" flex={1}>
            There is a newer version of this page. What is half typed stays.
          </Words>
          <Button kind="plain" onPress={takeNewVersion}>
            Take it
          </Button>
        </Row>
      )}
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
      {lost.failure !== undefined && (
        <Row
          role="alert"
          backgroundColor="$wrongPaper"
          paddingHorizontal="$3"
          justifyContent="space-between"
          testID="lost-failure"
        >
          <Words as="note" tone="wrong" flex={1}>
            {lost.failure}
          </Words>
          <Button kind="plain" onPress={lost.seen}>
            Seen
          </Button>
        </Row>
      )}
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

/** An answer mostly comes sooner. */
const MOMENT_MS = 2_000

/** Whether the same entry has waited for longer than a moment: a line that comes and goes with each would move what is under the thumb. */
function useLate(waiting: string | undefined): boolean {
  const [late, setLate] = useState<string>()
  useEffect(() => {
    if (waiting === undefined) return undefined
    const timer = setTimeout(() => setLate(waiting), MOMENT_MS)
    return () => clearTimeout(timer)
  }, [waiting])
  return waiting !== undefined && late === waiting
}
