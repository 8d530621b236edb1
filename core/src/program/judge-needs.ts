import { toNanometres, type Nanometres } from '../length/length'
import { readLength } from '../length/read-length'
import { outOfReach, type WorkPosition } from '../proof/reach'
import type { SetupDocument } from '../setup/document'
import { OFFSET_ROWS, type MachineAxis, type OffsetRow } from '../setup/sheet'
import type { Register, Solution } from '../setup/solution'
import { JUDGEMENT_SEVERITIES } from './judgement-severities'
import type {
  Operation,
  ProgramJudgement,
  ProgramJudgementCode,
  ProgramPlace,
  ProgramReading,
} from './program-types'

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
  const used = new Set(reading.operations.flatMap(({ rows }) => [...rows.keys()]))
  const start: ProgramPlace = { line: 1, excerpt: '' }
  return [
    ...(reading.unit !== undefined && reading.unit !== document.sheet.unit
      ? [judged('unit-differs', start)]
      : []),
    ...reading.operations.flatMap((operation) => [
      ...toolNeeds(operation, document),
      ...lengthNeeds(operation, solution),
      ...rowNeeds(operation, document, solution),
      ...travels(operation, document, solution),
      ...jaws(operation, document, solution),
    ]),
    ...document.sheet.offsets
      .filter(({ row }) => !used.has(row))
      .map(({ row }) => judged('offset-not-used', start, { row })),
  ]
}

function toolNeeds({ tool, from }: Operation, { sheet }: SetupDocument) {
  const known = tool === undefined || sheet.tools.some(({ number }) => number === tool)
  return known ? [] : [judged('tool-not-on-sheet', from, { tool })]
}

function lengthNeeds({ tool, lengths }: Operation, solution: Solution) {
  return [...lengths].flatMap(([register, place]) => {
    const code = needOf(
      solution.registers.find(({ address }) => address === `H${register}`),
      'length',
    )
    return code === undefined
      ? []
      : [judged(code, place, { register, ...(tool !== undefined && { tool }) })]
  })
}

function rowNeeds({ rows }: Operation, { sheet }: SetupDocument, solution: Solution) {
  return [...rows].flatMap(([row, place]) => {
    if (!sheet.offsets.some((offset) => offset.row === row))
      return [judged('offset-not-on-sheet', place, { row })]
    // One judgement a row: its least certain axis.
    const codes = AXES.map((axis) =>
      needOf(
        solution.registers.find(({ address }) => address === `${row}.${axis}`),
        'offset',
      ),
    )
    const worst = (['offset-not-set', 'offset-stale', 'offset-unproven'] as const).find((code) =>
      codes.includes(code),
    )
    return worst === undefined ? [] : [judged(worst, place, { row })]
  })
}

function needOf<Kind extends 'length' | 'offset'>(register: Register | undefined, kind: Kind) {
  switch (register?.state) {
    case undefined:
    case 'not-read':
    case 'read':
      return `${kind}-not-set` as const
    case 'stale':
      return `${kind}-stale` as const
    case 'keyed':
      return `${kind}-unproven` as const
    case 'proven':
      return undefined
  }
}

/** Every end of what an operation reaches, with today’s offsets; the worst of each axis is told. */
function travels(operation: Operation, document: SetupDocument, solution: Solution) {
  const { tool, extents, rows, lowestZ, from } = operation
  return [...extents].flatMap(([row, ranges]) => {
    if (!isRow(row)) return []
    const ends: readonly WorkPosition[] = AXES.flatMap((axis) =>
      (ranges[axis] ?? []).map((at) => ({ row, tool: tool ?? -1, [axis]: at })),
    )
    const beyond = outOfReach(document, solution, ends)
    return AXES.flatMap((axis) => {
      const worst = beyond
        .filter((one) => one.axis === axis)
        .sort((a, b) => b.beyond - a.beyond)
        .at(0)
      const place = (axis === 'Z' ? lowestZ?.at : undefined) ?? rows.get(row) ?? from
      return worst ? [judged('beyond-travel', place, { row, axis, amount: worst.beyond })] : []
    })
  })
}

/** Work Z of the jaws’ upper edge against the lowest Z of each row. */
function jaws(operation: Operation, document: SetupDocument, { holding }: Solution) {
  if (holding === undefined) return []
  const { tool, extents, lowestZ, from } = operation
  return [...extents].flatMap(([row, { Z }]) => {
    const plan = document.sheet.offsets.find((offset) => offset.row === row)
    const facing = plan && readLength(plan.Z.facing)
    if (Z === undefined || facing?.ok !== true) return []
    const clear = toNanometres(Z[0] - (facing.value.nm - holding.protrusion))
    return clear > 0
      ? []
      : [
          judged('reaches-jaws', lowestZ?.at ?? from, {
            row,
            amount: clear,
            ...(tool !== undefined && { tool }),
          }),
        ]
  })
}

const isRow = (row: string): row is OffsetRow => (OFFSET_ROWS as readonly string[]).includes(row)

const judged = (
  code: ProgramJudgementCode,
  place: ProgramPlace,
  about: {
    readonly tool?: number
    readonly register?: number
    readonly row?: string
    readonly axis?: MachineAxis
    readonly amount?: Nanometres
  } = {},
): ProgramJudgement => ({ code, severity: JUDGEMENT_SEVERITIES[code], ...place, ...about })
