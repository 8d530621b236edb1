/** The part of a general tokenising library, which ships no types, that the tests hold ours against. */
declare module 'gcode-parser' {
  export function parseLine(line: string): {
    readonly words: readonly (readonly [letter: string, value: number | string])[]
  }
}
