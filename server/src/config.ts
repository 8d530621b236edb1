/** What the process is told from outside; everything else is in the code. */
export interface Config {
  readonly databaseUrl: string
  readonly host: string
  readonly port: number
  readonly clientFolder: string
  /** Fill an empty database with the demo workshop. */
  readonly demo: boolean
}

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
  return {
    databaseUrl,
    port,
    clientFolder,
    host: environment['PINE_HOST'] ?? '127.0.0.1',
    demo: environment['PINE_DEMO'] === '1',
  }
}
