import { diameterAddress, offsetAddress, toolOffsetAddress } from '../../address/address'
import { AXES } from '../../address/row'
import type { KnownNames } from '../../fields/walk'
import type { SetupSheet } from '../sheet'
import { isToolByTool, lengthAddressOf } from '../tool-rows'

/** What the facts of a set-up may point at. */
export function namesOf(sheet: SetupSheet): KnownNames {
  return {
    gauges: new Set(sheet.gauges.map(({ id }) => id)),
    tools: new Set(sheet.tools.map(({ number }) => `T${number}`)),
    rows: new Set(sheet.offsets.map(({ row }) => row)),
    addresses: new Set<string>([
      ...sheet.tools.flatMap(({ number, diameterRegister }) => [
        ...[lengthAddressOf(sheet, number)].filter((address) => address !== undefined),
        ...(diameterRegister === undefined ? [] : [diameterAddress(diameterRegister)]),
      ]),
      ...sheet.offsets.flatMap(({ row }) =>
        AXES.filter((axis) => axis !== 'Z' || !isToolByTool(sheet)).map((axis) =>
          offsetAddress(row, axis),
        ),
      ),
      ...(isToolByTool(sheet)
        ? sheet.offsets.flatMap(({ row }) =>
            sheet.tools.map(({ number }) => toolOffsetAddress(row, number)),
          )
        : []),
      ...(sheet.reference?.planeRow === undefined
        ? []
        : [offsetAddress(sheet.reference.planeRow, 'Z')]),
    ]),
  }
}
