import { createReadStream, createWriteStream, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { createInterface } from 'node:readline'
import { once } from 'node:events'
import { LineSplitter, ProgramReader } from '@pine/core'
import { parseLine } from 'gcode-parser'

// Reading a long program as the product does, beside a general library that only splits it into words, and beside
// Node's own line reader that only splits it into lines; all stream the same file. Run: npx tsx bench/program.ts [MEGABYTES]

const megabytes = Number(process.argv[2] ?? 200)
const path = join(tmpdir(), `pine-bench-${process.pid}.ngc`)
const say = (line: string) => process.stdout.write(`${line}\n`)

/** Short moves as a surface is finished with: the longest programs are of this kind. */
async function writeProgram(): Promise<void> {
  const out = createWriteStream(path)
  out.write('G21 G90 G17 G40 G49 G80\nT1 M6\nG54 G0 X0 Y0 S12000 M3\nG43 H1 Z25.\nG1 Z-1. F800\n')
  const bytes = megabytes * 1024 * 1024
  let written = 0
  for (let step = 0; written < bytes;) {
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
  out.end('M30\n')
  await once(out, 'close')
}

async function timed(name: string, each: (line: string) => void): Promise<number> {
  let peak = 0
  let lines = 0
  const started = performance.now()
  for await (const line of createInterface({ input: createReadStream(path) })) {
    each(line)
    lines += 1
    if (lines % 100_000 === 0) peak = Math.max(peak, process.memoryUsage().heapUsed)
  }
  const seconds = (performance.now() - started) / 1000
  const size = statSync(path).size / 1024 / 1024
  say(
    `${name}: ${(size / seconds).toFixed(1)} MB a second, ${lines} lines, heap at most ${(peak / 1024 / 1024).toFixed(0)} MB`,
  )
  return seconds
}

/** The same as the product reads: pieces of text through our own splitter. */
async function timedOurs(reader: ProgramReader): Promise<number> {
  let peak = 0
  const splitter = new LineSplitter((piece, from, to) => reader.line(piece, from, to))
  const decoder = new TextDecoder()
  const started = performance.now()
  for await (const piece of createReadStream(path) as AsyncIterable<Uint8Array>) {
    splitter.take(decoder.decode(piece, { stream: true }))
    peak = Math.max(peak, process.memoryUsage().heapUsed)
  }
  splitter.end()
  const seconds = (performance.now() - started) / 1000
  const size = statSync(path).size / 1024 / 1024
  say(
    `read, followed and judged by us: ${(size / seconds).toFixed(1)} MB a second, heap at most ${(peak / 1024 / 1024).toFixed(0)} MB`,
  )
  return seconds
}

await writeProgram()
try {
  const split = await timed('only lines, by Node', () => undefined)
  const library = await timed('only words, by a general library', (line) => void parseLine(line))
  const reader = new ProgramReader()
  const read = await timedOurs(reader)
  const { operations, problems } = reader.finish()
  say(`${operations.length} operation, ${problems.length} problems`)
  say(
    `${(library / read).toFixed(1)} times the library’s throughput; ${(read / split).toFixed(1)} times the time of only splitting lines`,
  )
} finally {
  rmSync(path)
}
