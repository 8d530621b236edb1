import { instantOf } from '../freshness/instant'
import { sensitivity } from '../freshness/sensitivity'
import type { Reading, SetupDocument } from '../setup/document'
import type { OffsetPlan, Tool } from '../setup/sheet'
import { quantityKey, standingReadings, type QuantityName } from '../setup/quantity'
import { circlePoints } from '../setup/centre'
import { edgeTouches } from '../setup/edges'
import { facesToTouch } from '../setup/plan-axes'
import type { Solution, TrustState } from '../setup/solution'

/** The stations of a set-up, in the order of work. */
export const STATIONS = [
  'sheet',
  'reference',
  'lengths',
  'plan',
  'height',
  'key-in',
  'record',
] as const

export type Station = (typeof STATIONS)[number]

/** One thing to do: declare the sheet, take a reading, key a register in, or record. */
export type Step =
  | { readonly key: 'sheet'; readonly station: 'sheet'; readonly does: 'sheet' }
  | {
      readonly key: string
      readonly station: 'reference' | 'lengths' | 'plan' | 'height'
      readonly does: 'read'
      readonly quantity: QuantityName
    }
  | {
      readonly key: string
      readonly station: 'key-in'
      readonly does: 'key-in'
      readonly address: string
    }
  | { readonly key: 'record'; readonly station: 'record'; readonly does: 'record' }

export interface StepState {
  readonly step: Step
  readonly done: boolean
  readonly trust: TrustState
}

/**
 * Every step that this set-up needs, in the order of work, with what is done.
 * A nose touch is asked for only where the school or the way of finding Z needs it.
 */
export function stepsOf(
  document: SetupDocument,
  solution: Solution,
  recorded: boolean,
): readonly StepState[] {
  const { sheet } = document
  const read =
    (station: 'reference' | 'lengths' | 'plan' | 'height') =>
    (quantity: QuantityName): Step => ({
      key: quantityKey(quantity),
      station,
      does: 'read',
      quantity,
    })
  const steps: readonly Step[] = [
    { key: 'sheet', station: 'sheet', does: 'sheet' },
    ...(needsNoseTouch(document) ? [read('reference')({ of: 'nose-on-plane' })] : []),
    ...sheet.tools.flatMap((tool) => lengthQuantities(document, tool)).map(read('lengths')),
    ...sheet.offsets.flatMap((offset) => planQuantities(document, offset)).map(read('plan')),
    ...sheet.offsets.flatMap(heightQuantities).map(read('height')),
    ...solution.registers.map(({ address }): Step => ({
      key: `key-in:${address}`,
      station: 'key-in',
      does: 'key-in',
      address,
    })),
    { key: 'record', station: 'record', does: 'record' },
  ]
  return steps.map((step) => stateOf(step, document, solution, recorded))
}

/**
 * The gauge line counts from the nose, and Z by bare nose on the part needs it to know the plane;
 * a tool or sensor of known length finds the plane in its place.
 */
function needsNoseTouch({ sheet }: SetupDocument): boolean {
  if (sheet.tools.some(({ length }) => length !== undefined)) return false
  return sheet.school === 'gauge-line' || sheet.offsets.some(({ Z }) => Z.by === 'nose-on-part')
}

/** What is read of a tool: its touch, unless its length is known and nothing else needs it. */
function lengthQuantities({ sheet }: SetupDocument, tool: Tool): readonly QuantityName[] {
  const [first] = sheet.offsets
  const onPart = sheet.school === 'part-top' && first?.Z.by === 'part-top'
  const findsPlane = sheet.tools.find(({ length }) => length !== undefined)?.number === tool.number
  const touch: QuantityName = onPart
    ? { of: 'tip-on-part', tool: tool.number, row: first.row }
    : { of: 'tip-on-plane', tool: tool.number }
  return [
    ...(tool.length === undefined || findsPlane || onPart ? [touch] : []),
    ...(tool.diameterRegister === undefined
      ? []
      : [{ of: 'tool-diameter', tool: tool.number } as const]),
  ]
}

