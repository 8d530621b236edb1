import { useState, type ReactNode } from 'react'
import { useMedia } from '@tamagui/core'
import { otherUnit, readLength, type LengthUnit } from '@pine/core/length'
import { describeProblem } from '@pine/core/words'
import { useDraft } from '@/data/drafts'
import { erased, signTurned, typed } from '@/kit/number-text'
import { ReadingField } from '@/kit/reading-field'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { EntryFrame } from '../frame/entry-frame'

interface ReadBackEntryProps {
  readonly draftKey: string
  readonly label: string
  readonly unit: LengthUnit
  readonly sheet: ReactNode
  /** Beside the numbers, where there is room for it. */
  readonly picture: ReactNode
  readonly onEntered: (shown: { text: string; unit: LengthUnit }) => void
}

/** What the control shows, typed in once it was keyed. */
export function ReadBackEntry({
  draftKey,
  label,
  unit,
  sheet,
  picture,
  onEntered,
}: ReadBackEntryProps) {
  const { wide } = useMedia()
  const { value: draft, set, clear } = useDraft(draftKey, { text: '', unit })
  const [problem, setProblem] = useState<string>()
  const change = (next: typeof draft) => {
    setProblem(undefined)
    set(next)
  }
  const submit = () => {
    const read = readLength(draft)
    if (!read.ok) {
      const words = describeProblem(read.problem)
      return setProblem(`${words.message} ${words.remedy}`)
    }
    clear()
    onEntered({ text: draft.text.trim(), unit: draft.unit })
  }
  const field = (
    <Column gap={4}>
      <ReadingField
        label={label}
        value={draft.text}
        unit={draft.unit}
        onChange={(text) => change({ ...draft, text })}
        onSubmit={submit}
        wrong={problem !== undefined}
        describedBy="read-back-problem"
      />
      {problem !== undefined && (
        <Words id="read-back-problem" as="note" tone="wrong" role="alert">
          {problem}
        </Words>
      )}
    </Column>
  )
  return (
    <EntryFrame
      numbers={field}
      onType={(character) => change({ ...draft, text: typed(draft.text, character) })}
      onDelete={() => change({ ...draft, text: erased(draft.text) })}
      onSign={() => change({ ...draft, text: signTurned(draft.text) })}
      onUnit={() => change({ ...draft, unit: otherUnit(draft.unit) })}
      onNext={submit}
      next="Compare"
      after={picture}
    >
      {sheet}
      {!wide && <Words>After the key that stores it, read the row again from the control.</Words>}
    </EntryFrame>
  )
}
