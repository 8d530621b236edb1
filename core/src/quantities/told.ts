import { lengthAddress, offsetAddress } from '../address/address'
import type { OffsetRow } from '../address/row'
import type { SetupSheet } from '../sheet/sheet'
import type { Told } from './quantity-module'

type ToldRegister = Extract<Told, { of: 'register' }>

/** The length register of a tool; by the gauge line it is the length itself. */
export function lengthOf({ school, tools }: SetupSheet, tool: number): readonly ToldRegister[] {
  const declared = tools.find(({ number }) => number === tool)
  return declared === undefined
    ? []
    : [
        {
          of: 'register',
          address: lengthAddress(declared.lengthRegister),
          isLength: school === 'gauge-line',
        },
      ]
}

/** Z of a row; before that is known, how high its raw top lies. */
export const heightOf = (row: OffsetRow): readonly Told[] => [
  { of: 'register', address: offsetAddress(row, 'Z') },
  { of: 'part-top', row },
]

/** X of the middle of a bore or a boss, with its size. */
export const centreOf = (row: OffsetRow): Told => ({
  of: 'register',
  address: offsetAddress(row, 'X'),
  size: { row, axis: 'X' },
})
