import { checkDocument, type SetupDocument } from '../src/facts'
import { toNanometres } from '../src/length'
import { ladderOf, layoutLadder, planViewOf } from '../src/picture'
import { recoveryOf, stepsOf } from '../src/plan'
import { proofMove } from '../src/proof'
import { solve } from '../src/solve'
import { modelSetup } from './physical-model'
import { Chance, trials } from './random'

const DOCUMENTS = 800

/** Texts that are numbers, that nearly are, and that never were. */
const TEXTS = [
  '',
  '-',
  '.',
  '0',
  '-0',
  '1e9',
  '1,5',
  '1..2',
  'x',
  '999999999',
  '0.0000001',
  '2',
  '-7',
  ' 3 ',
  '5cm',
  '1"',
  '-12.5',
  'NaN',
  '１２',
]

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

const MARK = { dial: { text: '0.5', unit: 'mm' }, coarse: { text: '100', unit: 'mm' } } as const
const MARKS = { X: MARK, Y: MARK, Z: MARK }

/** Changes a few leaves of a document: numbers, names, and whole facts that go, come twice or change places. */
function mutate(document: SetupDocument, chance: Chance): SetupDocument {
  const changed = copy(document) as never as {
    sheet: any
    readings: any[]
    readBacks: any[]
    events: any[]
    proofs: any[]
    lifts: any[]
    checkOffs: any[]
  }
  const fact = {
    id: 'f',
    by: { name: 'x' },
    at: chance.of(['2026-03-02T08:00:00Z', 'never']),
    via: 'typed',
    place: chance.of(changed.readings).place + chance.whole(-1, 1) / 2,
  }
  const written = () => ({ text: chance.of(TEXTS), unit: chance.of(['mm', 'in']) })
  for (let times = chance.whole(1, 4); times > 0; times -= 1) {
    const reading = chance.of(changed.readings)
    switch (chance.whole(0, 12)) {
      case 0:
        reading.read.text = chance.of(TEXTS)
        break
      case 1:
        reading.with = chance.of([[], ['nothing'], ['setter', 'setter'], ['finder', 'block']])
        break
      case 2:
        changed.readings.splice(chance.whole(0, changed.readings.length - 1), 1)
        if (changed.readings.length === 0) changed.readings.push(reading)
        break
      case 3:
        changed.readings.push(copy(reading))
        break
      case 4:
        reading.supersedes = chance.of([reading.id, 'nothing', chance.of(changed.readings).id])
        break
      case 5:
        chance.of(changed.sheet.gauges as any[]).size.text = chance.of(TEXTS)
        break
      case 6:
        chance.of(changed.sheet.offsets as any[]).Z.facing.text = chance.of(TEXTS)
        break
      case 7:
        changed.sheet.reference = chance.of([
          undefined,
          {},
          { masterTool: 99 },
          { constant: { text: chance.of(TEXTS), unit: 'mm' } },
        ])
        break
      case 8:
        changed.events.push({
          ...fact,
          kind: chance.of([
            'home-lost',
            'plane-moved',
            'home-recovered',
            'rebased',
            'check-failed',
          ]),
          tool: chance.whole(1, 3),
          gauge: 'setter',
          goodThrough: -1,
          shift: { X: written(), Y: written(), Z: written() },
        })
        break
      case 9:
        changed.proofs.push({
          ...fact,
          row: chance.of(['G54', 'G58']),
          tool: chance.whole(1, 3),
          clearance: written(),
          gap: written(),
          overZero: true,
          stop: { position: written(), distanceToGo: written() },
        })
        break
      case 10:
        changed.lifts.push({ ...fact, moves: 'in', where: 'lengths', amount: written() })
        break
      case 11:
        changed.checkOffs.push({
          ...fact,
          of: 'home',
          marks: Object.fromEntries(
            ['X', 'Y', 'Z'].map((axis) => [axis, { dial: written(), coarse: written() }]),
          ),
        })
        break
      default:
        changed.readBacks.push({
          ...fact,
          address: chance.of(['H1', 'G54.Z', 'Q9']),
          moment: chance.of(['before', 'after']),
          shown: { text: chance.of(TEXTS), unit: 'in' },
        })
    }
  }
  return changed as never as SetupDocument
}

/** The path of the first number that is not one, if there is any. */
function notANumber(value: unknown, path: string): string | undefined {
  // Degrees of freedom are infinite where a source is taken as known.
  if (typeof value === 'number')
    return Number.isNaN(value) || (!Number.isFinite(value) && !path.endsWith('degreesOfFreedom'))
      ? path
      : undefined
  if (value instanceof Map) return notANumber([...value.values()], path)
  if (typeof value !== 'object' || value === null) return undefined
  for (const [key, part] of Object.entries(value)) {
    const found = notANumber(part, `${path}.${key}`)
    if (found !== undefined) return found
  }
  return undefined
}

test(`${DOCUMENTS} mutated documents never throw and never yield a number that is none`, () => {
  let refused = 0
  for (let seed = 1; seed <= trials(DOCUMENTS); seed += 1) {
    const chance = new Chance(seed)
    const document = mutate(modelSetup(chance).document, chance)
    try {
      const problems = checkDocument(document)
      for (const { place } of problems)
        if (place === '') throw new Error('a problem without a place')
      if (problems.length > 0) refused += 1
      const solution = solve(document)
      const everything = {
        solution,
        steps: stepsOf(document, solution, false),
        recovery: recoveryOf(document, MARKS),
        proof: proofMove(document, solution, {
          row: 'G54',
          tool: 1,
          clearance: toNanometres(25e6),
        }),
      }
      const bad = notANumber(everything, 'solution')
      if (bad !== undefined) throw new Error(`${bad} is not a number`)
      for (const { step } of everything.steps) {
        if (step.does !== 'read') continue
        const placed = layoutLadder(ladderOf(document, solution, step.quantity, ['setter']), {
          width: 300,
          height: 200,
          marginTop: 30,
          marginBottom: 20,
          labelPitch: 20,
        })
        const badLadder = notANumber(placed, 'ladder')
        if (badLadder !== undefined) throw new Error(`${badLadder} is not a number`)
      }
      for (const offset of document.sheet.offsets)
        planViewOf(document, solution, offset, {
          at: { of: 'face', row: 'G54', face: 'left' },
          with: ['finder'],
        })
    } catch (cause) {
      throw new Error(`seed ${seed}: ${cause instanceof Error ? cause.stack : String(cause)}`)
    }
  }
  // Most mutations are faults, and are found; a few, such as another repeat, are not.
  expect(refused / trials(DOCUMENTS)).toBeGreaterThan(0.6)
})
