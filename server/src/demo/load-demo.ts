import { isSecret } from '../use-cases/people/secrets'
import type { Member } from '@pine/contract'
import type { SetupSheet } from '@pine/core/sheet'
import { v7 as uuid } from 'uuid'
import type { Clock } from '../clock'
import type { Store } from '../store/store'
import { admit } from '../use-cases/people/people'
import { streamsOf } from '../use-cases/facts/stream-facts'
import { setupsOf } from '../use-cases/setups/setups'
import { DemoSetup, must } from './demo-setup'
import { PLATES, recordedPlate } from './repeated-plate'
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
  mm,
  SPIDER_HUB,
} from './workshop'

const HOUR = 3_600_000

/**
 * Fills an empty database, unless it is somebody's own, with the invented workshop: set-ups in every state, made through the
 * same use cases as a person's, so that the demonstration cannot show what the product does not do.
 *
 * @param asked it is asked for by name, also where the product was somebody's own before.
 */
export async function loadDemo(
  store: Store,
  clock: Clock,
  { asked }: { readonly asked: boolean },
): Promise<void> {
  if ((await store.members()).length > 0) return
  if ((await store.isDemo()) === false && !asked) return
  await store.declareDemo(true)
  const started = clock().getTime()
  const people: Member[] = []
  for (const person of DEMO_PEOPLE)
    people.push(must(await admit(store, clock, { id: uuid(), ...person, pin: DEMO_PIN })))
  const [mira, jory, ansel] = people as [Member, Member, Member]
  const streams = streamsAt(store, clock)
  const machineIds = new Map<string, string>()
  for (const machine of Object.values(MACHINES)) {
    const id = uuid()
    const declared = { id: uuid(), kind: 'machine', body: machine } as const
    must(await streams.append(mira, { kind: 'machine', id }, declared))
    machineIds.set(machine.name, id)
  }
  /** A sheet on the shop's own machine. */
  const on = (sheet: SetupSheet): SetupSheet => {
    const machineId = machineIds.get(sheet.machine.name)
    return { ...sheet, ...(machineId !== undefined && { machineId }) }
  }
  for (const gauge of Object.values(GAUGES))
    must(
      await streams.append(
        mira,
        { kind: 'gauge', id: gauge.id },
        { id: uuid(), kind: 'gauge', body: { ...gauge, ...watchOf(gauge) } },
      ),
    )
  await checkSetter(store, mira, started)

  // The plate has been made before: its parts, and what differed, stand beside it.
  let before: DemoSetup | undefined
  for (const [days, part] of PLATES) {
    const plate = new DemoSetup(store, ansel, started - days * 24 * HOUR)
    await recordedPlate(plate, part, before?.id)
    await before?.putAway(mira)
    before = plate
  }
  await plateAtItsSecondTool(new DemoSetup(store, ansel, started - 4 * HOUR))
  await ringWithTurnedSign(new DemoSetup(store, jory, started - 26 * HOUR))
  await freshFlange(new DemoSetup(store, mira, started - 3 * HOUR))
  await adapterAtProof(new DemoSetup(store, jory, started - 2 * HOUR))
  await focuserAtLengths(new DemoSetup(store, mira, started - 1 * HOUR), on(FOCUSER_BODY))
  await hubBeforeItsTools(new DemoSetup(store, jory, started - 0.2 * HOUR), on(SPIDER_HUB))
}

/** The people of the demonstration who are here now with the PIN that its README publishes. */
export async function withPublishedPin(store: Store): Promise<readonly string[]> {
  const here = await store.people()
  const found: string[] = []
  for (const { name } of DEMO_PEOPLE) {
    const person = here.find((one) => one.name === name)
    const pinHash = person && (await store.pinHash(person.id))
    if (pinHash !== undefined && (await isSecret(pinHash, DEMO_PIN))) found.push(name)
  }
  return found
}

const streamsAt = (store: Store, clock: Clock) =>
  streamsOf({ store, clock, setups: setupsOf(store, clock) })

/** The setter is watched: the lengths of every mill hang on it. */
const watchOf = ({ id }: { readonly id: string }) =>
  id === GAUGES.setter.id ? { watch: { limit: mm('0.010'), everyDays: 90 } } : {}

/** How far off each check was, a fortnight apart: it wears a little. */
const WORN = [
  '0.000',
  '0.001',
  '-0.001',
  '0.001',
  '0.002',
  '0.001',
  '0.003',
  '0.003',
  '0.002',
  '0.004',
]

async function checkSetter(store: Store, person: Member, started: number): Promise<void> {
  for (const [index, off] of WORN.entries()) {
    const at = started - (WORN.length - index) * 14 * 24 * HOUR
    const read = (50 + Number(off)).toFixed(3)
    must(
      await streamsAt(store, () => new Date(at)).append(
        person,
        { kind: 'gauge', id: GAUGES.setter.id },
        {
          id: uuid(),
          kind: 'gauge-check',
          body: { read: mm(read), against: '50 mm gauge block', master: mm('50.000') },
        },
      ),
    )
  }
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
  await setup.provenAndSeen()
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

async function focuserAtLengths(setup: DemoSetup, sheet: SetupSheet): Promise<void> {
  await setup.begin(sheet)
  await setup.program('focuser-body.ngc')
  await setup.ready()
  await setup.read('-300.000', 'mm', { of: 'nose-on-plane', with: [GAUGES.setter.id] })
  await setup.read('-187.594', 'mm', { of: 'tip-on-plane', tool: 1, with: [GAUGES.setter.id] })
  await setup.read('-203.882', 'mm', { of: 'tip-on-plane', tool: 2, with: [GAUGES.setter.id] })
  await setup.read('-211.048', 'mm', { of: 'tip-on-plane', tool: 3, with: [GAUGES.setter.id] })
}

/** Ready for its first tool: what the focuser measured is offered. */
async function hubBeforeItsTools(setup: DemoSetup, sheet: SetupSheet): Promise<void> {
  await setup.begin(sheet)
  await setup.ready()
}
