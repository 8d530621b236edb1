import { keptProgramTextSchema, LONGEST_PROGRAM } from '@pine/contract'
import type { ProgramReading } from '@pine/core/program'
import { ask } from '../server/api'
import { newProgramWorker, WorkerLines } from './program-worker'

/** What was read, with the lines of its text, wherever that is: in a file of this device, or kept by the server. */
export interface ProgramText {
  readonly reading: ProgramReading
  /** From 1, both ends included; rejects where the text is not to be had. */
  readonly lines: (from: number, to: number) => Promise<readonly string[]>
}

const pathOf = (sha256: string) => `/api/programs/${sha256}/text`

/**
 * Sends the text of a program to be kept under its hash, so that anybody who opens the set-up sees its
 * lines. A text that is too long is not sent; one that does not arrive is missed only where it is asked for.
 */
export async function keepProgramText(text: Blob, sha256: string): Promise<void> {
  if (text.size > LONGEST_PROGRAM) return
  await ask(fetch(pathOf(sha256), { method: 'PUT', body: text }), keptProgramTextSchema).catch(
    () => undefined,
  )
}

/** The text that is kept by the server: fetched when its lines are first asked for. */
export class KeptProgramText implements ProgramText {
  private opened: Promise<WorkerLines> | undefined

  constructor(
    private readonly sha256: string,
    readonly reading: ProgramReading,
  ) {}

  readonly lines = async (from: number, to: number) => {
    this.opened ??= this.open()
    const lines = await this.opened.catch((cause: unknown) => {
      // The next time it may be there.
      this.opened = undefined
      throw cause
    })
    return lines.ask(from, to)
  }

  close(): void {
    void this.opened?.then((lines) => lines.close()).catch(() => undefined)
    this.opened = undefined
  }

  private async open(): Promise<WorkerLines> {
    const answer = await fetch(pathOf(this.sha256))
    if (!answer.ok) throw new Error(`no text: ${answer.status}`)
    const text = await answer.blob()
    const worker = newProgramWorker()
    worker.postMessage({ ask: 'open', file: text })
    return new WorkerLines(worker)
  }
}
