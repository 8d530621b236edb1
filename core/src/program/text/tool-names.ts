import { speaksOfOverride, speaksOfSpeed } from './comment-hints'
import type { ProgramWord } from './block'

/**
 * What a program calls its tools. A name stands on the line that calls or changes the tool, or on a line of comment alone
 * since the last move. The first such line of a program is its title, and so is one behind its number.
 */
export class ToolNames {
  private next: string | undefined
  private linesWithComments = 0

  /** One more line has comments. */
  begin(): void {
    this.linesWithComments += 1
  }

  /**
   * A comment of a line.
   *
   * @param called whether a tool is in the spindle already.
   * @returns `now` where it speaks of the tool that was changed in just before.
   */
  hear(
    comment: string,
    words: readonly ProgramWord[],
    called: boolean,
  ): 'next' | 'now' | undefined {
    if (speaksOfSpeed(comment) || speaksOfOverride(comment)) return undefined
    const letters = words.map(({ letter }) => letter)
    const isTitle = !called && this.linesWithComments === 1 && letters.length === 0
    if (isTitle || letters.includes('O')) return undefined
    const changes =
      letters.includes('T') || words.some(({ letter, value }) => letter === 'M' && value === 6)
    if (!changes && !letters.every((letter) => letter === 'N')) return undefined
    this.next = comment
    return changes || !called ? 'next' : 'now'
  }

  /** What the tool that is changed in now is called. */
  get name(): string | undefined {
    return this.next
  }

  /** The tool is in, or something has moved: what was said before is not of the next one. */
  forget(): void {
    this.next = undefined
  }
}
