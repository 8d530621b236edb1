import { readAgents } from './agents/allowed-agents'

/** What the process is told from outside; everything else is in the code. */
export interface Config {
  readonly databaseUrl: string
  /** As whom the tables are brought up to date; whoever the server works as, where it is not said. */
  readonly ownerUrl: string
  readonly host: string
  /** Whether more than this machine reaches it: it listens elsewhere than on loopback, or a proxy stands before it. */
  readonly onNetwork: boolean
  /** Names and addresses by which the server is asked, beside those of this machine. */
  readonly hosts: readonly string[]
  /** Files of a certificate and its key: then it is asked by https. */
  readonly tls: { readonly cert: string; readonly key: string } | undefined
  /** A proxy stands before it that says for whom it asks, and that ends the TLS. */
  readonly proxied: boolean
  /** Where failures that nobody expected are written; standard output where it is not said. */
  readonly logFolder: string | undefined
  readonly port: number
  /** Agents of machines that may be asked, as `host:port`. */
  readonly agents: ReadonlySet<string>
  readonly clientFolder: string
  /** Fill an empty database with the demo workshop. */
  readonly demo: boolean
  /** Write anew, before anybody is served, all that is worked out of facts. */
  readonly rebuild: boolean
}

const LOOPBACK = /^(127(\.\d+){3}|::1|localhost)$/

/** Reads the environment; throws one clear line for what is missing or wrong. */
export function readConfig(environment: Readonly<Record<string, string | undefined>>): Config {
  const databaseUrl = environment['DATABASE_URL']
  if (!databaseUrl)
    throw new Error(
      'DATABASE_URL is not set: expected postgres://user@host:port/name. npm start sets it by itself.',
    )
  const port = Number(environment['PORT'] ?? '4310')
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`PORT is “${environment['PORT']}”: expected a whole number from 0 to 65535.`)
  const clientFolder = environment['PINE_CLIENT']
  if (!clientFolder)
    throw new Error(
      'PINE_CLIENT is not set: expected the folder of the exported client, client/dist.',
    )
  const [cert, key] = [environment['PINE_CERT'], environment['PINE_KEY']]
  if (!cert !== !key)
    throw new Error(
      `${cert ? 'PINE_KEY' : 'PINE_CERT'} is not set: expected both, the certificate and its key, as “npm run certificate” makes them.`,
    )
  const host = environment['PINE_HOST'] || '127.0.0.1'
  return {
    databaseUrl,
    ownerUrl: environment['PINE_OWNER_URL'] || databaseUrl,
    port,
    agents: readAgents(environment['PINE_AGENTS'] ?? ''),
    clientFolder,
    host,
    onNetwork: environment['PINE_PROXY'] === '1' || !LOOPBACK.test(host),
    hosts: (environment['PINE_HOSTS'] ?? '').split(',').flatMap((name) => name.trim() || []),
    tls: cert && key ? { cert, key } : undefined,
    proxied: environment['PINE_PROXY'] === '1',
    logFolder: environment['PINE_LOGS'] || undefined,
    demo: environment['PINE_DEMO'] === '1',
    rebuild: environment['PINE_REBUILD'] === '1',
  }
}
