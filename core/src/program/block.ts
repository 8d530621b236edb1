/** One word of a block: a letter and its number. */
export interface ProgramWord {
  readonly letter: string
  /** The number as written, without the spaces that a line may have anywhere. */
  readonly text: string
  readonly value: number
  /** Where the letter stands, from 1. */
  readonly column: number
}

/** Why part of a line could not be read. None is fatal: the reader goes on. */
export const BLOCK_FAULTS = [
  'comment-open',
  'character-unknown',
  'number-missing',
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

const isDigit = (code: number): boolean => code >= 48 && code <= 57
const isSpace = (code: number): boolean => code === 32 || code === 9 || code === 13
const SLASH = 47
const POINT = 46

/**
 * Splits a line into words and comments: RS-274/NGC, NISTIR 6556 §3.3 (from memory). Case does not matter,
 * and spaces may stand anywhere, even within a number. What computes its numbers (`#`, `[`) is not followed:
 * the rest of the line is left out, and said to be.
 *
 * @example readBlock('g0x +0. 12 34y 7').words // G0, X0.1234, Y7
 */
export function readBlock(line: string): Block {
  const words: ProgramWord[] = []
  const comments: string[] = []
  const faults: BlockFault[] = []
  let optional = false
  let at = 0
  while (at < line.length) {
    const code = line.charCodeAt(at)
    const character = line.charAt(at)
    if (isSpace(code) || character === '%') {
      at += 1
    } else if (code === SLASH && words.length === 0) {
      optional = true
      at += 1
    } else if (character === ';') {
      comments.push(line.slice(at + 1).trim())
      break
    } else if (character === '(') {
      const end = line.indexOf(')', at)
      if (end < 0) faults.push({ code: 'comment-open', column: at + 1, text: line.slice(at) })
      comments.push(line.slice(at + 1, end < 0 ? undefined : end).trim())
      if (end < 0) break
      at = end + 1
    } else if (character === '#' || character === '[' || character === '=') {
      faults.push({ code: 'not-followed', column: at + 1, text: line.slice(at).trim() })
      break
    } else if (/[a-z]/i.test(character)) {
      const number = readNumber(line, at + 1)
      if (number === undefined) {
        const rest = line.slice(at).trim()
        // A parameter, an expression or a word of a language of its own: none of it is a number.
        const computed = /^[a-z]\s*[-+]?\s*[#[]/i.test(rest) || /^[a-z]{2}/i.test(rest)
        faults.push({
          code: computed ? 'not-followed' : 'number-missing',
          column: at + 1,
          text: rest,
        })
        if (computed) break
        at += 1
      } else {
        words.push({
          letter: character.toUpperCase(),
          text: number.text,
          value: Number(number.text),
          column: at + 1,
        })
        at = number.end
      }
    } else {
      faults.push({ code: 'character-unknown', column: at + 1, text: character })
      at += 1
    }
  }
  return { words, comments, optional, faults }
}

/** Sign, digits, point, digits, with spaces anywhere; undefined where there is no digit. */
function readNumber(
  line: string,
  start: number,
): { readonly text: string; readonly end: number } | undefined {
  let text = ''
  let end = start
  let digits = 0
  let points = 0
  for (let at = start; at < line.length; at += 1) {
    const code = line.charCodeAt(at)
    if (isSpace(code)) continue
    const character = line.charAt(at)
    const sign = (character === '+' || character === '-') && text === ''
    if (code === POINT && points === 0) points += 1
    else if (isDigit(code)) digits += 1
    else if (!sign) break
    text += character
    end = at + 1
  }
  return digits === 0 ? undefined : { text, end }
}
