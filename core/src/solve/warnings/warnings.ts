import { offsetAddress } from '../../address/address'
import { hasUnknown, subtractChains, valueOf } from '../../chain/chain'
import { toNanometres, type Nanometres } from '../../length/length'
import { endsOf, isDifference, wayInZ } from '../../quantities/contact-ends'
import { crossingsOf } from '../../facts/crossings'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import type { SourceReader } from '../../sources/sources'
import { disagreeingLengths, disagreeingWays } from './compare-ways'
import { gaugeWarnings } from './gauge-warnings'
import { changedLengths } from './last-time'
import { axisOfQuantity, quantityKey } from '../../quantities/quantities'
import { keepsLengths, registerOfTool } from '../../sheet/tool-rows'
import { readingWarnings } from './reading-warnings'
import { roughGaugeAt } from '../z/stand'
import type { Heights } from '../solution'
import type { EdgeAngle, ImpliedSize, Register } from '../../registers/register'
import type { Warning } from '../../registers/warning'

/** What a machinist should look at, in the order of the work. */
export function warningsOf(
  document: SetupDocument,
  sources: SourceReader,
  registers: readonly Register[],
  sizes: readonly ImpliedSize[],
  edges: readonly EdgeAngle[],
  heights: Heights,
): readonly Warning[] {
  return [
    ...lengthWarnings(document, heights),
    ...readingWarnings(document, sources),
    ...spindleWarnings(document, heights),
    ...changedLengths(document, heights).map(({ address, change, limit, causes }): Warning => ({
      code: 'differs-from-last-time',
      place: address,
      amount: change,
      limit,
      causes,
    })),
    ...approachWarning(document),
    ...disagreeingWays(document, sources, heights),
    ...disagreeingLengths(document, sources, heights),
    ...gaugeWarnings(document),
    ...edgeWarnings(edges),
    ...sizes.flatMap((size) => sizeWarnings(size)),
    ...[...crossingsOf(document).values()].map(({ address, first, second }): Warning => ({
      code: 'keyed-by-two',
      place: address,
      people: [first, second].map(({ by, shown }) => ({ name: by.name, shown })),
    })),
    ...unplacedWarnings(document, registers),
    ...registers.flatMap(({ address, readBack }): Warning[] =>
      readBack && !readBack.equal
        ? [{ code: 'read-back-differs', place: address, amount: readBack.error }]
        : [],
    ),
  ]
}

/** Read on a counter that nothing ties to what its register is counted from, or with a gauge that nobody measured and that does not cancel. */
const unplacedWarnings = (
  document: SetupDocument,
  registers: readonly Register[],
): readonly Warning[] =>
  registers.flatMap(({ address, unplaced = [] }) =>
    unplaced.map((place): Warning => {
      const touch = document.readings.findLast((reading) => quantityKey(reading) === place)
      const gauge = touch && roughGaugeAt(document, touch)
      return gauge === undefined
        ? { code: 'counter-zero-unknown', place, beside: address }
        : { code: 'gauge-size-unknown', place, beside: gauge }
    }),
  )

/**
 * A tool cannot end above the spindle nose: where the bare nose was touched, its tip lies lower. That is asked of the
 * length itself: a register may well be below zero, by a constant or on a control that subtracts.
 */
function lengthWarnings(
  { sheet }: SetupDocument,
  { noseOnPlane, tipOnPlane }: Heights,
): readonly Warning[] {
  if (noseOnPlane === undefined) return []
  return sheet.tools.flatMap(({ number }): readonly Warning[] => {
    const [tip, place] = [tipOnPlane[number], registerOfTool(sheet, number)]
    const apart = tip && subtractChains(tip, noseOnPlane)
    const length = apart && !hasUnknown(apart) ? valueOf(apart) : undefined
    return length !== undefined && length <= 0 && place !== undefined
      ? [{ code: 'length-not-positive', place, amount: length }]
      : []
  })
}

