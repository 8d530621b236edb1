import { addressParts, offsetAddress, type Address } from '../address/address'
import type { SetupDocument } from '../facts/document'
import type { OffsetRow } from '../address/row'
import { isCaptured, keyModeOf } from '../keyin/key-in'
import { axesRead, inMachinePosition, type QuantityName } from '../quantities/quantities'
import type { SetupSheet } from '../sheet/sheet'
import type { Step } from './step'

type ReadStep = Extract<Step, { does: 'read' }>
type KeyInStep = Extract<Step, { does: 'key-in' }>

/**
 * The steps with each register keyed where that is done: right after the touch that makes its number known where the control
 * captures the place at which the axis stands, or where the person keys each number as it is known; else all of them
 * together, where they stand.
 */
export function inOrderOfKeying(
  { sheet }: Pick<SetupDocument, 'sheet'>,
  steps: readonly Step[],
): readonly Step[] {
  const reads = steps.filter((step) => step.does === 'read')
  const after = new Map<string, KeyInStep[]>()
  const moved = new Set<Step>()
  for (const step of steps) {
    if (step.does !== 'key-in') continue
    const own = reads.filter(({ stop }) => stop === step.stop)
    const touch = keyedAt(sheet, step, own)
    if (touch === undefined) continue
    moved.add(step)
    after.set(touch.key, [...(after.get(touch.key) ?? []), { ...step, station: touch.station }])
  }
  return steps.flatMap((step) => (moved.has(step) ? [] : [step, ...(after.get(step.key) ?? [])]))
}

/** The touch after which a register is keyed; undefined where it is keyed together with the others. */
function keyedAt(
  sheet: SetupSheet,
  { address, stop }: KeyInStep,
  reads: readonly ReadStep[],
): ReadStep | undefined {
  const touch = reads.findLast((step) => waitsOn(sheet, address, step))
  if (touch === undefined || sheet.keying === 'as-known' || stop !== undefined) return touch
  const captured = isCaptured(keyModeOf(sheet.machine.control, address))
  return captured && inMachinePosition(touch.quantity) ? touch : undefined
}

/** Whether a register's own number waits for a touch. */
export function waitsOn(
  sheet: SetupSheet,
  address: Address,
  { station, quantity }: ReadStep,
): boolean {
  const { tools, school, reference } = sheet
  const parts = addressParts(address)
  switch (parts?.of) {
    case undefined:
      return false
    case 'diameter':
      return (
        quantity.of === 'tool-diameter' &&
        tools.some(
          ({ number, diameterRegister }) =>
            number === quantity.tool && diameterRegister === parts.register,
        )
      )
    case 'length': {
      if (station !== 'lengths' || !isTipTouch(quantity)) return false
      const own = tools.find(({ lengthRegister }) => lengthRegister === parts.register)?.number
      // Where all tools are compared with one of them, a length is known once that one is touched as well.
      const master = school === 'master-tool' ? reference?.masterTool : undefined
      return quantity.tool === own || quantity.tool === master
    }
    case 'work-offset':
      if (parts.tool !== undefined) return setsWith(sheet, parts.row, parts.tool, quantity)
      return address === planeAddress(reference?.planeRow)
        ? station === 'reference'
        : 'row' in quantity &&
            quantity.row === parts.row &&
            (parts.axis === 'Z' ? station === 'height' : station === 'plan') &&
            axesRead(quantity).includes(parts.axis)
  }
}

/** Whether a touch of a tool is the one that Z of a row is set by with it. */
function setsWith(
  sheet: SetupSheet,
  row: OffsetRow,
  tool: number,
  quantity: QuantityName,
): boolean {
  if (!isTipTouch(quantity) || quantity.tool !== tool) return false
  const Z = sheet.offsets.find((plan) => plan.row === row)?.Z
  if (Z?.by === 'fixture-difference') return setsWith(sheet, Z.from, tool, quantity)
  // The tool that the row was found by touched its top; any other one only where all of them are touched.
  return Z?.by === 'tool-on-part' && Z.tool === tool
    ? quantity.of === 'tip-on-part' && quantity.row === row
    : true
}

const isTipTouch = (quantity: QuantityName) =>
  quantity.of === 'tip-on-plane' || quantity.of === 'tip-on-part'

const planeAddress = (row: NonNullable<SetupSheet['reference']>['planeRow']) =>
  row && offsetAddress(row, 'Z')
