import { zAddress, isToolByTool } from '../sheet/tool-rows'
import type { SetupDocument } from '../facts/document'
import { AXES, isOffsetRow } from '../address/row'
import type { Operation } from '../program/program-reading'
import type { ProgramJudgement } from '../program/judgement/program-judgement'
import type { Register } from '../registers/register'
import type { Solution } from '../solve/solution'
import { judged } from './judged'

/** What an operation needs of the registers that hold lengths, diameters and work offsets. */
export const registerNeeds = (
  operation: Operation,
  document: SetupDocument,
  solution: Solution,
): readonly ProgramJudgement[] => [
  ...(isToolByTool(document.sheet) ? lengthsCalled(operation) : lengthNeeds(operation, solution)),
  ...diameterNeeds(operation, solution),
  ...rowNeeds(operation, document, solution),
]

/** A length that a program calls where the control keeps none: it stops there, or goes on without. */
const lengthsCalled = ({ tool, lengths }: Operation) =>
  lengths.flatMap(({ register, at }) =>
    register === 0
      ? []
      : [judged('no-length-registers', at, { register, ...(tool !== undefined && { tool }) })],
  )

function lengthNeeds({ tool, lengths }: Operation, solution: Solution) {
  return lengths.flatMap(({ register, at }) => {
    const code = needOf(
      solution.registers.find(({ address }) => address === `H${register}`),
      'length',
    )
    // H0 is no length at all, on purpose.
    return code === undefined || register === 0
      ? []
      : [judged(code, at, { register, ...(tool !== undefined && { tool }) })]
  })
}

/** Nothing proves a D but the part itself: once keyed it is as good as it gets before cutting. */
function diameterNeeds({ tool, diameters }: Operation, solution: Solution) {
  return diameters.flatMap(({ register, at }) => {
    const state = solution.registers.find(({ address }) => address === `D${register}`)?.state
    if (register === 0 || state === 'keyed' || state === 'proven') return []
    const code = state === 'stale' ? 'diameter-stale' : 'diameter-not-set'
    return [judged(code, at, { register, ...(tool !== undefined && { tool }) })]
  })
}

function rowNeeds({ tool, rows }: Operation, { sheet }: SetupDocument, solution: Solution) {
  return rows.flatMap(({ row, at: place }) => {
    if (!sheet.offsets.some((offset) => offset.row === row))
      return [judged('offset-not-on-sheet', place, { row })]
    // One judgement a row: its least certain axis.
    const codes = AXES.map((axis) => {
      const wanted =
        axis === 'Z' && isOffsetRow(row) ? zAddress(sheet, row, tool ?? -1) : `${row}.${axis}`
      return needOf(
        solution.registers.find(({ address }) => address === wanted),
        'offset',
      )
    })
    const worst = (['offset-not-set', 'offset-stale', 'offset-unproven'] as const).find((code) =>
      codes.includes(code),
    )
    return worst === undefined
      ? []
      : [
          judged(worst, place, {
            row,
            ...(isToolByTool(sheet) && tool !== undefined && { tool }),
          }),
        ]
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
