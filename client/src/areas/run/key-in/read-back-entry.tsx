import { useState, type ReactNode } from 'react'
import { useMedia } from '@tamagui/core'
import type { ShortReadBack } from '@pine/core/facts'
import { areLastDigits, LAST_DIGITS } from '@pine/core/keyin'
import { otherUnit, readLength, type LengthUnit, type WrittenLength } from '@pine/core/length'
import { describeProblem } from '@pine/core/words'
import { useDraft } from '@/data/device/drafts'
import { Button } from '@/kit/button'
import { erased, signTurned, typed } from '@/kit/number-text'
import { ReadingField } from '@/kit/reading-field'
import { Scroll } from '@/kit/scroll'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { EntryFrame } from '../frame/entry-frame'
import type { ShortAsk } from './key-in-view'

interface ReadBackEntryProps {
  readonly draftKey: string
  readonly label: string
  readonly unit: LengthUnit
  readonly sheet: ReactNode
  /** Beside the numbers, where there is room for it. */
  readonly picture: ReactNode
  /** How little of it may be typed; all of it, where it is not said. */
  readonly short: ShortAsk | undefined
  readonly onEntered: (shown: WrittenLength, way?: ShortReadBack) => void
}

/** What the control shows, once it was keyed: what it should, looked at or by its last digits, or anything else. */
export function ReadBackEntry({ short, ...props }: ReadBackEntryProps) {
  const [isElse, setElse] = useState(false)
  if (short === undefined || isElse) return <WholeEntry {...props} />
  const rest = { ...props, short, onElse: () => setElse(true) }
  return short.way === 'seen' ? <SeenEntry {...rest} /> : <LastDigitsEntry {...rest} />
}

interface ShortEntryProps extends Omit<ReadBackEntryProps, 'short'> {
  readonly short: ShortAsk
  readonly onElse: () => void
}

const READ_AGAIN = 'After the key that stores it, read the row again from the control.'

/** A number that was looked at: one press where it is what it should be. */
function SeenEntry({ short, sheet, picture, onElse, onEntered }: ShortEntryProps) {
  const { wide } = useMedia()
  const room = wide ? 24 : 12
  return (
    <Column flex={1} gap={0}>
      <Scroll label="what to key" flex={1} contentContainerStyle={{ padding: room, gap: 12 }}>
        {sheet}
        <Words>{READ_AGAIN}</Words>
        {picture}
      </Scroll>
      <Column padding={room} paddingTop={8} gap="$2">
        <Button onPress={onElse} testID="shows-else">
          It shows something else
        </Button>
        <Button
          kind="act"
          focused
          onPress={() => onEntered(short.expected, 'seen')}
          testID="shows-that"
        >
          {`It shows ${short.says}`}
        </Button>
      </Column>
    </Column>
  )
}

/** A number whose sign and first digits are compared by eye; the last ones are typed as the control shows them. */
function LastDigitsEntry({ draftKey, short, sheet, picture, ...props }: ShortEntryProps) {
  const { onElse, onEntered } = props
  const { value: draft, set, clear } = useDraft(`${draftKey}:last`, { digits: '' })
  const [problem, setProblem] = useState<string>()
  const compare = (digits: string) => {
    if (digits.length < LAST_DIGITS)
      return setProblem(`Type the last ${LAST_DIGITS} digits that the control shows.`)
    if (!areLastDigits(short.expected.text, digits))
      return setProblem(`It should not end in ${digits}. Look at the control again.`)
    clear()
    onEntered(short.expected, 'last-digits')
  }
  const change = (text: string) => {
    const digits = text.replace(/\D/g, '').slice(0, LAST_DIGITS)
    setProblem(undefined)
    set({ digits })
    if (digits.length === LAST_DIGITS && digits !== draft.digits) compare(digits)
  }
  const somethingElse = (
    <Button kind="plain" onPress={onElse} testID="shows-else">
      It shows something else
    </Button>
  )
  return (
    <EntryFrame
      numbers={
        <ReadingField
          label={`Its last ${LAST_DIGITS} digits, as the control shows them`}
          before={short.first}
          placeholder="···"
          value={draft.digits}
          unit={short.expected.unit}
          onChange={change}
          onSubmit={() => compare(draft.digits)}
          wrong={problem !== undefined}
        />
      }
      problem={problem}
      // What to do about it stands beside it, also where the rest has scrolled away.
      remedy={problem === undefined ? undefined : somethingElse}
      withoutPoint
      onType={(digit) => change(draft.digits + digit)}
      onDelete={() => change(erased(draft.digits))}
      onNext={() => compare(draft.digits)}
      next="Compare"
      after={picture}
    >
      {sheet}
      <Words>
        {READ_AGAIN} It should show <Words strong>{short.first}···</Words>
      </Words>
      {problem === undefined && somethingElse}
    </EntryFrame>
  )
}

/** All that the control shows, typed. */
function WholeEntry({
  draftKey,
  label,
  unit,
  sheet,
  picture,
  onEntered,
}: Omit<ReadBackEntryProps, 'short'>) {
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
      {!wide && <Words>{READ_AGAIN}</Words>}
    </EntryFrame>
  )
}
