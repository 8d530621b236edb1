import { useState } from 'react'
import {
  otherUnit,
  readLength,
  type LengthUnit,
  type Nanometres,
  type ReadLengthOptions,
  type WrittenLength,
} from '@pine/core/length'
import { describeProblem } from '@pine/core/words'
import { useDraft } from '@/data/device/drafts'
import { erased, signTurned, typed } from '@/kit/entry/number-text'

/** One of several numbers that are typed together. */
export interface NumberSpec<Key extends string> {
  readonly key: Key
  readonly label: string
  /** May be left empty. */
  readonly optional?: boolean
  readonly sign?: ReadLengthOptions['sign']
  /** Whatever can be read here is below zero: the first digit brings the minus. */
  readonly isBelowZero?: boolean
}

interface NumbersDraft {
  readonly texts: Readonly<Partial<Record<string, string>>>
  readonly unit: LengthUnit
}

/**
 * Several numbers of one step while they are typed: kept on this device until they have become a fact.
 *
 * @param known what they are as long as nobody types another.
 */
export function useNumbers<Key extends string>(
  draftKey: string,
  unit: LengthUnit,
  specs: readonly NumberSpec<Key>[],
  known: Readonly<Partial<Record<string, string>>> = {},
) {
  const {
    value: draft,
    set,
    clear,
    started,
  } = useDraft<NumbersDraft>(draftKey, { texts: { ...known }, unit })
  const [active, setActive] = useState<Key | undefined>(specs[0]?.key)
  const [submitted, setSubmitted] = useState(false)
  const textOf = (key: Key): string => draft.texts[key] ?? ''
  const written = (key: Key): WrittenLength => ({ text: textOf(key).trim(), unit: draft.unit })
  const readOf = ({ key, sign }: NumberSpec<Key>) =>
    readLength(written(key), sign === undefined ? {} : { sign })
  const isEmpty = (key: Key) => textOf(key).trim() === ''
  const wrong = specs.find(
    (spec) => !(spec.optional === true && isEmpty(spec.key)) && !readOf(spec).ok,
  )
  const change = (key: Key, text: string) => {
    setSubmitted(false)
    set({ ...draft, texts: { ...draft.texts, [key]: withMinus(key, text) } })
  }
  /** The minus that need not be typed stands before the first digit; who turns the sign afterwards knows better. */
  const withMinus = (key: Key, text: string): string => {
    const isFirst = textOf(key) === '' && /^[\d.]$/.test(text)
    return isFirst && specs.find((one) => one.key === key)?.isBelowZero === true ? `-${text}` : text
  }
  const onActive = (edit: (text: string) => string) => () => {
    if (active !== undefined) change(active, edit(textOf(active)))
  }
  return {
    unit: draft.unit,
    started,
    clear,
    active,
    setActive,
    change,
    /** All of them at once, as something else than a hand gave them. */
    fill: (texts: Readonly<Record<Key, string>>, unit: LengthUnit) => {
      setSubmitted(false)
      set({ texts, unit })
    },
    written,
    isEmpty,
    /** The number of a field, once it can be read. */
    value(key: Key): Nanometres | undefined {
      const spec = specs.find((one) => one.key === key)
      const read = spec && readOf(spec)
      return read?.ok ? read.value.nm : undefined
    },
    boxes: specs.map(({ key, label, isBelowZero }) => ({
      key,
      label,
      isBelowZero,
      value: textOf(key),
      wrong: submitted && wrong?.key === key,
    })),
    /** What the keys of the keypad do to the number that is being typed. */
    keys: {
      onType: (character: string) => onActive((text) => typed(text, character))(),
      onDelete: onActive(erased),
      onSign: onActive(signTurned),
      onUnit: () => set({ ...draft, unit: otherUnit(draft.unit) }),
    },
    problem:
      submitted && wrong !== undefined
        ? problemOf(readOf(wrong), specs.length > 1 ? `${wrong.label}: ` : '')
        : undefined,
    /** Goes to the next number that is still to be typed; true when there is none. */
    complete(): boolean {
      if (wrong === undefined) return true
      // Not an error yet: the person has typed one number and goes on to the next.
      setSubmitted(!isEmpty(wrong.key) || wrong.key === active)
      setActive(wrong.key)
      return false
    },
  }
}

/** What is wrong with a number; said of which, where there are several. */
function problemOf(read: ReturnType<typeof readLength>, which: string): string | undefined {
  if (read.ok) return undefined
  const { message, remedy } = describeProblem(read.problem)
  return `${which}${message} ${remedy}`
}
