/** One word of a block: a letter and its number. */
export interface ProgramWord {
  readonly letter: string
  readonly value: number
  /** Where the letter stands, from 1. */
  readonly column: number
  /** The last column of its number. */
  readonly end: number
}

/** Why part of a line could not be read. None is fatal: the reader goes on. */
export const BLOCK_FAULTS = [
  'comment-open',
  'character-unknown',
  'number-missing',
  'number-too-long',
  'not-followed',
] as const

export interface BlockFault {
  readonly code: (typeof BLOCK_FAULTS)[number]
  readonly column: number
  /** What stands there. */
  readonly text: string
}

/** One line of a program. */
export interface Block {
  readonly words: readonly ProgramWord[]
  readonly comments: readonly string[]
  /** Begins with a slash: a switch of the control may leave it out. */
  readonly optional: boolean
  readonly faults: readonly BlockFault[]
}

const isSpace = (code: number): boolean => code === 32 || code === 9 || code === 13
/** A to Z in either case: bit 5 is what tells them apart. */
const isLetter = (code: number): boolean => (code | 32) >= 97 && (code | 32) <= 122
const PERCENT = 37
const PAREN = 40
const SLASH = 47
const SEMICOLON = 59
const HASH = 35
const BRACKET = 91
const EQUALS = 61

/**
 * Splits a line into words and comments: RS-274/NGC, NISTIR 6556 §3.3 (from memory). Case does not matter,
 * and spaces may stand anywhere, even within a number. What computes its numbers (`#`, `[`) is not followed:
 * the rest of the line is left out, and said to be.
 *
 * @example readBlock('g0x +0. 12 34y 7').words.map(({ value }) => value) // [0, 0.1234, 7]
 */
export function readBlock(line: string): Block {
  const words: ProgramWord[] = []
  const comments: string[] = []
  const faults: BlockFault[] = []
  let optional = false
  let at = 0
  while (at < line.length) {
    const code = line.charCodeAt(at)
    if (isLetter(code)) {
      const word = readWord(line, at, code)
      if (word !== undefined) {
        if (Math.abs(word.value) <= LARGEST) words.push(word)
        else
          faults.push({
            code: 'number-too-long',
            column: word.column,
            text: line.slice(word.column - 1, word.end),
          })
        at = word.end
        continue
      }
      const rest = line.slice(at).trim()
      const computed = COMPUTED.test(rest)
      faults.push({
        code: computed ? 'not-followed' : 'number-missing',
        column: at + 1,
        text: rest,
      })
      if (computed) break
      at += 1
    } else if (isSpace(code) || code === PERCENT) {
      at += 1
    } else if (code === SLASH && words.length === 0) {
      optional = true
      at += 1
    } else if (code === SEMICOLON) {
      comments.push(line.slice(at + 1).trim())
      break
    } else if (code === PAREN) {
      const end = line.indexOf(')', at)
      if (end < 0) faults.push({ code: 'comment-open', column: at + 1, text: line.slice(at) })
      comments.push(line.slice(at + 1, end < 0 ? undefined : end).trim())
      if (end < 0) break
      at = end + 1
    } else if (code === HASH || code === BRACKET || code === EQUALS) {
      faults.push({ code: 'not-followed', column: at + 1, text: line.slice(at).trim() })
      break
    } else {
      faults.push({ code: 'character-unknown', column: at + 1, text: line.charAt(at) })
      at += 1
    }
  }
  return { words, comments, optional, faults }
}

/** No machine goes as far, turns as fast or has as many rows: a longer number has lost its point, or is none. */
const LARGEST = 2e9

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'
/** A parameter, an expression, or a word of a language of its own: none of it is a number. */
const COMPUTED = /^[a-z]\s*[-+]?\s*[#[]|^[a-z]{2}/i

/** A word as it is written, without the spaces that a line may have anywhere. */
export const wordText = (line: string, { column, end }: ProgramWord): string =>
  line
    .slice(column - 1, end)
    .replace(/\s/g, '')
    .toUpperCase()

/** Sign, digits, point, digits, with spaces anywhere, up to the last of its characters. */
const NUMBER = /(?:[ \t\r]*[-+])?[\d \t\r]*(?:\d(?:[ \t\r]*\.)?|\.[\d \t\r]*\d)/y

/** A letter with its number; undefined where there is no digit. */
function readWord(line: string, start: number, letter: number): ProgramWord | undefined {
  NUMBER.lastIndex = start + 1
  const number = NUMBER.exec(line)?.[0]
  if (number === undefined) return undefined
  return {
    letter: LETTERS.charAt((letter | 32) - 97),
    value: Number(number.replace(/\s/g, '')) + 0,
    column: start + 1,
    end: start + 1 + number.length,
  }
}
