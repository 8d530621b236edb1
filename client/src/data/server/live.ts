import { mutate } from 'swr'
import { z } from 'zod'
import { factsAnswerSchema } from '@pine/contract'
import { STREAM_KINDS } from '@pine/core/journal'
import { api, ask } from './api'
import { noteReached } from './connection'
import { flushOutbox } from '../outbox/outbox'
import { showFacts, showLists, shownSetups } from '../setup/shown-setups'
import { showOutside, type OutsideStream } from '../shop/shown-outside'

/** A fact that somebody entered somewhere: which stream, and its place in it. */
const changeSchema = z.object({ kind: z.string(), id: z.string(), place: z.number() })
export type Change = z.infer<typeof changeSchema>

/** What is told from one page of this device to the others. */
type LiveMessage =
  | { readonly tells: 'fact'; readonly change: Change }
  | { readonly tells: 'gap' }
  /** The server's database does not answer. */
  | { readonly tells: 'away' }

/** After a no. */
const AGAIN_MS = 4_000

/** Asks for what a shown set-up lacks, from its place on. */
async function fetchSince({ id, place }: Pick<Change, 'id' | 'place'>): Promise<void> {
  const from = shownSetups().get(id)
  if (from === undefined || from > place) return
  await ask(
    api.streams[':kind'][':id'].facts.$get({
      param: { kind: 'setup', id },
      query: { from: String(from) },
    }),
    factsAnswerSchema,
  )
    .then((answer) => showFacts(id, answer))
    // It is asked for again with the next fact, or when the page is looked at.
    .catch(() => undefined)
}

/** Shows what was told: a fact of somebody else, or that some may have been missed. */
export async function applyLiveMessage(message: LiveMessage): Promise<void> {
  if (message.tells === 'away') return noteReached(false)
  if (message.tells === 'gap') {
    noteReached(true)
    void flushOutbox()
    await Promise.all([
      ...[...shownSetups().keys()].map((id) => fetchSince({ id, place: Infinity })),
      showLists(),
      ...['machines', 'gauges', 'session'].map((key) => mutate(key)),
    ])
    return
  }
  const { change } = message
  if (change.kind === 'setup') await Promise.all([fetchSince(change), showLists()])
  // What is asked of a machine changes how far its set-ups are.
  else if (isOutside(change.kind))
    await Promise.all([showOutside({ kind: change.kind, id: change.id }), showLists()])
}

const isOutside = (kind: string): kind is OutsideStream =>
  kind !== 'setup' && (STREAM_KINDS as readonly string[]).includes(kind)

/**
 * Hears of every fact of the shop as it is written, while this page is open and somebody is signed in.
 *
 * One page of a device holds the line and tells the others: a browser has only a few lines to one server. Where it knows no
 * locks (an address that is not secure), each page holds its own.
 *
 * @returns ends it.
 */
export function hearLive(): () => void {
  const ending = new AbortController()
  const others = new BroadcastChannel('pine-live')
  others.onmessage = ({ data }: MessageEvent<LiveMessage>) => void applyLiveMessage(data)
  const hold = () => holdLine(ending.signal, (message) => others.postMessage(message))
  if ('locks' in navigator)
    navigator.locks.request('pine-live', { signal: ending.signal }, hold).catch(() => undefined)
  else void hold()
  return () => {
    ending.abort()
    others.close()
  }
}

/** Holds the line until it is ended, and opens it again when it breaks. */
function holdLine(ended: AbortSignal, send: (message: LiveMessage) => void): Promise<void> {
  let line: EventSource
  let later: ReturnType<typeof setTimeout> | undefined
  const sendHere = (message: LiveMessage) => {
    send(message)
    void applyLiveMessage(message)
  }
  const open = () => {
    line = new EventSource('/api/live')
    line.addEventListener('gap', () => sendHere({ tells: 'gap' }))
    line.addEventListener('away', () => sendHere({ tells: 'away' }))
    line.addEventListener('fact', ({ data }: MessageEvent<string>) => {
      const change = changeSchema.safeParse(JSON.parse(data))
      if (change.success) sendHere({ tells: 'fact', change: change.data })
    })
    line.addEventListener('error', () => {
      // While it only broke, the browser tries again by itself.
      if (line.readyState !== EventSource.CLOSED) return noteReached(false)
      // It was answered with a no: nobody is signed in any more, or the database is away.
      void mutate('session')
      later = setTimeout(open, AGAIN_MS)
    })
  }
  open()
  return new Promise((resolve) => {
    ended.addEventListener('abort', () => {
      clearTimeout(later)
      line.close()
      resolve()
    })
  })
}
