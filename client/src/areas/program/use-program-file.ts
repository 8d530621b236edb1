import { useCallback, useEffect, useRef, useState } from 'react'
import {
  readProgramFile,
  type FileFailure,
  type FileJob,
  type ProgramFile,
} from '@/data/program-file'

export type FileState =
  | { readonly is: 'none' }
  | { readonly is: 'reading'; readonly name: string; readonly bytes: number; readonly of: number }
  | { readonly is: 'read'; readonly file: ProgramFile }
  | { readonly is: 'failed'; readonly name: string; readonly why: FileFailure }

/** The file that is being read on this device, or has been. It is not kept over a reload: its summary is. */
export function useProgramFile() {
  const [state, setState] = useState<FileState>({ is: 'none' })
  const job = useRef<FileJob<ProgramFile>>(undefined)
  const drop = useCallback(() => {
    job.current?.cancel()
    job.current = undefined
    setState({ is: 'none' })
  }, [])
  useEffect(() => () => job.current?.cancel(), [])
  const open = useCallback((file: File) => {
    job.current?.cancel()
    const { name, size } = file
    setState({ is: 'reading', name, bytes: 0, of: size })
    const mine = readProgramFile(file, (bytes) =>
      setState({ is: 'reading', name, bytes, of: size }),
    )
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
  }, [])
  return { state, open, drop }
}
