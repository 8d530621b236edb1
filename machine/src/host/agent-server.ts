import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import {
  currentXml,
  errorXml,
  observe,
  ObservationBuffer,
  probeXml,
  sampleXml,
  type AGENT_ERRORS,
  type Sender,
} from '../agent'
import type { StandIn } from '../stand-in'
import { hand } from './hand'

const BUFFER_SIZE = 4096
/** So often it looks what has changed, and lets time pass. */
const TICK_MS = 50
const DEFAULT_COUNT = 100
const HEARTBEAT_MS = 10_000
/** Somebody who asks for a stream and does not read it is let go. */
const MOST_UNREAD = 1_000_000

export interface ServedAgent {
  readonly port: number
  readonly machine: StandIn
  close(): Promise<void>
}

export interface AgentOptions {
  readonly port: number
  readonly uuid: string
  /** Another one after each start. */
  readonly instance: number
  readonly now: () => Date
}

/** Serves a machine as an agent on this computer alone, and lets its time pass. */
export async function serveAgent(
  machine: StandIn,
  { port, uuid, instance, now }: AgentOptions,
): Promise<ServedAgent> {
  const buffer = new ObservationBuffer(BUFFER_SIZE)
  const sender = (): Sender => ({
    ...{ device: machine.made.name, uuid, instance, at: now().toISOString() },
  })
  const look = () => void buffer.put(observe(machine.shown), now().toISOString())
  look()
  let before = now().getTime()
  const ticking = setInterval(() => {
    const at = now().getTime()
    machine.advance(at - before)
    before = at
    look()
  }, TICK_MS)

  const xml = (response: ServerResponse, text: string, status = 200) =>
    response.writeHead(status, { 'Content-Type': 'text/xml; charset=utf-8' }).end(text)
  const refuse = (
    response: ServerResponse,
    status: number,
    code: (typeof AGENT_ERRORS)[number],
    words: string,
  ) => xml(response, errorXml(sender(), buffer, code, words), status)

  /** One part after the other, so long as somebody reads. */
  const stream = (response: ServerResponse, from: number, count: number, interval: number) => {
    const boundary = 'next-part'
    response.writeHead(200, {
      'Content-Type': `multipart/x-mixed-replace;boundary=${boundary}`,
      'Cache-Control': 'no-store',
    })
    let next = from
    let told = 0
    const part = () => {
      if (response.writableLength > MOST_UNREAD) return void response.destroy()
      const isNews = buffer.lastSequence >= next
      const at = now().getTime()
      if (!isNews && at - told < HEARTBEAT_MS) return undefined
      if (next < buffer.firstSequence) return void response.destroy()
      const text = sampleXml(sender(), buffer, next, count)
      next = Math.min(next + count, buffer.nextSequence)
      told = at
      response.write(
        `--${boundary}\r\nContent-type: text/xml\r\nContent-length: ${Buffer.byteLength(text)}\r\n\r\n${text}\r\n`,
      )
    }
    part()
    const beat = setInterval(part, Math.max(interval, TICK_MS))
    response.on('close', () => clearInterval(beat))
  }

  const sample = (response: ServerResponse, query: URLSearchParams) => {
    const from = numberOf(query, 'from', buffer.firstSequence)
    const count = numberOf(query, 'count', DEFAULT_COUNT)
    const interval = query.has('interval') ? numberOf(query, 'interval', 0) : undefined
    if (
      from === undefined ||
      count === undefined ||
      (query.has('interval') && interval === undefined)
    )
      return refuse(response, 400, 'INVALID_REQUEST', 'from, count and interval are whole numbers.')
    if (count < 1 || count > BUFFER_SIZE)
      return refuse(response, 404, 'OUT_OF_RANGE', `count is from 1 to ${BUFFER_SIZE}.`)
    if (from < buffer.firstSequence || from > buffer.nextSequence)
      return refuse(
        response,
        404,
        'OUT_OF_RANGE',
        `from is from ${buffer.firstSequence} to ${buffer.nextSequence}.`,
      )
    if (interval !== undefined) return stream(response, from, count, interval)
    return xml(response, sampleXml(sender(), buffer, from, count))
  }

  const answer = async (request: IncomingMessage, response: ServerResponse) => {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://localhost')
    if (request.method === 'POST' && pathname === '/hand') {
      const done = await hand(machine, request)
      look()
      return response
        .writeHead('wrong' in done ? 400 : 200, { 'Content-Type': 'application/json' })
        .end(JSON.stringify(done))
    }
    if (request.method !== 'GET')
      return refuse(response, 405, 'UNSUPPORTED', 'An agent is only asked: GET.')
    if (searchParams.has('path'))
      return refuse(response, 501, 'UNSUPPORTED', 'This agent tells all of it or nothing.')
    look()
    const [first = '', second] = pathname.split('/').filter((part) => part !== '')
    const what = second ?? (['probe', 'current', 'sample'].includes(first) ? first : 'probe')
    const device = second !== undefined || what !== first ? first : ''
    if (device !== '' && device !== encodeURIComponent(machine.made.name) && device !== uuid)
      return refuse(response, 404, 'NO_DEVICE', `There is no device ${device.slice(0, 80)}.`)
    if (what === 'probe') return xml(response, probeXml(sender(), buffer))
    if (what === 'current') return xml(response, currentXml(sender(), buffer))
    if (what === 'sample') return sample(response, searchParams)
    return refuse(response, 501, 'UNSUPPORTED', `${what.slice(0, 80)} is not answered.`)
  }

  const server = createServer((request, response) => {
    answer(request, response).catch((cause: unknown) =>
      refuse(response, 500, 'INTERNAL_ERROR', String(cause)),
    )
  })
  await new Promise<void>((listening, failed) => {
    server.once('error', failed)
    server.listen(port, '127.0.0.1', listening)
  })
  return {
    port: (server.address() as AddressInfo).port,
    machine,
    async close() {
      clearInterval(ticking)
      server.closeAllConnections()
      await new Promise((closed) => server.close(closed))
    },
  }
}

/** A whole number of a query; undefined for what is none. */
function numberOf(query: URLSearchParams, name: string, usual: number): number | undefined {
  const text = query.get(name)
  if (text === null) return usual
  return /^\d{1,15}$/.test(text) ? Number(text) : undefined
}
