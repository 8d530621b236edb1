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
import { admit } from '../use-cases/people'
import { keepProgramText } from '../use-cases/programs'
import { setupsOf, type Setups } from '../use-cases/setups'
import { addGauge, addMachine } from '../use-cases/shop'
import {
  ADAPTER,
  BRACKET_PLATE,
  CLAMP_RING,
  DEMO_PEOPLE,
  DEMO_PIN,
  FLANGE,
  FOCUSER_BODY,
  GAUGES,
  MACHINES,
  MIRROR_CELL,
  mm,
} from './workshop'

type NewReading = Extract<NewFact, { kind: 'reading' }>['body']

/** Each kind of reading without what was read. */
type WithoutNumber<Body> = Body extends unknown ? Omit<Body, 'read'> : never

const HOUR = 3_600_000
const MINUTE = 60_000

/**
 * Fills an empty database with the invented workshop: set-ups in every state, made through the
 * same use cases as a person's, so that the demonstration cannot show what the product does not do.
 */
export async function loadDemo(store: Store, clock: Clock): Promise<void> {
  if ((await store.people()).length > 0) return
  const started = clock().getTime()
  const people: Member[] = []
  for (const person of DEMO_PEOPLE)
    people.push(must(await admit(store, clock, { id: uuid(), ...person, pin: DEMO_PIN })))
  const [mira, jory, ansel] = people as [Member, Member, Member]
  for (const machine of Object.values(MACHINES))
    must(await addMachine(store, clock, mira, { id: uuid(), machine }))
  for (const gauge of Object.values(GAUGES))
    must(await addGauge(store, clock, mira, { id: gauge.id, gauge }))

  await recordedPlate(new DemoSetup(store, ansel, started - 52 * HOUR))
  await plateAtItsSecondTool(new DemoSetup(store, ansel, started - 4 * HOUR))
  await ringWithTurnedSign(new DemoSetup(store, jory, started - 26 * HOUR))
  await freshFlange(new DemoSetup(store, mira, started - 3 * HOUR))
  await adapterAtProof(new DemoSetup(store, jory, started - 2 * HOUR))
  await focuserAtLengths(new DemoSetup(store, mira, started - 1 * HOUR))
}

