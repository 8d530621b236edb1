import { cpSync, mkdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chromium, type Browser } from '@playwright/test'
import { buildClient, compressClient, compressPage, exportPage } from '../scripts/build-client.mjs'
import { CHROMIUM_FLAGS } from '../scripts/lib/chromium.mjs'
import { chromiumPath } from '../scripts/lib/packages.mjs'
import { freePort } from '../scripts/lib/ports.mjs'
import { startServer } from '../scripts/lib/serve.mjs'
import { line, quantile } from './support/shop'

// How long a phone looks at nothing: bytes and seconds to the first screen on a first and a second visit, at a fourth of this
// machine's speed and 10 Mbit/s with 40 ms there and back; beside it an empty page of the same stack (the frame that every
// screen stands in, and one word) in the same run.
// Run: node scripts/with-database.mjs npx tsx bench/first-visit.ts

const TIMES = Number(process.env['TIMES'] ?? 7)
const SLOWER = 4
const BYTES_A_SECOND = 10_000_000 / 8
const LATENCY_MS = 40

const ROOT = fileURLToPath(new URL('..', import.meta.url))
const EMPTY = join(ROOT, '.pine/empty-page')

/** A project beside the client that is made of the same parts and shows one word. */
async function emptyPage(): Promise<void> {
  rmSync(EMPTY, { recursive: true, force: true })
  mkdirSync(join(EMPTY, 'src/app'), { recursive: true })
  for (const name of ['app.json', 'babel.config.cjs', 'metro.config.cjs', 'package.json'])
    cpSync(join(ROOT, 'client', name), join(EMPTY, name))
  // It knows core and contract by where it lies: a link stays there.
  symlinkSync(join(ROOT, 'client/direct-imports.cjs'), join(EMPTY, 'direct-imports.cjs'))
  cpSync(join(ROOT, 'client/public'), join(EMPTY, 'public'), { recursive: true })
  for (const name of ['global.css', 'tamagui.config.ts', 'roles.ts'])
    cpSync(join(ROOT, 'client/src/theme', name), join(EMPTY, 'src/theme', name))
  writeFileSync(
    join(EMPTY, 'tsconfig.json'),
    JSON.stringify({ compilerOptions: { paths: { '@/*': ['./src/*'] } } }),
  )
  // A page of the client's own stack: its packages are the client's, not this bench's.
  cpSync(join(ROOT, 'bench/support/empty-page.txt'), join(EMPTY, 'src/app/index.tsx'))
  await exportPage(EMPTY)
}

/** Of Brotli: as small as npm start makes the client. */
const SMALLEST = 11

interface Visit {
  readonly bytes: number
  readonly seconds: number
}

/** A first and a second visit by a device that was never there: until a heading stands on the screen. */
async function visits(browser: Browser, address: string): Promise<readonly [Visit, Visit]> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } })
  const visit = async (): Promise<Visit> => {
    const page = await context.newPage()
    const session = await context.newCDPSession(page)
    await session.send('Network.enable')
    await session.send('Network.emulateNetworkConditions', {
      offline: false,
      latency: LATENCY_MS,
      downloadThroughput: BYTES_A_SECOND,
      uploadThroughput: BYTES_A_SECOND,
    })
    await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
    let bytes = 0
    session.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength))
    const begun = performance.now()
    await page.goto(address, { waitUntil: 'commit' })
    await page.getByRole('heading').first().waitFor()
    const seconds = (performance.now() - begun) / 1000
    const told = { bytes, seconds }
    // What a service worker keeps for the next visit comes after the first screen.
    await page
      .waitForFunction(() => navigator.serviceWorker.controller !== null, undefined, {
        timeout: 5_000,
      })
      .catch(() => undefined)
    await page.waitForTimeout(1_000)
    await page.close()
    return told
  }
  const both = [await visit(), await visit()] as const
  await context.close()
  return both
}

await buildClient()
compressClient()
await emptyPage()
compressPage(join(EMPTY, 'dist'), SMALLEST)
const databaseUrl = process.env['DATABASE_URL'] ?? ''
const start = async (clientFolder: string) =>
  startServer({ databaseUrl, port: await freePort(), demo: true, clientFolder })
const servers = {
  ours: await start(join(ROOT, 'client/dist')),
  empty: await start(join(EMPTY, 'dist')),
}
const browser = await chromium.launch({
  executablePath: process.env['PINE_CHROMIUM'] ?? chromiumPath(),
  args: CHROMIUM_FLAGS,
})
const taken: Record<'ours' | 'empty', (readonly [Visit, Visit])[]> = { ours: [], empty: [] }
for (let time = 0; time < TIMES; time += 1)
  for (const which of ['ours', 'empty'] as const)
    taken[which].push(await visits(browser, servers[which].address))
await browser.close()
await Promise.all(Object.values(servers).map((server) => server.stop()))

line('visit', 'ours: KB, s', 'an empty page: KB, s')
line('---', '---', '---')
for (const [number, name] of ['first', 'second'].entries()) {
  const told = (which: 'ours' | 'empty') => {
    const each = taken[which].map((both) => both[number]!)
    const kilobytes = quantile(
      each.map(({ bytes }) => bytes / 1000),
      0.5,
    )
    const seconds = each.map((one) => one.seconds)
    return `${kilobytes.toFixed(0)}, ${quantile(seconds, 0.5).toFixed(2)} (${Math.max(...seconds).toFixed(2)} at most)`
  }
  line(name, told('ours'), told('empty'))
}
process.exit()
