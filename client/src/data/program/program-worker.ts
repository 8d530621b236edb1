import type { ProgramReply, ProgramRequest } from '@/workers/program-messages'

export interface ProgramWorker extends Omit<Worker, 'postMessage'> {
  postMessage(request: ProgramRequest): void
}

export const newProgramWorker = (): ProgramWorker =>
  new Worker(new URL('../../workers/program.worker.ts', import.meta.url))

/** Asks a worker for lines of the text that it has open. */
export class WorkerLines {
  private requests = 0
  private readonly waiting = new Map<number, (lines: readonly string[]) => void>()

  constructor(private readonly worker: ProgramWorker) {
    worker.addEventListener('message', ({ data }: MessageEvent<ProgramReply>) => {
      if (data.tells !== 'lines') return
      this.waiting.get(data.id)?.(data.lines)
      this.waiting.delete(data.id)
    })
  }

  readonly ask = (from: number, to: number) =>
    new Promise<readonly string[]>((resolve) => {
      this.requests += 1
      this.waiting.set(this.requests, resolve)
      this.worker.postMessage({ ask: 'lines', id: this.requests, from, to })
    })

  close(): void {
    this.worker.terminate()
  }
}
