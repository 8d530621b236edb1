import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { STANDBY, startDatabase } from './database.mjs'
import { freePort } from './ports.mjs'
import { Trouble } from './say.mjs'

const LONGEST_MS = 30_000

/** A primary database and its synchronous standby, both on loopback: what a shop that loses nothing runs on two machines. */
export class Pair {
  #number = 0
  #folder
  #ports

  /** @returns {Promise<Pair>} empty, in step */
  static async start(folder) {
    const pair = new Pair()
    pair.#folder = folder
    pair.#ports = [await freePort(), await freePort()]
    pair.primary = await startDatabase(pair.#place(), { port: pair.#ports[0] })
    await pair.addStandby()
    return pair
  }

  #place() {
    this.#number += 1
    return join(this.#folder, `cluster-${this.#number}`)
  }

  /** Both hosts, as DATABASE_URL names them. */
  get url() {
    const hosts = this.#ports.map((port) => `127.0.0.1:${port}`).join(',')
    return `postgres://pine:${this.primary.password}@${hosts}/postgres`
  }

  /** Whether the primary waits for its standby before it acknowledges. */
  async standFirm(firm) {
    const name = firm ? STANDBY : ''
    await this.primary.sql(
      `ALTER SYSTEM SET synchronous_standby_names = '${name}'; SELECT pg_reload_conf();`,
    )
    await until(
      'the primary does not wait as it was told',
      async () =>
        (await this.primary.sql('SELECT sync_state FROM pg_stat_replication')).trim() ===
        (firm ? 'sync' : 'async'),
    )
  }

  /** A new standby at the port where none listens; the primary acknowledges from then on only what both have written down. */
  async addStandby() {
    const primary = this.primary
    const port = this.#ports.find((one) => one !== primary.port)
    this.standby = await startDatabase(this.#place(), { port, standbyOf: primary })
    await this.standFirm(true)
  }

  /** A primary that was killed is started again by somebody who does not know better: it believes that it still writes. */
  comeBack(lost) {
    return startDatabase(lost.folder, { port: lost.port })
  }

  /** Kills the primary without a chance to clean up, and makes the standby the primary, which waits for none. */
  async failOver() {
    const lost = this.primary
    process.kill(lost.pid, 'SIGKILL')
    await lost.ended
    await this.standby.sql('SELECT pg_promote();')
    await this.standby.sql('ALTER SYSTEM RESET synchronous_standby_names; SELECT pg_reload_conf();')
    this.primary = this.standby
    this.standby = undefined
    return lost
  }

  async stop() {
    await this.standby?.stop()
    await this.primary.stop()
  }
}

async function until(trouble, isSo) {
  const deadline = Date.now() + LONGEST_MS
  while (!(await isSo())) {
    if (Date.now() > deadline) throw new Trouble(trouble)
    await pause(50)
  }
}
