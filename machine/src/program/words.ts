import { alarm, type Alarm } from './alarm'

/** A letter with its number, as it was written: `Z` with `-2.5`. */
export interface Word {
  readonly letter: string
  readonly text: string
  readonly value: number
}

/**
 * The words of a block: comments and its number are left out, letters may be small. RS-274 as NISTIR 6556 describes it (from memory).
 *
 * @returns an alarm for anything that is no word.
 */
export function readBlock(line: string): readonly Word[] | Alarm {
  if (/^\s*%\s*$/.test(line)) return []
  const bare = line
    .replace(/\([^)]*\)/g, ' ')
    .replace(/;.*$/, '')
    .replace(/^\s*\//, '')
    .toUpperCase()
  const words: Word[] = []
  let rest = bare.trim()
  while (rest !== '') {
    const found = /^([A-Z])\s*([+-]?(?:\d+\.?\d*|\.\d+))\s*/.exec(rest)
    if (found === null) return alarm(`“${rest.slice(0, 20)}” is no word that this control knows.`)
    const [all, letter = '', text = ''] = found
    if (letter !== 'N' && letter !== 'O') words.push({ letter, text, value: Number(text) })
    rest = rest.slice(all.length)
  }
  return words
}
