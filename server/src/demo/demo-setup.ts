import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { Member, NewFact } from '@pine/contract'
import { type Address } from '@pine/core/address'
import { foldSetup } from '@pine/core/facts'
import { type LengthUnit } from '@pine/core/length'
import { readProgram } from '@pine/core/program'
import { type SetupSheet } from '@pine/core/sheet'
import { solve } from '@pine/core/solve'
import { v7 as uuid } from 'uuid'
import type { Clock } from '../clock'
import type { Outcome } from '../refusal'
import type { Store } from '../store/store'
import { keepProgramText } from '../use-cases/setups/programs'
import { setupsOf, type Setups } from '../use-cases/setups/setups'

type NewReading = Extract<NewFact, { kind: 'reading' }>['body']

/** Each kind of reading without what was read. */
type WithoutNumber<Body> = Body extends unknown ? Omit<Body, 'read'> : never

const MINUTE = 60_000

/** A set-up told as a person would make it: one fact after another, two minutes apart. */
export class DemoSetup {
  readonly id = uuid()
  private readonly setups: Setups

  constructor(
    private readonly store: Store,
    private readonly person: Member,
    private time: number,
  ) {
    this.setups = setupsOf(store, this.tick)
  }

  async begin(sheet: SetupSheet): Promise<void> {
    const request = { id: this.id, sheetFactId: uuid(), sheet: structuredClone(sheet) }
    must(await this.setups.create(this.person, request))
  }

  read(text: string, unit: LengthUnit, reading: WithoutNumber<NewReading>): Promise<void> {
    return this.add({
      id: uuid(),
      kind: 'reading',
      body: { ...reading, read: { text, unit } } as NewReading,
    })
  }

  /** Keys a register in as the sheet says, and reads back what the control shows. */
  async keyIn(address: Address, shown?: string): Promise<void> {
    const { file } = must(await this.setups.open(this.id))
    const line = solve(foldSetup(file)).registers.find(
      (register) => register.address === address,
    )?.keyIn
    if (line === undefined) throw new Error(`demo: ${address} cannot be keyed yet`)
    const { unit } = line
    if (line.mode === 'add')
      await this.add({
        id: uuid(),
        kind: 'read-back',
        body: { address, moment: 'before', shown: { text: '0.0000', unit } },
      })
    await this.add({
      id: uuid(),
      kind: 'key-in',
      body: { address, mode: line.mode, typed: { text: line.type ?? line.after, unit } },
    })
    await this.add({
      id: uuid(),
      kind: 'read-back',
      body: { address, moment: 'after', shown: { text: shown ?? line.after, unit } },
    })
  }

  /** Home, clean seats, true gauges. */
  async ready(): Promise<void> {
    for (const of of ['home', 'clean', 'gauges'] as const) await this.see({ of })
  }

  see(body: Extract<NewFact, { kind: 'check-off' }>['body']): Promise<void> {
    return this.add({ id: uuid(), kind: 'check-off', body })
  }

  prove(body: Extract<NewFact, { kind: 'proof' }>['body']): Promise<void> {
    return this.add({ id: uuid(), kind: 'proof', body })
  }

  /** T1 over G54 on a block of 25, the program looked over, its path seen in graphics. */
  async provenAndSeen(): Promise<void> {
    await this.prove({
      ...{ row: 'G54', tool: 1, overZero: true },
      clearance: { text: '25.000', unit: 'mm' },
      gap: { text: '25.00', unit: 'mm' },
    })
    await this.see({ of: 'program' })
    await this.see({ of: 'air-cut', how: 'graphics' })
  }

  /** Out of the list of what is worked on: a lead does that. */
  async putAway(lead: Member): Promise<void> {
    const fact: NewFact = { id: uuid(), kind: 'put-away', body: { moves: 'away' } }
    must(await this.setups.add(lead, this.id, fact))
  }

  record(): Promise<void> {
    return this.add({ id: uuid(), kind: 'record', body: {} })
  }

  /** Reads one of the programs beside this file, as a person picks it. */
  async program(name: string): Promise<void> {
    const file = readFileSync(new URL(`./programs/${name}`, import.meta.url))
    const sha256 = createHash('sha256').update(file).digest('hex')
    const reading = readProgram(file.toString('utf8'))
    must(await keepProgramText(this.store, this.tick, this.person, sha256, file))
    await this.add({
      id: uuid(),
      kind: 'program',
      body: { name, bytes: file.length, sha256, reading },
    })
  }

  private async add(fact: NewFact): Promise<void> {
    must(await this.setups.add(this.person, this.id, fact))
  }

  private readonly tick: Clock = () => new Date((this.time += 2 * MINUTE))
}

/** What was refused breaks the demonstration: it shows nothing that the product would not take. */
export function must<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value
  throw new Error(`demo data was refused: ${JSON.stringify(outcome.refusal.problems)}`)
}
