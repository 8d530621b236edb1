import { closeSync, openSync, readFileSync, readSync } from 'node:fs'
import { type PieceReader } from './files'
import { run } from './run'

const PIECE_BYTES = 256 * 1024

const readFile = (path: string) =>
  path === '-' ? standardInput().toString('utf8') : readFileSync(path, 'utf8')

/** It comes only once, and a program with subprograms is gone through twice. */
let input: Buffer | undefined
const standardInput = () => (input ??= readFileSync(0))

const readPieces: PieceReader = (path, take) => {
  if (path === '-') return take(standardInput())
  const file = openSync(path, 'r')
  const piece = new Uint8Array(PIECE_BYTES)
  try {
    for (;;) {
      const bytes = readSync(file, piece)
      if (bytes === 0) break
      take(piece.subarray(0, bytes))
    }
  } finally {
    closeSync(file)
  }
}

// Whoever reads the first lines alone (`bin/pine schema | head`) has closed the pipe: nothing is wrong with the rest.
process.stdout.on('error', (cause: NodeJS.ErrnoException) => {
  if (cause.code !== 'EPIPE') throw cause
})

const outcome = run(process.argv.slice(2), readFile, readPieces)
process.stdout.write(outcome.out)
if (outcome.bytes !== undefined) void outcome.bytes().then((bytes) => bytes.pipe(process.stdout))
process.stderr.write(outcome.err)
process.exitCode = outcome.exitCode
