import { useState, type ReactNode } from 'react'
import { useMedia } from '@tamagui/core'
import type { ShortReadBack } from '@pine/core/facts'
import { shortReadBackDiffers, type Sign } from '@pine/core/keyin'
import { otherUnit, readLength, type LengthUnit, type WrittenLength } from '@pine/core/length'
import { describeProblem, typographic } from '@pine/core/words'
import { useDraft } from '@/data/device/drafts'
import { Button } from '@/kit/button'
import { erased, signTurned, typed } from '@/kit/entry/number-text'
import { ReadingField } from '@/kit/entry/reading-field'
import { Scroll } from '@/kit/frame/scroll'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { EntryFrame } from '../frame/entry/entry-frame'
import type { ShortAsk } from './short-ask'

interface ReadBackEntryProps {
  readonly draftKey: string
  readonly label: string
  readonly unit: LengthUnit
  readonly sheet: ReactNode
  /** Beside the numbers, where there is room for it. */
  readonly picture: ReactNode
  /** Whether something was keyed just before; else the row is only looked at. */
  readonly wasKeyed: boolean
  /** How little of it may be typed; all of it, where it is not said. */
  readonly short: ShortAsk | undefined
  readonly onEntered: (shown: WrittenLength, way?: ShortReadBack) => void
}

/** What the control shows, once it was keyed: what it should, looked at or by its sign and last digits, or anything else. */
export function ReadBackEntry({ short, ...props }: ReadBackEntryProps) {
  const [isElse, setElse] = useState(false)
  if (short === undefined || isElse) return <WholeEntry {...props} />
  const rest = { ...props, short, onElse: () => setElse(true) }
  return short.way === 'seen' ? <SeenEntry {...rest} /> : <SignedDigitsEntry {...rest} />
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
          {`It shows ${short.text}`}
        </Button>
      </Column>
    </Column>
  )
}

/** A number whose sign and last digits are entered as the control shows them; what stands between is compared by eye. */
function SignedDigitsEntry({ draftKey, short, sheet, picture, ...props }: ShortEntryProps) {
  const { onElse, onEntered } = props
  const none: { readonly sign?: Sign; readonly digits: string } = { digits: '' }
  const { value: draft, set, clear } = useDraft(`${draftKey}:last`, none)
  const [problem, setProblem] = useState<string>()
  const { lastDigits } = short
  const asksSign = short.sign !== undefined && draft.sign === undefined
  const compare = (typed: typeof draft) => {
    if (short.sign !== undefined && typed.sign === undefined)
      return setProblem('First the sign: press − or + as the control shows it.')
    if (typed.digits.length < lastDigits)
      return setProblem(`Type the last ${lastDigits} digits that the control shows.`)
    const differs = shortReadBackDiffers(
      short.expected.text,
      { sign: typed.sign, ...typed },
      lastDigits,
    )
    if (differs === 'digits')
      return setProblem(`It should not end in ${typed.digits}. Look at the control again.`)
    if (differs === 'sign') return setProblem(turnedSign(short.sign))
    clear()
    onEntered(short.expected, short.way)
  }
  const change = (digits: string) => {
    const next = { ...draft, digits: digits.slice(0, lastDigits) }
    setProblem(undefined)
    set(next)
    if (next.digits.length === lastDigits && next.digits !== draft.digits) compare(next)
  }
  const press = (sign: Sign) => {
    set({ ...draft, sign })
    setProblem(sign === short.sign ? undefined : turnedSign(short.sign))
  }
  /** By the keys of a keyboard: a sign anywhere, and digits. */
  const write = (text: string) => {
    const sign = /[+\-−]/.exec(text)?.[0]
    if (sign !== undefined && short.sign !== undefined) return press(sign === '+' ? '+' : '-')
    change(text.replace(/\D/g, ''))
  }
  const somethingElse = (
    <Button kind="plain" onPress={onElse} testID="shows-else">
      It shows something else
    </Button>
  )
  const sign = short.sign === undefined ? '' : typographic(draft.sign ?? '') || '±'
  return (
    <EntryFrame
      numbers={
        <ReadingField
          label={
            asksSign
              ? 'The sign on the control: − or + (none is +)'
              : `Its last ${lastDigits} digits, as the control shows them`
          }
          before={`${sign}${short.first}`}
          placeholder={'·'.repeat(lastDigits)}
          value={draft.digits}
          unit={short.expected.unit}
          onChange={write}
          onSubmit={() => compare(draft)}
          wrong={problem !== undefined}
        />
      }
      problem={problem}
      // What to do about it stands beside it, also where the rest has scrolled away.
      remedy={problem === undefined ? undefined : somethingElse}
      withoutPoint
      asksSign={asksSign}
      {...(short.sign !== undefined && { onPlusOrMinus: press })}
      onType={(digit) => change(draft.digits + digit)}
      onDelete={() => change(erased(draft.digits))}
      onNext={() => compare(draft)}
      next="Compare"
      after={picture}
    >
      {sheet}
      <Words>
        {READ_AGAIN} <Words strong>Its sign first.</Words>
      </Words>
      {problem === undefined && somethingElse}
    </EntryFrame>
  )
}

const turnedSign = (should: Sign | undefined): string =>
  `It should be ${should === '-' ? 'minus' : 'plus'}. Look at the control again: a turned sign crashes.`

/** All that the control shows, typed. */
function WholeEntry({
  draftKey,
  label,
  unit,
  sheet,
  picture,
  wasKeyed,
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
      {!wide && wasKeyed && <Words>{READ_AGAIN}</Words>}
    </EntryFrame>
  )
}
