import type { Address } from '../src/address'
import type { Reading, SetupDocument, SetupEvent } from '../src/facts'
import type { ReadBack } from '../src/facts/bodies/bodies'
import type { EventBody } from '../src/facts/bodies/event'
import type { Author } from '../src/journal'
import type { Entered } from '../src/journal/entered'
import type { LengthUnit, WrittenLength } from '../src/length'
import type { SetupSheet } from '../src/sheet'
import { foldSetup } from '../src/facts'

export const mm = (text: string): WrittenLength => ({ text, unit: 'mm' })

let serial = 0

export const MIRA: Author = { id: '019aaaaa-0000-7000-8000-00000000bbbb', name: 'Mira Toller' }

/**
 * Who, when and an id for a fact of a test, each one different. Its place in the stream is the order in which the test
 * makes its facts: what is made first was entered first.
 */
export function fact() {
  serial += 1
  const id = `019aaaaa-0000-7000-8000-${String(serial).padStart(12, '0')}`
  const at = new Date(Date.UTC(2026, 2, 2, 8) + serial).toISOString()
  return { id, by: MIRA, at, via: 'typed', place: serial } as const satisfies Entered
}

export const readingOf = <Of extends Reading['of']>(
  details: Omit<Extract<Reading, { of: Of }>, keyof Entered>,
) => ({ ...details, ...fact() }) as Reading

/**
 * The worked numbers of the first issue: a 50 mm setter, nose at −300, T1 at −220, the part 30 mm
 * below the plane, a 10 mm edge finder at −412.300 on the left face, which the drawing calls −60.
 */
export function workedSheet(changes: Partial<SetupSheet> = {}): SetupSheet {
  return {
    name: 'Worked example',
    unit: 'mm' satisfies LengthUnit,
    machine: {
      name: 'Mill 2',
      kind: 'mill',
      control: { decimals: { mm: 3, in: 4 }, lengthKey: 'set', workOffsetKey: 'set' },
      lostMotion: { X: mm('0'), Y: mm('0'), Z: mm('0') },
    },
    school: 'setting-plane',
    zero: 'middle of the part, finished top',
    plane: 'fixed jaw',
    stock: { X: mm('120'), Y: mm('80'), Z: mm('40') },
    gauges: [
      { id: 'setter', kind: 'height-setter', name: '50 mm setter', size: mm('50.000') },
      { id: 'finder', kind: 'edge-finder', name: '10 mm edge finder', size: mm('10.000') },
      { id: 'paper', kind: 'paper', name: 'paper', size: mm('0.09') },
    ],
    tools: [{ number: 1, name: '10 mm end mill', lengthRegister: 1 }],
    offsets: [
      {
        row: 'G54',
        X: { by: 'one-face', face: 'left', side: 'outside', drawing: mm('-60.000') },
        Y: { by: 'one-face', face: 'front', side: 'outside', drawing: mm('-40.000') },
        Z: { by: 'carried-difference', facing: mm('0') },
      },
    ],
    ...changes,
  }
}

export const noseTouch = () =>
  readingOf<'nose-on-plane'>({ of: 'nose-on-plane', read: mm('-300.000'), with: ['setter'] })
export const tipTouch = () =>
  readingOf<'tip-on-plane'>({ of: 'tip-on-plane', tool: 1, read: mm('-220.000'), with: ['setter'] })
export const leftTouch = () =>
  readingOf<'face'>({
    of: 'face',
    row: 'G54',
    face: 'left',
    read: mm('-412.300'),
    with: ['finder'],
  })
export const frontTouch = () =>
  readingOf<'face'>({
    of: 'face',
    row: 'G54',
    face: 'front',
    read: mm('-255.000'),
    with: ['finder'],
  })
export const difference = () =>
  readingOf<'carried-difference'>({
    of: 'carried-difference',
    row: 'G54',
    zeroedOn: 'plane',
    withOnPlane: [],
    read: mm('-30.000'),
    with: [],
  })

/** What the setting plane needs, and no more. */
export const planeReadings = () => [tipTouch(), leftTouch(), frontTouch(), difference()]

/** What the control shows after a number was keyed in. */
export const shown = (address: Address, text: string): ReadBack => ({
  ...fact(),
  address,
  moment: 'after',
  shown: mm(text),
})

/** A set-up of a sheet and what was read for it. */
export const setupOf = (sheet: SetupSheet, readings: readonly Reading[]): SetupDocument => ({
  ...foldSetup({
    id: '019aaaaa-0000-7000-8000-00000000aaaa',
    facts: [{ ...fact(), kind: 'sheet', body: sheet }],
  }),
  readings,
})

export const workedDocument = (
  changes: Partial<SetupSheet> = {},
  readings: readonly Reading[] = [noseTouch(), tipTouch(), leftTouch(), frontTouch(), difference()],
): SetupDocument => setupOf(workedSheet(changes), readings)

/** Something that happened, after whatever the test told before it. */
export const event = (body: EventBody): SetupEvent =>
  ({ ...fact(), ...body, ...(body.kind === 'check-failed' && { goodThrough: -1 }) }) as SetupEvent

/** A gauge that failed its check: what was read up to `lastGood` was read before it was last known good. */
export const checkFailed = (gauge: string, lastGood?: Reading): SetupEvent =>
  ({
    ...event({ kind: 'check-failed', gauge, ...(lastGood && { lastGood: lastGood.id }) }),
    goodThrough: lastGood?.place ?? -1,
  }) as SetupEvent
