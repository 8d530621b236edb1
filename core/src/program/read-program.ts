import { LineSplitter } from './text/line-splitter'
import { ProgramReader } from './program-reader'
import type { ProgramReading } from './program-reading'
import type { Decode } from './text/source-line'
import type { Subprograms } from './subprograms'

/**
 * Reads a program that is given piece by piece, once, or twice where its own subprograms are to be followed.
 *
 * @param pieces gives the bytes of the file from its beginning whenever it is called; a piece may be written
 *   over once it was taken
 */
export function readProgramPieces(
  pieces: (take: (piece: Uint8Array) => void) => void,
  decode: Decode,
): ProgramReading {
  return readTwice(decode, (reader) => {
    const splitter = new LineSplitter(
      (bytes, from, to) => reader.line(bytes, from, to),
      () => reader.tooLongLine(),
    )
    pieces((piece) => splitter.take(piece))
    splitter.end()
  })
}

/** The same for a program that is at hand as text. */
export function readProgram(text: string): ProgramReading {
  const lines = text.split(/\r\n|\r|\n/)
  if (lines.at(-1) === '') lines.pop()
  const decode = () => {
    throw new Error('a line of text needs no decoding')
  }
  return readTwice(decode, (reader) => lines.forEach((line) => reader.textLine(line)))
}

function readTwice(decode: Decode, feed: (reader: ProgramReader) => void): ProgramReading {
  const read = (subprograms?: Subprograms) => {
    const reader = new ProgramReader(decode, subprograms)
    feed(reader)
    return { reading: reader.finish(), more: reader.subprogramsToFollow }
  }
  const first = read()
  return first.more === undefined ? first.reading : read(first.more).reading
}
