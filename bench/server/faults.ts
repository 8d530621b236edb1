import { execFileSync } from 'node:child_process'
import { chmodSync, mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { setTimeout as pause } from 'node:timers/promises'
import { startDatabase, type Database } from '../../scripts/lib/database.mjs'
import { freePort } from '../../scripts/lib/ports.mjs'
import { startServer, type Running } from '../../scripts/lib/serve.mjs'
import { Devices } from '../support/devices'
import { benchShop, line, quantile } from '../support/shop'

// Four devices (one of them with two tabs, one with its clock a day back) enter read-backs, each keeping them until they are
// acknowledged, while server and database are killed in random turn, and the disk fills once. What was acknowledged must be
// there, once, under the name of whoever entered it, in the order of its device.
// Run: npx tsx bench/server/faults.ts        (KILLS=50; as root the database lies on a small disk of its own, which is filled)

const KILLS = Number(process.env['KILLS'] ?? 50)
const DISK_MB = 700
const AGAIN_MS = 200

const isRoot = process.getuid?.() === 0
const folder = mkdtempSync(join(isRoot ? '/var/tmp' : '/tmp', 'pine-faults-'))
chmodSync(folder, 0o711)
const disk = join(folder, 'disk')
mkdirSync(disk, { mode: 0o711 })
const ownDisk = isRoot && mounted()
function mounted(): boolean {
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK_MB}m,mode=711`, 'tmpfs', disk])
    return true
  } catch {
    return false
  }
}

const place = join(disk, 'db')
const databasePort = await freePort()
let database: Database = await startDatabase(place, { port: databasePort })
const url = database.url('postgres')
const shop = await benchShop(url)
const serverPort = await freePort()
const serve = () => startServer({ databaseUrl: url, port: serverPort, demo: false })
let server: Running = await serve()
let isOver = false

/** Starts again what ended, as the start command and a database's own supervisor do. */
async function keepAlive(): Promise<void> {
  for (;;) {
    await Promise.race([server.ended, database.ended])
    if (isOver) return
    if (await isEnded(database.ended))
      database = await until(() => startDatabase(place, { port: databasePort }))
    if (await isEnded(server.ended)) server = await until(serve)
  }
}
const isEnded = (ended: Promise<unknown>): Promise<boolean> =>
  Promise.race([ended.then(() => true), pause(20).then(() => false)])
async function until<T>(begin: () => Promise<T>): Promise<T> {
  for (;;)
    try {
      return await begin()
    } catch (cause) {
      if (process.env['TELL']) process.stderr.write(`${String(cause)}\n`)
      await pause(AGAIN_MS)
    }
}
void keepAlive()

const devices = await Devices.begin(shop, () => [`http://127.0.0.1:${serverPort}`])
await shop.close()

const times: Record<'server' | 'database', number[]> = { server: [], database: [] }
let filledFor = NaN
for (let kill = 0; kill < KILLS; kill += 1) {
  await pause(200 + Math.random() * 800)
  if (kill === Math.floor(KILLS / 2) && ownDisk) {
    const { bavail, bsize } = statfsSync(disk)
    const ballast = join(disk, 'ballast')
    writeFileSync(ballast, Buffer.alloc(bavail * bsize - 64 * 1024))
    await pause(6000)
    rmSync(ballast)
    filledFor = await devices.back(performance.now())
  }
  const which = Math.random() < 0.5 ? 'server' : 'database'
  const started = performance.now()
  const killed = { server, database }[which]
  process.kill(killed.pid, 'SIGKILL')
  // What was on its way may still be answered: it is back when somebody is answered by what was started anew.
  while ({ server, database }[which] === killed) await pause(10)
  times[which].push(await devices.back(started))
  process.stderr.write(`${kill + 1} ${which} ${times[which].at(-1)?.toFixed(0)} ms\n`)
}
await devices.end()
isOver = true
await server.stop()

line('what', 'result')
line('---', '---')
const isHeld = await devices.tell(url)
await database.stop()
if (ownDisk) execFileSync('umount', ['-l', disk])
rmSync(folder, { recursive: true, force: true })

for (const which of ['server', 'database'] as const)
  line(
    `${times[which].length} kills of the ${which}: back after ms, median, slowest`,
    `${quantile(times[which], 0.5).toFixed(0)}, ${Math.max(...times[which]).toFixed(0)}`,
  )
line(
  'after a full disk was emptied: back after ms',
  ownDisk ? filledFor.toFixed(0) : 'not tried: no disk of its own',
)
process.exitCode = isHeld ? 0 : 1
process.exit()
