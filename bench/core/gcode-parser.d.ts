/** The part of a general tokenising library, which ships no types, that the bench runs beside ours. */
declare module 'gcode-parser' {
  export function parseLine(line: string): {
    readonly words: readonly (readonly [letter: string, value: number | string])[]
  }
}
