import { NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'
import { nanometresOf, readLength } from '../length/read-length'
import { outOfReach, type WorkPosition } from '../proof/reach'
import type { SetupDocument } from '../facts/document'
import { isOffsetRow, type MachineAxis } from '../address/row'
import { isToolByTool } from '../sheet/tool-rows'
import type { Solution } from '../solve/solution'
import { isOf } from '../address/address'
import { rangesOf } from './machine-extents'
import { openNeedOf } from './needed-address'
import { headAgainstSheet } from './head-against-sheet'
import { judged } from './judged'
import { registerNeeds } from './register-needs'
import type {
  Operation,
  ProgramJudgementCode,
  ProgramPlace,
  ProgramReading,
} from '../program/program-reading'
import type { ProgramJudgement } from '../program/judgement/program-judgement'

const AXES: readonly MachineAxis[] = ['X', 'Y', 'Z']

/**
 * What a program needs against what a set-up has: registers that are missing, stale or not proven, rows and
 * tools that the sheet does not know, moves beyond the travels, cuts that come to the jaws.
 */
export function judgeNeeds(
  reading: ProgramReading,
  document: SetupDocument,
  solution: Solution,
): readonly ProgramJudgement[] {
  const used = new Set(reading.operations.flatMap(({ rows }) => rows.map(({ row }) => row)))
  const start: ProgramPlace = { line: 1, excerpt: '' }
  return [
    ...(reading.unit !== undefined && reading.unit !== document.sheet.unit
      ? [judged('unit-differs', start)]
      : []),
    ...reading.operations.flatMap((operation) => [
      ...toolNeeds(operation, document),
      ...registerNeeds(operation, document, solution),
      ...speedNeeds(operation, document),
      ...substitutes(operation, document),
      ...travels(operation, document, solution),
      ...beneath(operation, document, solution),
    ]),
    ...headAgainstSheet(reading, document),
    ...finderSpeed(reading, document),
    ...solution.warnings
      .filter(({ code }) => code === 'lift-active')
      .map(({ amount }) =>
        judged('lift-active', start, { ...(amount !== undefined && { amount }) }),
      ),
    ...document.sheet.offsets
      .filter(({ row }) => !used.has(row))
      .map(({ row }) => judged('offset-not-used', start, { row })),
  ]
}

/**
 * What is wrong between a program and its set-up, the dangers first, then by place. A register or row that is
 * on the sheet and only not keyed or proven yet is left to the needs (`needsBeside`); one that is not on the
 * sheet nobody would ever set, so it is told.
 */
export const faultsOf = (
  judgements: readonly ProgramJudgement[],
  { registers }: Solution,
): readonly ProgramJudgement[] =>
  judgements.filter((judgement) => {
    const need = openNeedOf(judgement)
    return need === undefined || !registers.some(({ address }) => isOf(address, need))
  })

/** What a program may be reproached with on a control that keeps lengths alone. */
const ABOUT_LENGTHS: readonly ProgramJudgementCode[] = [
  'moves-before-length',
  'length-not-cancelled',
  'length-differs-from-tool',
]

/** Everything to be looked at before a program runs with a set-up: the dangers first, then by place. */
export function judgeAll(
  reading: ProgramReading,
  document: SetupDocument,
  solution: Solution,
): readonly ProgramJudgement[] {
  const own = isToolByTool(document.sheet)
    ? reading.judgements.filter(({ code }) => !ABOUT_LENGTHS.includes(code))
    : reading.judgements
  return bySeverity([...own, ...judgeNeeds(reading, document, solution)])
}

/** The dangers first, then by place. */
export function bySeverity(judgements: readonly ProgramJudgement[]): readonly ProgramJudgement[] {
  const order = ['danger', 'look', 'note']
  return [...judgements].sort(
    (a, b) => order.indexOf(a.severity) - order.indexOf(b.severity) || a.line - b.line,
  )
}

function toolNeeds({ tool, from }: Operation, { sheet }: SetupDocument) {
  const known = tool === undefined || sheet.tools.some(({ number }) => number === tool)
  return known ? [] : [judged('tool-not-on-sheet', from, { tool })]
}

function speedNeeds({ tool, speeds, from }: Operation, { sheet }: SetupDocument) {
  const limit = sheet.machine.maxSpindleSpeed
  const fastest = Math.max(...speeds, 0)
  return limit === undefined || fastest <= limit
    ? []
    : [judged('speed-above-limit', from, { speed: fastest, ...(tool !== undefined && { tool }) })]
}

/** What a program leaves set turns an edge finder that is put in afterwards: the control keeps S. */
function finderSpeed({ operations }: ProgramReading, { sheet }: SetupDocument) {
  const limit = Math.min(...sheet.gauges.map(({ maxSpeed = Infinity }) => maxSpeed))
  const last = operations.findLast(({ speeds }) => speeds.length > 0)
  const speed = last?.speeds.at(-1)
  return last === undefined || speed === undefined || speed <= limit
    ? []
    : [judged('speed-above-finder', last.from, { speed, limit })]
}

/**
 * A tool that stands in for the one that the program was written for cuts half the difference of their
 * diameters off its wall: with cutter compensation its own D makes up for that, without it nothing does.
 */
function substitutes({ tool, from, diameters, compensates }: Operation, { sheet }: SetupDocument) {
  const here = sheet.tools.find(({ number }) => number === tool)
  if (here?.programDiameter === undefined) return []
  const written = readLength(here.programDiameter)
  const actual = here.diameter && readLength(here.diameter)
  const known = actual?.ok === true && written.ok
  if (known && actual.value.nm === written.value.nm) return []
  const about = {
    ...(tool !== undefined && { tool }),
    ...(known && { amount: toNanometres((written.value.nm - actual.value.nm) / 2) }),
  }
  const [called] = diameters
  return compensates === true
    ? [judged('substitute-compensated', called?.at ?? from, about)]
    : [judged('substitute-not-compensated', from, about)]
}

/** Every end of what an operation reaches, with today’s offsets; the worst of each axis is told. */
function travels(operation: Operation, document: SetupDocument, solution: Solution) {
  const { tool, rows, lowestZ, lengths } = operation
  // The control moves with the H that the program calls, right or wrong.
  const [called] = lengths
  return rows.flatMap((use) => {
    const { row, at: first } = use
    if (!isOffsetRow(row)) return []
    const ends: readonly WorkPosition[] = AXES.flatMap((axis) =>
      rangesOf(use, axis, called?.register).flatMap(([register, range]) =>
        range.map((at) => ({
          row,
          tool: tool ?? -1,
          ...(register !== undefined && { lengthRegister: register }),
          [axis]: at,
        })),
      ),
    )
    const beyond = outOfReach(document, solution, ends)
    return AXES.flatMap((axis) => {
      const worst = beyond
        .filter((one) => one.axis === axis)
        .sort((a, b) => b.beyond - a.beyond)
        .at(0)
      const place = (axis === 'Z' ? lowestZ?.at : undefined) ?? first
      return worst
        ? [
            judged('beyond-travel', place, {
              row,
              axis,
              amount: worst.beyond,
              ...(tool !== undefined && { tool }),
            }),
          ]
        : []
    })
  })
}

/**
 * What lies beneath the cut: the jaws' upper edge, and the parallels under the raw part, in work Z of each
 * row. Program zero lies `facing` below the stock top; the jaws lie `protrusion` below it.
 */
function beneath(operation: Operation, { sheet }: SetupDocument, { holding }: Solution) {
  const { tool, rows, lowestZ, from } = operation
  const thick = nanometresOf(sheet.stock?.Z)
  return rows.flatMap(({ row, extents: { Z } }) => {
    const plan = sheet.offsets.find((offset) => offset.row === row)
    const facing = plan && readLength(plan.Z.facing)
    if (Z === undefined || holding === undefined || facing?.ok !== true) return []
    const clearOf = (belowTop: Nanometres) => toNanometres(Z[0] - (facing.value.nm - belowTop))
    const judge = (code: ProgramJudgementCode, amount: Nanometres) =>
      amount > 0
        ? []
        : [
            judged(code, lowestZ?.at ?? from, {
              row,
              amount,
              ...(tool !== undefined && { tool }),
            }),
          ]
    const through = (clear: Nanometres) =>
      judge(clear < -BREAK_THROUGH_NM ? 'cuts-far-beneath' : 'reaches-parallels', clear)
    return [
      ...judge('reaches-jaws', clearOf(holding.protrusion)),
      ...(thick === undefined ? [] : through(clearOf(thick))),
    ]
  })
}

/** A drill's point and a little air come out of a part that is drilled through. Common practice, no source. */
const BREAK_THROUGH_NM = 3 * NANOMETRES_PER.mm