/** Fewer touches than this fit any circle, and prove nothing. */
const CIRCLE_TOUCHES = 4

/** The faces, the touches around a circle, or the sweep that X and Y are found by. */
function planQuantities(document: SetupDocument, offset: OffsetPlan): readonly QuantityName[] {
  const { row } = offset
  const ways = new Set([offset.X.by, offset.Y.by])
  const read = circlePoints(document, row).map(({ point }) => point)
  const points = Math.max(CIRCLE_TOUCHES, ...read)
  return [
    ...(['X', 'Y'] as const).flatMap((axis) =>
      facesToTouch(axis, offset[axis]).map((face): QuantityName => ({ of: 'face', row, face })),
    ),
    ...edgeTouches(offset),
    ...(ways.has('circle')
      ? Array.from({ length: points }, (_, index): QuantityName => ({
          of: 'circle-point',
          row,
          point: index + 1,
        }))
      : []),
    ...(ways.has('sweep') ? [{ of: 'sweep', row } as const] : []),
  ]
}

function heightQuantities({ row, Z }: OffsetPlan): readonly QuantityName[] {
  switch (Z.by) {
    case 'part-top':
      return []
    case 'tool-on-part':
      return [{ of: 'tip-on-part', tool: Z.tool, row }]
    case 'fixture-difference':
      return [{ of: 'fixture-difference', row, from: Z.from }]
    case 'nose-on-part':
    case 'carried-difference':
      return [{ of: Z.by, row }]
  }
}

function stateOf(
  step: Step,
  document: SetupDocument,
  solution: Solution,
  recorded: boolean,
): StepState {
  switch (step.does) {
    case 'sheet':
      return { step, done: true, trust: 'read' }
    case 'read': {
      const standing = standingReadings(document, step.quantity)
      if (standing.length === 0) return { step, done: false, trust: 'not-read' }
      const stale = standing.some((reading) => makesStale(document, solution, reading))
      return { step, done: !stale, trust: stale ? 'stale' : 'read' }
    }
    case 'key-in': {
      const trust =
        solution.registers.find(({ address }) => address === step.address)?.state ?? 'not-read'
      return {
        step,
        done: trust === 'keyed' || trust === 'proven',
        trust: trust === 'read' ? 'not-read' : trust,
      }
    }
    case 'record':
      return { step, done: recorded, trust: recorded ? 'keyed' : 'not-read' }
  }
}

/**
 * Whether a reading is why a number is stale: it is one of its terms, and it is too old or from before
 * the thing that moved. A number that somebody accepted asks for nothing.
 */
function makesStale(document: SetupDocument, solution: Solution, reading: Reading): boolean {
  const index = document.readings.indexOf(reading)
  return solution.registers.some(({ stale, accepted, chain }) => {
    if (stale === undefined || accepted !== undefined) return false
    const isTerm = chain?.terms.some(
      ({ source }) => source.id === reading.id || source.id.startsWith(`${reading.id}:`),
    )
    if (isTerm !== true) return false
    return stale.by === 'age'
      ? instantOf(reading.at) <= instantOf(stale.readAt)
      : index < stale.event.afterReadings && sensitivity(reading, stale.event, index) !== 0
  })
}

/** The first thing that is still to do; undefined when the set-up is recorded and complete. */
export function nextStep(states: readonly StepState[]): StepState | undefined {
  return states.find(({ done }) => !done)
}

/** A station is as far as its least certain step. */
export function stationTrust(
  states: readonly StepState[],
  station: Station,
): TrustState | undefined {
  const here = states.filter(({ step }) => step.station === station)
  if (here.length === 0) return undefined
  return here.every(({ done }) => done) ? (here[0]?.trust ?? 'not-read') : 'not-read'
}
