import { startMachine } from '../../scripts/lib/machine.mjs'
import { freePort } from './product'

/** The simulated machine as a process of its own, and a hand at it. Millimetres. */
export class Simulated {
  private running: Awaited<ReturnType<typeof startMachine>> | undefined

  private constructor(private readonly port: number) {}

  static async start(): Promise<Simulated> {
    const machine = new Simulated(await freePort())
    await machine.on()
    return machine
  }

  get host(): string {
    return `127.0.0.1:${this.port}`
  }

  /** Starts it, anew where it was cut off: it is another instance then. */
  async on(): Promise<void> {
    this.running = await startMachine(this.port)
  }

  async cut(): Promise<void> {
    await this.running?.stop()
    this.running = undefined
  }

  /** Does something at it, as a person would. */
  async hand(does: string, said: object = {}): Promise<void> {
    const answer = await fetch(`http://${this.host}/hand`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ do: does, ...said }),
    })
    if (!answer.ok) throw new Error(await answer.text())
  }
}