function sizeWarnings({
  row,
  axis,
  implied,
  drawing,
  tolerance,
  agrees,
}: ImpliedSize): readonly Warning[] {
  if (agrees) return []
  const place = offsetAddress(row, axis)
  if (implied < 0) return [{ code: 'faces-swapped', place, amount: implied }]
  return [
    { code: 'size-differs', place, amount: toNanometres(implied - drawing), limit: tolerance },
  ]
}

/** Heights that are compared must come from the same side of the screw, unless its backlash is known. */
function approachWarning(document: SetupDocument): readonly Warning[] {
  const { machine, gauges } = document.sheet
  if (machine.lostMotion?.Z !== undefined) return []
  const known = (ids: readonly string[]) => gauges.filter(({ id }) => ids.includes(id))
  const superseded = new Set(document.readings.map((reading) => reading.supersedes))
  const inZ = document.readings.filter(
    (reading) =>
      axisOfQuantity(reading) === 'Z' &&
      reading.of !== 'tool-diameter' &&
      !superseded.has(reading.id),
  )
  const waysOf = (reading: Reading) => endsOf(reading).map((end) => wayInZ(end, known))
  // A difference speaks of its own two ends; touches of the machine's position are compared with each other.
  const compared = [
    ...inZ.filter(isDifference).map(waysOf),
    inZ.filter((reading) => !isDifference(reading)).flatMap(waysOf),
  ]
  return compared.some((ways) => new Set(ways).size > 1)
    ? [{ code: 'approach-mixed', place: 'Z' }]
    : []
}

/**
 * Z touches where the spindle held another tool than the step says: every tip is then off by the difference of the
 * two lengths. Or where the control took another one for active than the spindle holds, the slip behind most crashes
 * (docs/domain.md, “Lengths and seats”): that matters where the control itself works Z out from where it stands, and not where Z is typed.
 */
function spindleWarnings(document: SetupDocument, heights: Heights): readonly Warning[] {
  const superseded = new Set(document.readings.map(({ supersedes }) => supersedes))
  const { control } = document.sheet.machine
  const { workOffsetKey, workOffsetKeys } = control
  const keyInZ = workOffsetKeys?.Z ?? workOffsetKey
  const controlWorksItOut = keepsLengths(control) && (keyInZ === 'position' || keyInZ === 'halve')
  return document.readings.flatMap((reading): readonly Warning[] => {
    const { spindle } = reading
    if (spindle === undefined || superseded.has(reading.id)) return []
    const wanted = 'tool' in reading ? reading.tool : null
    const { holds, controlSays } = spindle
    const isWrongTool = holds !== wanted
    if (!isWrongTool && (controlSays === holds || !controlWorksItOut)) return []
    const amount = isWrongTool
      ? longerBy(heights, wanted, holds)
      : longerBy(heights, controlSays, holds)
    return [
      {
        code: isWrongTool ? 'spindle-tool-differs' : 'control-tool-differs',
        place: quantityKey(reading),
        tools: [wanted, holds, controlSays],
        ...(amount !== undefined && amount !== 0 && { amount }),
      },
    ]
  })
}

/** How much longer one tool is than another, the bare nose being none; undefined where it is not known. */
function longerBy(
  { noseOnPlane, tipOnPlane }: Heights,
  tool: number | null,
  other: number | null,
): Nanometres | undefined {
  const [one, two] = [tool, other].map((number) =>
    number === null ? noseOnPlane : tipOnPlane[number],
  )
  return one && two && valueOf(subtractChains(one, two))
}

const edgeWarnings = (edges: readonly EdgeAngle[]): readonly Warning[] =>
  edges.flatMap(({ row, face, runOut, tolerance, agrees }): readonly Warning[] =>
    agrees === false && tolerance !== undefined
      ? [
          {
            code: 'edge-turned',
            // Its second touch tells how it lies to the first.
            place: quantityKey({ of: 'edge-point', row, face, point: 2 }),
            amount: runOut,
            limit: tolerance,
          },
        ]
      : [],
  )