/** A set-up told as a person would make it: one fact after another, two minutes apart. */
class DemoSetup {
  private readonly id = uuid()
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

async function recordedPlate(setup: DemoSetup): Promise<void> {
  await setup.begin(MIRROR_CELL)
  await setup.program('mirror-cell-plate.ngc')
  await setup.ready()
  await setup.see({ of: 'holding' })
  await setup.read('-61.420', 'mm', { of: 'nose-on-plane', with: [GAUGES.block.id] })
  await setup.read('-18.205', 'mm', { of: 'tip-on-plane', tool: 1, with: [GAUGES.block.id] })
  await setup.read('37.150', 'mm', { of: 'face', row: 'G54', face: 'left', with: [GAUGES.pin.id] })
  await setup.read('22.480', 'mm', { of: 'face', row: 'G54', face: 'front', with: [GAUGES.pin.id] })
  await setup.read('-68.270', 'mm', {
    of: 'nose-on-part',
    row: 'G54',
    with: [GAUGES.paper.id],
    spindle: { holds: null, controlSays: null },
  })
  for (const address of ['H1', 'G54.X', 'G54.Y', 'G54.Z'] as const) await setup.keyIn(address)
  await setup.prove({
    row: 'G54',
    tool: 1,
    clearance: mm('25.000'),
    gap: mm('25.00'),
    overZero: true,
  })
  await setup.see({ of: 'program' })
  await setup.see({ of: 'air-cut', how: 'graphics' })
  await setup.see({
    of: 'first-part',
    measured: [{ feature: 'floor-depth', tool: 1, nominal: mm('6.00'), measured: mm('6.02') }],
  })
  await setup.record()
}

/** A router that keeps no lengths: its first tool has cut, the second is in the spindle. */
async function plateAtItsSecondTool(setup: DemoSetup): Promise<void> {
  await setup.begin(BRACKET_PLATE)
  await setup.program('bracket-plate.ngc')
  await setup.ready()
  await setup.see({ of: 'holding' })
  const pin = [GAUGES.pin.id]
  await setup.read('-252.480', 'mm', { of: 'face', row: 'G54', face: 'left', with: pin })
  await setup.keyIn('G54.X')
  await setup.read('-171.205', 'mm', { of: 'face', row: 'G54', face: 'front', with: pin })
  await setup.keyIn('G54.Y')
  await setup.read('-31.460', 'mm', {
    of: 'tip-on-part',
    row: 'G54',
    tool: 1,
    with: [GAUGES.plate.id],
  })
  await setup.keyIn('G54.Z.T1')
  await setup.prove({
    row: 'G54',
    tool: 1,
    clearance: mm('25.000'),
    gap: mm('25.00'),
    overZero: true,
  })
  await setup.see({ of: 'program' })
  await setup.see({ of: 'air-cut', how: 'graphics' })
  await setup.see({ of: 'cut', tool: 1 })
}

async function ringWithTurnedSign(setup: DemoSetup): Promise<void> {
  await setup.begin(CLAMP_RING)
  await setup.program('clamp-ring.ngc')
  await setup.ready()
  await setup.see({ of: 'holding' })
  await setup.read('-8.1240', 'in', { of: 'tip-on-plane', tool: 1, with: [GAUGES.setterInch.id] })
  await setup.read('-7.3065', 'in', { of: 'tip-on-plane', tool: 2, with: [GAUGES.setterInch.id] })
  await setup.read('-3.4250', 'in', {
    of: 'face',
    row: 'G54',
    face: 'left',
    with: [GAUGES.finderInch.id],
  })
  await setup.read('-3.4255', 'in', {
    of: 'face',
    row: 'G54',
    face: 'left',
    with: [GAUGES.finderInch.id],
  })
  await setup.read('-6.1085', 'in', {
    of: 'face',
    row: 'G54',
    face: 'front',
    with: [GAUGES.finderInch.id],
  })
  await setup.read('1.4980', 'in', {
    of: 'carried-difference',
    row: 'G54',
    zeroedOn: 'plane',
    withOnPlane: [],
    with: [],
  })
  await setup.keyIn('H1')
  await setup.keyIn('H2')
  await setup.keyIn('G54.X')
  await setup.keyIn('G54.Y', '6.0085')
}

async function freshFlange(setup: DemoSetup): Promise<void> {
  await setup.begin(FLANGE)
  await setup.program('drawtube-flange-a.ngc')
}

async function adapterAtProof(setup: DemoSetup): Promise<void> {
  await setup.begin(ADAPTER)
  await setup.program('eyepiece-adapter.ngc')
  await setup.ready()
  await setup.read('-300.000', 'mm', { of: 'nose-on-plane', with: [GAUGES.setter.id] })
  await setup.read('-211.048', 'mm', { of: 'tip-on-plane', tool: 3, with: [GAUGES.setter.id] })
  await setup.see({ of: 'holding' })
  for (const [point, x, y] of [
    [1, '-285.002', '-200.010'],
    [2, '-300.004', '-185.008'],
    [3, '-315.001', '-200.012'],
    [4, '-300.002', '-215.011'],
  ] as const)
    await setup.read(x, 'mm', {
      of: 'circle-point',
      row: 'G54',
      point,
      readY: mm(y),
      with: [GAUGES.finder.id],
    })
  await setup.read('-379.910', 'mm', {
    of: 'nose-on-part',
    row: 'G54',
    with: [GAUGES.paper.id],
    spindle: { holds: null, controlSays: null },
  })
  for (const address of ['H3', 'G54.X', 'G54.Y', 'G54.Z'] as const) await setup.keyIn(address)
}

async function focuserAtLengths(setup: DemoSetup): Promise<void> {
  await setup.begin(FOCUSER_BODY)
  await setup.program('focuser-body.ngc')
  await setup.ready()
  await setup.read('-300.000', 'mm', { of: 'nose-on-plane', with: [GAUGES.setter.id] })
  await setup.read('-187.594', 'mm', { of: 'tip-on-plane', tool: 1, with: [GAUGES.setter.id] })
  await setup.read('-203.882', 'mm', { of: 'tip-on-plane', tool: 2, with: [GAUGES.setter.id] })
  await setup.read('-211.048', 'mm', { of: 'tip-on-plane', tool: 3, with: [GAUGES.setter.id] })
}

function must<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value
  throw new Error(`demo data was refused: ${JSON.stringify(outcome.refusal.problems)}`)
}
