import { createReadStream, createWriteStream, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { createInterface } from 'node:readline'
import { once } from 'node:events'
import { LineSplitter, ProgramReader } from '@pine/core/program'
import { parseLine } from 'gcode-parser'

// Reading a long program as the product does, beside a general library that only splits it into words, and beside
// Node's own line reader that only splits it into lines; all stream the same file, in turns, and the best
// of three rounds counts. Run: npx tsx bench/core/program.ts [MEGABYTES]

const megabytes = Number(process.argv[2] ?? 200)
const ROUNDS = 3
const path = join(tmpdir(), `pine-bench-${process.pid}.ngc`)
const say = (line: string) => process.stdout.write(`${line}\n`)

/** Short moves as a surface is finished with: the longest programs are of this kind. */
async function writeProgram(): Promise<void> {
  const out = createWriteStream(path)
  out.write('G21 G90 G17 G40 G49 G80\nT1 M6\nG54 G0 X0 Y0 S12000 M3\nG43 H1 Z25.\nG1 Z-1. F800\n')
  const bytes = megabytes * 1024 * 1024
  let written = 0
  for (let step = 1; written < bytes;) {
    let chunk = ''
    for (let lines = 0; lines < 2000; lines += 1, step += 1) {
      const [x, y] = [(step % 5000) / 50, Math.sin(step / 300) * 40]
      chunk +=
        step % 40 === 0
          ? `G2 X${x.toFixed(3)} Y${y.toFixed(3)} R50.\n`
          : `G1 X${x.toFixed(3)} Y${y.toFixed(3)} Z${(Math.cos(step / 500) - 2).toFixed(4)}\n`
    }
    written += chunk.length
    if (!out.write(chunk)) await once(out, 'drain')
  }
  out.end('G0 Z25.\nG49\nM30\n')
  await once(out, 'close')
}

interface Contender {
  readonly name: string
  /** Takes the file from its stream to its end; called for every piece or line, so that memory can be looked at. */
  readonly run: (looked: () => void) => Promise<void>
}

const byLines = (name: string, each: (line: string) => void): Contender => ({
  name,
  run: async (looked) => {
    let lines = 0
    for await (const line of createInterface({ input: createReadStream(path) })) {
      each(line)
      lines += 1
      if (lines % 10_000 === 0) looked()
    }
  },
})

const decoder = new TextDecoder()

/** As the product reads: pieces of bytes through our own splitter. */
const ours: Contender = {
  name: 'read, followed and judged by us',
  run: async (looked) => {
    const reader = new ProgramReader((bytes) => decoder.decode(bytes))
    const splitter = new LineSplitter(
      (bytes, from, to) => reader.line(bytes, from, to),
      () => reader.tooLongLine(),
    )
    for await (const piece of createReadStream(path) as AsyncIterable<Uint8Array>) {
      splitter.take(piece)
      looked()
    }
    splitter.end()
    const { operations, problems, judgements } = reader.finish()
    if (operations.length !== 1 || problems.length > 0 || judgements.length > 0)
      throw new Error('the program was not read as it was written')
  },
}

const contenders = [
  byLines('only lines, by Node', () => undefined),
  byLines('only words, by a general library', (line) => void parseLine(line)),
  ours,
]

/** The best of the rounds, which take turns: what else the machine does can only slow a run down. */
async function race(): Promise<readonly number[]> {
  const best = contenders.map(() => Infinity)
  const peak = contenders.map(() => 0)
  for (let round = 0; round < ROUNDS; round += 1) {
    for (const [at, { run }] of contenders.entries()) {
      const started = performance.now()
      await run(() => {
        peak[at] = Math.max(peak[at] ?? 0, process.memoryUsage().heapUsed)
      })
      best[at] = Math.min(best[at] ?? Infinity, (performance.now() - started) / 1000)
    }
  }
  const size = statSync(path).size / 1024 / 1024
  for (const [at, { name }] of contenders.entries())
    say(
      `${name}: ${(size / (best[at] ?? NaN)).toFixed(1)} MB a second, heap at most ${((peak[at] ?? NaN) / 1024 / 1024).toFixed(0)} MB`,
    )
  return best
}

await writeProgram()
try {
  const [lines = NaN, words = NaN, read = NaN] = await race()
  say(
    `${(words / read).toFixed(1)} times the library’s throughput; ${(read / lines).toFixed(1)} times the time of only splitting lines`,
  )
} finally {
  rmSync(path)
}
