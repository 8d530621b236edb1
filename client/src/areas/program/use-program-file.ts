import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import {
  readProgramFile,
  type FileFailure,
  type FileJob,
  type ProgramFile,
} from '@/data/program/program-file'

export type FileState =
  | { readonly is: 'none' }
  | { readonly is: 'reading'; readonly name: string; readonly of: number }
  | { readonly is: 'read'; readonly file: ProgramFile }
  | { readonly is: 'failed'; readonly name: string; readonly why: FileFailure }

/**
 * How many bytes are read. It stands beside the state: it changes several times a second, and only the bar
 * that shows it is to be drawn anew.
 */
export class ReadingProgress {
  private bytes = 0
  private readonly listeners = new Set<() => void>()

  readonly current = () => this.bytes

  readonly subscribe = (listener: () => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  set(bytes: number): void {
    this.bytes = bytes
    for (const listener of this.listeners) listener()
  }
}

/** The file that is being read on this device, or has been. It is not kept over a reload: its summary is. */
export function useProgramFile() {
  const [state, setState] = useState<FileState>({ is: 'none' })
  const [progress] = useState(() => new ReadingProgress())
  const job = useRef<FileJob<ProgramFile>>(undefined)
  const drop = useCallback(() => {
    job.current?.cancel()
    job.current = undefined
    setState({ is: 'none' })
  }, [])
  useEffect(() => () => job.current?.cancel(), [])
  const open = useCallback(
    (file: File) => {
      job.current?.cancel()
      const { name, size } = file
      progress.set(0)
      // In slices: no frame of the interface waits for the card that shows it.
      startTransition(() => setState({ is: 'reading', name, of: size }))
      const mine = readProgramFile(file, (bytes) => progress.set(bytes))
      job.current = mine
      void mine.result.then((result) => {
        // Another file was opened meanwhile, or this one was given up.
        if (job.current !== mine) return
        setState(
          'ok' in result
            ? { is: 'read', file: result.ok }
            : { is: 'failed', name, why: result.failed },
        )
      })
    },
    [progress],
  )
  return { state, progress, open, drop }
}
