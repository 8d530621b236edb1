import { readBlock, wordText, type Block, type ProgramWord } from './text/block'
import type { PlaceSource } from './operation-log'
import { BlockNumbers, readPlainMove } from './motion/plain-move'
import type { ProgramPlace } from './program-reading'
import { SourceLine, type Decode } from './text/source-line'

export const LONGEST_EXCERPT = 120

/**
 * The line that is executed: where it stands, its words, and the first number of each letter. Place, text
 * and words are made only where something is told of it, since most lines of a long program only go on.
 */
export class CurrentLine implements PlaceSource {
  /** NaN where a letter is not written; letters are counted from A. */
  readonly numbers = new BlockNumbers()
  private readonly source: SourceLine
  private at = 0
  private knownPlace: ProgramPlace | undefined
  private knownWords: readonly ProgramWord[] | undefined

  constructor(decode: Decode) {
    this.source = new SourceLine(decode)
  }

  set(bytes: Uint8Array, from: number, to: number): void {
    this.source.set(bytes, from, to)
  }

  setText(text: string): void {
    this.source.setText(text)
  }

  /** It is executed now, as this line of the file. */
  enter(line: number): void {
    this.at = line
    this.knownPlace = undefined
    this.knownWords = undefined
  }

  /** True where it is only a move, its feed and its speed: then its numbers are taken. */
  isPlainMove(): boolean {
    const { bytes, from, to } = this.source
    return readPlainMove(bytes, from, to, this.numbers)
  }

  /** Takes its words and comments apart, and its numbers in. */
  readBlock(): Block {
    const block = readBlock(this.source.text)
    this.knownWords = block.words
    this.numbers.clear()
    for (const { letter, value } of block.words) this.numbers.take(letterIndex(letter), value)
    return block
  }

  get number(): number {
    return this.at
  }

  get text(): string {
    return this.source.text
  }

  get place(): ProgramPlace {
    this.knownPlace ??= {
      line: this.at,
      excerpt: this.source.text.trim().slice(0, LONGEST_EXCERPT),
    }
    return this.knownPlace
  }

  /** Where a word stands in it, for what is told of that word; the whole line where it is not written. */
  placeOf(letter: string, value?: number): ProgramPlace & { readonly column: number } {
    this.knownWords ??= readBlock(this.source.text).words
    const word = this.knownWords.find(
      (one) => one.letter === letter && (value === undefined || one.value === value),
    )
    return {
      line: this.at,
      column: word?.column ?? 1,
      excerpt: word ? wordText(this.source.text, word) : this.place.excerpt,
    }
  }

  valueOf(letter: string): number | undefined {
    const value = this.numbers.get(letterIndex(letter))
    return Number.isNaN(value) ? undefined : value
  }

  has(letter: string): boolean {
    return this.numbers.has(letterIndex(letter))
  }

  get namesAxes(): boolean {
    return this.has('X') || this.has('Y') || this.has('Z')
  }

  /** An arc needs no axis: from where it is, once around. */
  get namesCentre(): boolean {
    return this.has('I') || this.has('J') || this.has('K') || this.has('R')
  }
}

const letterIndex = (letter: string): number => letter.charCodeAt(0) - A
const A = 'A'.charCodeAt(0)
