import type { ProgramReply } from '@/workers/program-messages'
import type { ProgramText } from './program-text'
import { newProgramWorker, WorkerLines } from './program-worker'

/** A program as it was read from a file of this device. */
export interface ProgramFile extends ProgramText {
  readonly name: string
  readonly bytes: number
  readonly sha256: string
  readonly blob: Blob
}

export type FileFailure = Extract<ProgramReply, { tells: 'failed' }>['why']

export interface FileJob<T> {
  readonly result: Promise<{ readonly ok: T } | { readonly failed: FileFailure }>
  readonly cancel: () => void
}

/** Reads a program in a worker of its own; the interface stays free however long it is. */
export function readProgramFile(
  file: File,
  onProgress: (bytes: number) => void,
): FileJob<ProgramFile> {
  const worker = newProgramWorker()
  const lines = new WorkerLines(worker)
  const result = new Promise<{ ok: ProgramFile } | { failed: FileFailure }>((resolve) => {
    worker.onerror = () => resolve({ failed: 'unreadable' })
    worker.onmessage = ({ data }: MessageEvent<ProgramReply>) => {
      if (data.tells === 'progress') onProgress(data.bytes)
      else if (data.tells === 'read') {
        const { sha256, reading } = data
        const { name, size: bytes } = file
        resolve({ ok: { name, bytes, sha256, reading, blob: file, lines: lines.ask } })
      } else if (data.tells === 'failed') resolve({ failed: data.why })
    }
    worker.postMessage({ ask: 'read', file })
  })
  return { result, cancel: () => worker.terminate() }
}

/** SHA-256 of a file alone: whether it is the one that was read. */
export function hashFile(file: File): FileJob<string> {
  const worker = newProgramWorker()
  const result = new Promise<{ ok: string } | { failed: FileFailure }>((resolve) => {
    worker.onerror = () => resolve({ failed: 'unreadable' })
    worker.onmessage = ({ data }: MessageEvent<ProgramReply>) => {
      if (data.tells === 'hash') resolve({ ok: data.sha256 })
      else if (data.tells === 'failed') resolve({ failed: data.why })
    }
    worker.postMessage({ ask: 'hash', file })
  }).finally(() => worker.terminate())
  return { result, cancel: () => worker.terminate() }
}
