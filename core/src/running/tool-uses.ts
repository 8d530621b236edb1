import type { Address } from '../address/address'
import { budgetOf } from '../budget/budget'
import { subtractChains, valueOf } from '../chain/chain'
import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import type { Kept } from '../facts/bodies/kept'
import { instantOf } from '../freshness/instant'
import { isBehind, staleBy } from '../freshness/stale'
import { standingReadings } from '../freshness/standing'
import { bodyOf } from '../journal/entered'
import { formatLength } from '../length/format-length'
import { endsOf } from '../quantities/contact-ends'
import type { QuantityName } from '../quantities/quantities'
import { registerOfTool } from '../sheet/tool-rows'
import type { KeptTouch, ToolUse } from '../shop/kept-offers'
import type { Solution } from '../solve/solution'

/** A use of the shop's own tools: by the id of its assembly. */
export interface AssemblyUse extends ToolUse {
  readonly assembly: string
  /** When it was touched, taken over or changed here last. ISO 8601. */
  readonly at: string
  /** The last touch of its tip that was made here, whether or not it still holds: by whom, when, with which gauges by name. */
  readonly touched?: { readonly at: string; readonly by: string; readonly with: readonly string[] }
}

/** What a set-up tells of each of the shop's own tools in it, for set-ups after it. */
export function toolUses(
  document: SetupDocument,
  solution: Pick<Solution, 'heights' | 'kept' | 'registers'>,
): readonly AssemblyUse[] {
  const recorded = recordsByTool(document)
  const proven = provenAmong(solution.registers)
  return document.sheet.tools.flatMap(({ number, assembly }) => {
    const of = recorded.get(number)
    if (assembly === undefined || of === undefined) return []
    const at = of.moments.toSorted((one, other) => instantOf(other) - instantOf(one))[0]
    if (at === undefined) return []
    const use = useOf(document, solution, number, proven)
    return [{ assembly, at, ...touchedHere(document, of.readings), ...use }]
  })
}

/** What was read of a tool, and when something was read or said of it. */
interface ToolRecord {
  readonly readings: Reading[]
  readonly moments: string[]
}

/** Sorted out once for all tools of a set-up. */
function recordsByTool({ readings, events }: SetupDocument): ReadonlyMap<number, ToolRecord> {
  const recorded = new Map<number, ToolRecord>()
  const of = (tool: number): ToolRecord => {
    const known = recorded.get(tool) ?? { readings: [], moments: [] }
    recorded.set(tool, known)
    return known
  }
  for (const reading of readings) {
    if (!('tool' in reading)) continue
    of(reading.tool).readings.push(reading)
    of(reading.tool).moments.push(reading.at)
  }
  for (const event of events)
    if (event.kind === 'tool-changed') of(event.tool).moments.push(event.at)
  return recorded
}

const provenAmong = (registers: Solution['registers']): ReadonlySet<Address> =>
  new Set(registers.flatMap(({ address, state }) => (state === 'proven' ? [address] : [])))

function touchedHere(
  { sheet }: SetupDocument,
  readings: readonly Reading[],
): Pick<AssemblyUse, 'touched'> {
  const touch = readings.findLast(
    ({ of, kept }) => (of === 'tip-on-plane' || of === 'tip-on-part') && kept === undefined,
  )
  if (touch === undefined) return {}
  const lay = sheet.gauges.filter(({ id }) => touch.with.includes(id))
  return { touched: { at: touch.at, by: touch.by.name, with: lay.map(({ name }) => name) } }
}

function useOf(
  document: SetupDocument,
  { heights, kept = [] }: Pick<Solution, 'heights' | 'kept'>,
  number: number,
  proven: ReadonlySet<Address>,
): ToolUse {
  const { id, sheet, events } = document
  const { unit, machine } = sheet
  // What was taken over and found elsewhere is not handed on.
  const isElsewhere = kept.some(({ agrees }) => !agrees)
  const overtakers = events.filter(({ kind }) => kind !== 'plane-moved')
  const quantities: readonly QuantityName[] = [
    { of: 'nose-on-plane' },
    { of: 'tip-on-plane', tool: number },
    { of: 'tool-diameter', tool: number },
  ]
  const readings = quantities
    .flatMap((quantity) => standingReadings(document, quantity))
    .filter((reading) => !(reading.kept !== undefined && isElsewhere))
    // A touch from before the plane was moved may be carried over it; whatever else it is behind, it tells nothing any more.
    .filter((reading) => !overtakers.some((event) => isBehind(event, reading, document)))
  const moved = events.find(
    (event) =>
      event.kind === 'plane-moved' &&
      readings.some((reading) => isBehind(event, reading, document)),
  )
  const used = new Set(readings.flatMap((one) => endsOf(one).flatMap(({ gauges }) => gauges)))
  const changed = events.findLast((event) => event.kind === 'tool-changed' && event.tool === number)
  const own = registerOfTool(sheet, number)
  const isProven = own !== undefined && proven.has(own)
  const here = { setup: id, name: sheet.name, ...(isProven && { proven: true as const }) }
  const [tip, nose] = [heights.tipOnPlane[number], heights.noseOnPlane]
  const length = tip && nose && subtractChains(tip, nose)
  const holds =
    length !== undefined && valueOf(length) > 0 && staleBy(length, document) === undefined
  return {
    setup: id,
    name: sheet.name,
    ...(sheet.machineId !== undefined && { machine: sheet.machineId }),
    number,
    plane: sheet.plane,
    // What was read on a counter, or with rows that hold other numbers by then, is no touch of another set-up.
    touches: readings
      .filter(({ position }) => position === undefined)
      .map((reading) => touchOf(reading, here)),
    gauges: sheet.gauges.filter((gauge) => used.has(gauge.id)),
    ...(changed && { changedAt: changed.at }),
    ...(moved && { movedAt: moved.at }),
    ...(holds && {
      length: { text: formatLength(valueOf(length), unit, machine.control.decimals[unit]), unit },
      lengthWithinMm: budgetOf(length).expandedMm,
    }),
  }
}

/** A reading as it would stand in another set-up: without what speaks of this one alone. */
function touchOf(reading: Reading, here: Pick<Kept, 'setup' | 'name' | 'proven'>): KeptTouch {
  const { id, by, at, kept } = reading
  const {
    spindle: _in,
    supersedes: _instead,
    reason: _why,
    surprise: _all,
    ...body
  } = bodyOf(reading)
  const {
    check: _check,
    generation: _here,
    ...from
  } = kept ?? { ...here, reading: id, by: by.name, at }
  return { ...body, kept: { ...from, ...(here.proven && { proven: true }) } } as KeptTouch
}
