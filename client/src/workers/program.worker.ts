import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import { LineSplitter, looksLikeText, ProgramReader, type Subprograms } from '@pine/core/program'
import type { ProgramReply, ProgramRequest } from './program-messages'

/**
 * Reads programs beside the interface: a file may have millions of lines. It goes through the file piece
 * by piece and keeps none of them. To cancel, the worker is ended.
 */
const answer = (reply: ProgramReply) => self.postMessage(reply)
const SAMPLE_BYTES = 65_536
/** Often enough to see it move, seldom enough for a slow phone to draw it. */
const PROGRESS_EVERY_MS = 200

const decoder = new TextDecoder()
const textOf = (bytes: Uint8Array) => decoder.decode(bytes)

let opened: Blob | undefined

self.addEventListener('message', ({ data }: MessageEvent<ProgramRequest>) => {
  void handle(data).catch(() => answer({ tells: 'failed', why: 'unreadable' }))
})

async function handle(request: ProgramRequest): Promise<void> {
  switch (request.ask) {
    case 'open':
      opened = request.file
      return
    case 'read':
      opened = request.file
      return read(request.file)
    case 'hash':
      return answer({ tells: 'hash', sha256: await hashOf(request.file, () => undefined) })
    case 'lines':
      return answer({
        tells: 'lines',
        id: request.id,
        lines: opened === undefined ? [] : await linesOf(opened, request.from, request.to),
      })
  }
}

async function read(file: Blob): Promise<void> {
  if (file.size === 0) return answer({ tells: 'failed', why: 'empty' })
  const sample = new Uint8Array(await file.slice(0, SAMPLE_BYTES).arrayBuffer())
  if (!looksLikeText(sample)) return answer({ tells: 'failed', why: 'not-text' })
  const first = await readOnce(file)
  // Subprograms stand behind the calls that need them: then the file is gone through once more.
  const last =
    first.more === undefined
      ? first.reader
      : (await readOnce(file, first.more, first.sha256)).reader
  answer({ tells: 'read', sha256: first.sha256, reading: last.finish() })
}

async function readOnce(file: Blob, subprograms?: Subprograms, known?: string) {
  const reader = new ProgramReader(textOf, subprograms)
  const splitter = new LineSplitter(
    (bytes, from, to) => reader.line(bytes, from, to),
    () => reader.tooLongLine(),
  )
  const take = (piece: Uint8Array) => splitter.take(piece)
  if (known === undefined) {
    const found = await hashOf(file, take)
    splitter.end()
    return { reader, sha256: found, more: reader.subprogramsToFollow }
  }
  await eachPiece(file, take)
  splitter.end()
  return { reader, sha256: known, more: undefined }
}

/** SHA-256 of a file, and what is done with each piece on the way. */
async function hashOf(file: Blob, take: (piece: Uint8Array) => void): Promise<string> {
  const hash = sha256.create()
  let reportedAt = performance.now()
  let bytes = 0
  await eachPiece(file, (piece) => {
    hash.update(piece)
    take(piece)
    bytes += piece.length
    const now = performance.now()
    if (now - reportedAt < PROGRESS_EVERY_MS) return
    reportedAt = now
    answer({ tells: 'progress', bytes })
  })
  return bytesToHex(hash.digest())
}

async function eachPiece(file: Blob, take: (piece: Uint8Array) => void): Promise<void> {
  const pieces = file.stream().getReader()
  for (;;) {
    const { done, value } = await pieces.read()
    if (done) return
    take(value)
  }
}

/** Lines from one to another, both included, from 1. */
async function linesOf(file: Blob, from: number, to: number): Promise<readonly string[]> {
  const lines: string[] = []
  let at = 0
  const next = (text: () => string) => {
    at += 1
    if (at >= from && at <= to) lines.push(text())
  }
  const splitter = new LineSplitter(
    (bytes, begin, end) => next(() => textOf(bytes.subarray(begin, end))),
    () => next(() => ''),
  )
  const pieces = file.stream().getReader()
  while (at < to) {
    const { done, value } = await pieces.read()
    if (done) {
      splitter.end()
      break
    }
    splitter.take(value)
  }
  void pieces.cancel()
  return lines
}
