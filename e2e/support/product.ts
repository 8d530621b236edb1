import { test as base } from '@playwright/test'
import { execFile, spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import { Client } from 'pg'
import { serverProgram } from '../../scripts/lib/server-program.mjs'

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '../..')

export const BUILT = join(ROOT, 'client/dist')

/** The real server on a real, empty database of its own. */
export class Product {
  private server: ChildProcess | undefined

  private constructor(
    private readonly databaseUrl: string,
    private readonly databaseName: string,
    private readonly port: number,
    private readonly demo: boolean,
    private readonly clientFolder: string,
    private readonly agents: string,
  ) {}

  get address(): string {
    return `http://127.0.0.1:${this.port}`
  }

  /**
   * @param clientFolder another page than the one that was built.
   * @param agents of machines that it may ask, as `host:port`.
   */
  static async start(demo: boolean, clientFolder = BUILT, agents = ''): Promise<Product> {
    const url = process.env['DATABASE_URL']
    if (!url) throw new Error('DATABASE_URL is not set: run the browser tests by npm test')
    const name = `pine_e2e_${randomUUID().replace(/-/g, '')}`
    await withAdmin(url, (client) => client.query(`CREATE DATABASE ${name}`))
    const product = new Product(url, name, await freePort(), demo, clientFolder, agents)
    await product.run()
    return product
  }

  /** Starts the server process and waits until it listens. */
  async run(): Promise<void> {
    const server = spawn(process.execPath, [await serverProgram('main')], {
      env: {
        ...process.env,
        DATABASE_URL: Object.assign(new URL(this.databaseUrl), {
          pathname: `/${this.databaseName}`,
        }).href,
        PORT: String(this.port),
        PINE_CLIENT: this.clientFolder,
        PINE_DEMO: this.demo ? '1' : '',
        PINE_AGENTS: this.agents,
      },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    this.server = server
    await new Promise<void>((resolve, reject) => {
      let said = ''
      server.stderr?.on('data', (chunk) => (said += chunk))
      server.stdout?.on('data', (chunk) => String(chunk).includes('listening') && resolve())
      server.on('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)))
    })
  }

  /** Stops the server as a power cut would, as far as the browser can tell. */
  async halt(): Promise<void> {
    const { server } = this
    if (server === undefined || server.exitCode !== null || server.signalCode !== null) return
    const ended = new Promise((resolve) => server.once('exit', resolve))
    server.kill('SIGKILL')
    await ended
  }

  /** A statement by whoever has the keys of the database. */
  async asOwner(statement: string): Promise<void> {
    const url = Object.assign(new URL(this.databaseUrl), { pathname: `/${this.databaseName}` })
    await withAdmin(url.href, (client) => client.query(statement))
  }

  /** Puts an archive in, as `bin/pine restore` does for whoever has the keys of the server; gives what it says. */
  async restore(file: string): Promise<string> {
    const url = Object.assign(new URL(this.databaseUrl), { pathname: `/${this.databaseName}` })
    const { stdout } = await promisify(execFile)(join(ROOT, 'bin/pine'), ['restore', file], {
      env: { ...process.env, DATABASE_URL: url.href },
    })
    return stdout
  }

  async close(): Promise<void> {
    await this.halt()
    await withAdmin(this.databaseUrl, (client) =>
      client.query(`DROP DATABASE ${this.databaseName} WITH (FORCE)`),
    )
  }
}

async function withAdmin(url: string, work: (client: Client) => Promise<unknown>): Promise<void> {
  const client = new Client({ connectionString: url })
  await client.connect()
  try {
    await work(client)
  } finally {
    await client.end()
  }
}

export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address()
      probe.close(() => resolve(typeof address === 'object' && address !== null ? address.port : 0))
    })
  })
}

/** `empty`: a product nobody has used. `demo`: with the invented workshop. */
export const test = base.extend<object, { empty: Product; demo: Product }>({
  empty: [
    async ({}, use) => {
      const product = await Product.start(false)
      await use(product)
      await product.close()
    },
    { scope: 'worker' },
  ],
  demo: [
    async ({}, use) => {
      const product = await Product.start(true)
      await use(product)
      await product.close()
    },
    { scope: 'worker' },
  ],
})

export { expect } from '@playwright/test'
