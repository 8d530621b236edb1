import { offsetAddress } from '../address/address'
import type { OffsetRow } from '../address/row'
import type { SetupSheet } from '../sheet/sheet'
import { isToolByTool, registerOfTool } from '../sheet/tool-rows'
import type { Finding } from './quantity-module'

type RegisterFinding = Extract<Finding, { of: 'register' }>

/** The length register of a tool; by the gauge line it is the length itself. Where the control keeps none, Z with this tool. */
export function lengthOf(sheet: SetupSheet, tool: number): readonly RegisterFinding[] {
  const address = registerOfTool(sheet, tool)
  return address === undefined
    ? []
    : [
        {
          of: 'register',
          address,
          isLength: sheet.school === 'gauge-line' && !isToolByTool(sheet),
        },
      ]
}

/** Z of a row; before that is known, how high its stock top lies. */
export const heightOf = (row: OffsetRow): readonly Finding[] => [
  { of: 'register', address: offsetAddress(row, 'Z') },
  { of: 'part-top', row },
]

/** X of the middle of a bore or a boss, with its size. */
export const centreOf = (row: OffsetRow): Finding => ({
  of: 'register',
  address: offsetAddress(row, 'X'),
  size: { row, axis: 'X' },
})
