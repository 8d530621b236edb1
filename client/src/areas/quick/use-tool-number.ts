import { useState } from 'react'
import { onlyDigits } from '@/kit/entry/form'

/**
 * A tool's number while it is typed.
 *
 * @param usual what it is as long as nothing is typed.
 */
export function useToolNumber(usual: number) {
  const [text, setText] = useState('')
  const change = (next: string) => setText(onlyDigits(next).slice(0, 3))
  const number = text === '' ? usual : Number(text)
  return {
    text,
    change,
    clear: () => setText(''),
    value: Number.isInteger(number) && number >= 0 && number <= 999 ? number : undefined,
    keys: {
      withoutPoint: true,
      onType: (character: string) => change(text + character),
      onDelete: () => change(text.slice(0, -1)),
    },
  }
}
