import type { ProgramReading } from '@pine/core/program'

/** To the worker: read a file or only open it, or give lines of the one that was. */
export type ProgramRequest =
  | { readonly ask: 'open'; readonly file: Blob }
  | { readonly ask: 'read'; readonly file: Blob }
  | { readonly ask: 'hash'; readonly file: Blob }
  | { readonly ask: 'lines'; readonly id: number; readonly from: number; readonly to: number }

/** From the worker. */
export type ProgramReply =
  | { readonly tells: 'progress'; readonly bytes: number }
  | { readonly tells: 'read'; readonly sha256: string; readonly reading: ProgramReading }
  | { readonly tells: 'hash'; readonly sha256: string }
  | { readonly tells: 'lines'; readonly id: number; readonly lines: readonly string[] }
  | { readonly tells: 'failed'; readonly why: 'empty' | 'not-text' | 'unreadable' }
