import type { ProgramReading } from '@pine/core'
import type { ProgramReply, ProgramRequest } from '@/workers/program-messages'

/** A program as it was read from a file of this device. */
export interface ProgramFile {
  readonly name: string
  readonly bytes: number
  readonly sha256: string
  readonly reading: ProgramReading
  /** Lines of its text, from 1, both ends included; the text itself stays in the file. */
  readonly lines: (from: number, to: number) => Promise<readonly string[]>
}

export type FileFailure = Extract<ProgramReply, { tells: 'failed' }>['why']

export interface FileJob<T> {
  readonly result: Promise<{ readonly ok: T } | { readonly failed: FileFailure }>
  readonly cancel: () => void
}

const newWorker = () => new Worker(new URL('../workers/program.worker.ts', import.meta.url))

/** Reads a program in a worker of its own; the interface stays free however long it is. */
export function readProgramFile(
  file: File,
  onProgress: (bytes: number) => void,
): FileJob<ProgramFile> {
  const worker = newWorker()
  const waiting = new Map<number, (lines: readonly string[]) => void>()
  let asked = 0
  const ask = (request: ProgramRequest) => worker.postMessage(request)
  const lines = (from: number, to: number) =>
    new Promise<readonly string[]>((resolve) => {
      asked += 1
      waiting.set(asked, resolve)
      ask({ ask: 'lines', id: asked, from, to })
    })
  const result = new Promise<{ ok: ProgramFile } | { failed: FileFailure }>((resolve) => {
    worker.onerror = () => resolve({ failed: 'unreadable' })
    worker.onmessage = ({ data }: MessageEvent<ProgramReply>) => {
      if (data.tells === 'progress') onProgress(data.bytes)
      else if (data.tells === 'lines') {
        waiting.get(data.id)?.(data.lines)
        waiting.delete(data.id)
      } else if (data.tells === 'read') {
        const { sha256, reading } = data
        resolve({ ok: { name: file.name, bytes: file.size, sha256, reading, lines } })
      } else if (data.tells === 'failed') resolve({ failed: data.why })
    }
    ask({ ask: 'read', file })
  })
  return { result, cancel: () => worker.terminate() }
}

/** SHA-256 of a file alone: whether it is the one that was read. */
export function hashFile(file: File): FileJob<string> {
  const worker = newWorker()
  const result = new Promise<{ ok: string } | { failed: FileFailure }>((resolve) => {
    worker.onerror = () => resolve({ failed: 'unreadable' })
    worker.onmessage = ({ data }: MessageEvent<ProgramReply>) => {
      if (data.tells === 'hash') resolve({ ok: data.sha256 })
      else if (data.tells === 'failed') resolve({ failed: data.why })
    }
    worker.postMessage({ ask: 'hash', file } satisfies ProgramRequest)
  }).finally(() => worker.terminate())
  return { result, cancel: () => worker.terminate() }
}
