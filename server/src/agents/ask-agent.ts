import type { MachineReport } from '@pine/contract'
import type { Clock } from '../clock'
import { hostAndPort } from './allowed-agents'
import { readDevice, readReport, type Device } from './read-report'
import { BadDocument, readXml } from './read-xml'

/** Why an agent gave no report. */
export interface AgentFailure {
  readonly failure: 'not-listed' | 'away' | 'unreadable'
  readonly words: string
}

/** Asks agents of machines: those that this server was started with, and no other. */
export interface Agents {
  ask(address: string): Promise<MachineReport | AgentFailure>
}

const PATIENCE_MS = 2_000
const LONGEST = 4 * 1024 * 1024
/** Asked twice so far apart, an axis that moves stands elsewhere. */
const APART_MS = 120

/** @param allowed `host:port` of each that may be asked. */
export function agentsOf(allowed: ReadonlySet<string>, clock: Clock): Agents {
  const devices = new Map<string, { readonly instance: number; readonly device: Device }>()

  async function report(address: string, base: string, device: string | undefined) {
    const document = readXml(await fetched(`${base}/current`))
    const header = document.children.find(({ name }) => name === 'Header')?.attributes
    const instance = Number(header?.['instanceId'])
    const before = devices.get(address)
    // Another instance may be another device: what it tells is looked up anew.
    const known =
      before?.instance === instance
        ? before
        : { instance, device: readDevice(readXml(await fetched(`${base}/probe`)), device) }
    devices.set(address, known)
    return readReport(document, known.device)
  }

  return {
    async ask(address) {
      const host = hostAndPort(address)
      if (host === undefined || !allowed.has(host))
        return {
          failure: 'not-listed',
          words: `This server may not ask ${address.slice(0, 120)}: whoever starts it lists it in PINE_AGENTS.`,
        }
      const { origin, pathname } = new URL(address)
      const device = decodeURIComponent(pathname.slice(1)) || undefined
      try {
        const first = await report(address, origin, device)
        await new Promise((passed) => setTimeout(passed, APART_MS))
        const askedAt = clock().toISOString()
        const second = await report(address, origin, device)
        const isMoving = (['X', 'Y', 'Z'] as const).some(
          (axis) => first.machine[axis] !== second.machine[axis],
        )
        const apartMs = Date.parse(second.at) - Date.parse(askedAt)
        return { ...second, address, askedAt, apartMs, isMoving }
      } catch (cause) {
        if (cause instanceof BadDocument)
          return {
            failure: 'unreadable',
            words: `The machine’s answer cannot be read: ${cause.message}.`,
          }
        return { failure: 'away', words: 'The machine does not answer.' }
      }
    },
  }
}

/** A document; no redirect is followed, and no more of it read than an agent tells. */
async function fetched(url: string): Promise<string> {
  const answer = await fetch(url, { redirect: 'error', signal: AbortSignal.timeout(PATIENCE_MS) })
  if (!answer.ok || answer.body === null) {
    await answer.body?.cancel()
    throw new BadDocument(`it answers ${answer.status}`)
  }
  const parts: Uint8Array[] = []
  let length = 0
  for await (const part of answer.body as unknown as AsyncIterable<Uint8Array>) {
    length += part.length
    if (length > LONGEST) throw new BadDocument('it is longer than any agent’s')
    parts.push(part)
  }
  return Buffer.concat(parts).toString('utf8')
}
