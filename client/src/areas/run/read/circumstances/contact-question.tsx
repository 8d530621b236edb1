import { Choice } from '@/kit/entry/choice'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import type { ReadingView } from '../reading-view'
import type { useReading } from '../use-reading'

export interface ContactQuestionProps {
  readonly reading: Pick<ReturnType<typeof useReading>, 'draft' | 'change'>
  readonly cycle: NonNullable<ReadingView['cycle']>
}

/** Before a fixed setter's cycle: whether the tool clears it, and that its contact was pressed and shown, at each touch anew. */
export function ContactQuestion({
  reading: { draft, change },
  cycle: { room },
}: ContactQuestionProps) {
  return (
    <Column gap="$2" testID="setter-cycle">
      {room?.isTooLong && (
        <Words tone="wrong" strong role="alert">
          {room.words}
        </Words>
      )}
      <Choice
        label="Press its contact by hand: does the control show it?"
        value={draft.contact}
        onChange={(contact) => change({ contact })}
        options={[
          { value: 'shown', label: 'it shows' },
          { value: 'dead', label: 'nothing' },
        ]}
      />
      {room && !room.isTooLong && <Words as="note">{room.words}</Words>}
    </Column>
  )
}
