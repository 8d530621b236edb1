import { useEffect, useRef, useState } from 'react'
import type { QuantityName } from '@pine/core/quantities'
import { takePosition } from '@pine/core/plan'
import { describeAgainst } from '@pine/core/words'
import { fileFailureWords } from '@/data/server/api'
import type { LoadedSetup } from '@/data/setup/standing'
import { askMachine } from '@/data/shop/agent'
import { Button } from '@/kit/button'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import type { useReading } from '../use-reading'

const NOTHING = 'The machine does not report this axis. Type what the display shows.'

/** Takes the number of a touch from the machine's report; a contradiction is shown before it is entered. */
export function TakeIt({
  setup: { document },
  quantity,
  reading,
  machineId,
  insisted,
  onAsk,
  onTaken,
}: {
  readonly setup: LoadedSetup
  readonly quantity: QuantityName
  readonly reading: ReturnType<typeof useReading>
  readonly machineId: string
  /** It was to be entered although something speaks against it. */
  readonly insisted: boolean
  readonly onAsk: () => void
  /** Nothing spoke against it: it is entered as if it had been typed. */
  readonly onTaken: () => void
}) {
  const [isBusy, setBusy] = useState(false)
  const [failure, setFailure] = useState<string>()
  const isFresh = useRef(false)
  const { taken, draft } = reading
  const against = taken === undefined ? [] : describeAgainst(taken)
  // Once the number stands in its field it is as if it were typed: what it means is weighed before it is entered.
  useEffect(() => {
    if (!isFresh.current || taken === undefined) return
    isFresh.current = false
    if (taken.against === undefined) onTaken()
  }, [taken, onTaken])
  const take = () => {
    setBusy(true)
    setFailure(undefined)
    onAsk()
    askMachine(machineId)
      .then((report) => {
        const position = takePosition(document, quantity, draft.with, report)
        if (position === undefined) return setFailure(NOTHING)
        isFresh.current = true
        reading.take(position)
      })
      .catch((cause: unknown) => setFailure(fileFailureWords(cause)))
      .finally(() => setBusy(false))
  }
  return (
    <Column gap="$2">
      {/* One thing in red about one number: what else contradicts it is said beneath, quietly. */}
      {against.map((words, index) => (
        <Words
          key={words}
          {...(index === 0 ? { tone: 'wrong', strong: true, role: 'alert' } : { as: 'note' })}
          testID="against"
        >
          {words}
        </Words>
      ))}
      {insisted && against.length > 0 && (
        <Words as="note" role="alert" testID="against-again">
          Put it right and take it again. If the number is right all the same, press Next once more.
        </Words>
      )}
      {failure !== undefined && (
        <Words as="note" tone="wrong" role="alert" testID="not-taken">
          {failure}
        </Words>
      )}
      <Button kind="quiet" grow disabled={isBusy} onPress={take} testID="take-it">
        {isBusy
          ? 'Asking the machine …'
          : against.length > 0
            ? 'Take it again'
            : 'Take it from the machine'}
      </Button>
    </Column>
  )
}
