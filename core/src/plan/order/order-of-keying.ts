import { addressParts, offsetAddress, type Address } from '../../address/address'
import type { SetupDocument } from '../../facts/document'
import type { OffsetRow } from '../../address/row'
import { isCaptured, keyModeOf } from '../../keyin/key-in'
import { axesRead, inMachinePosition, type QuantityName } from '../../quantities/quantities'
import type { SetupSheet } from '../../sheet/sheet'
import type { Step } from './step'

type ReadStep = Extract<Step, { does: 'read' }>
type KeyInStep = Extract<Step, { does: 'key-in' }>

/**
 * The steps with each register keyed where that is done: right after the touch that makes its number known where the control
 * captures the place at which the axis stands, or where the person keys each number as it is known; else all of them
 * together, where they stand. Lengths come first where Z is told as a position: the control works it out with one of them.
 */
export function inOrderOfKeying(
  { sheet }: Pick<SetupDocument, 'sheet'>,
  steps: readonly Step[],
): readonly Step[] {
  const atStop = new Map<number | undefined, ReadStep[]>()
  for (const step of steps) {
    if (step.does !== 'read') continue
    const before = atStop.get(step.stop)
    if (before === undefined) atStop.set(step.stop, [step])
    else before.push(step)
  }
  const after = new Map<string, KeyInStep[]>()
  const moved = new Set<Step>()
  for (const step of steps) {
    if (step.does !== 'key-in') continue
    const touch = keyedAt(sheet, step, atStop.get(step.stop) ?? [])
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
  const touch = reads.findLast(touchesFor(sheet, address))
  if (touch === undefined || sheet.keying === 'as-known' || stop !== undefined) return touch
  if (addressParts(address)?.of === 'length' && isZWorkedOutWithLengths(sheet)) return touch
  const captured = isCaptured(keyModeOf(sheet.machine.control, address))
  return captured && inMachinePosition(touch.quantity) ? touch : undefined
}

/** A tool touches the part, and Z is told as a position: the control takes off the length that is active, as it is by then. */
const isZWorkedOutWithLengths = ({ offsets, machine: { control } }: SetupSheet): boolean =>
  offsets.some(
    ({ row, Z }) =>
      Z.by === 'tool-on-part' && keyModeOf(control, offsetAddress(row, 'Z')) === 'position',
  )

/** Tells of a touch whether a register's own number waits for it. The register is looked up once, for all touches that are asked for. */
export function touchesFor(sheet: SetupSheet, address: Address): (touch: ReadStep) => boolean {
  const { tools, school, reference } = sheet
  const parts = addressParts(address)
  switch (parts?.of) {
    case undefined:
      return () => false
    case 'diameter': {
      const own = tools.flatMap(({ number, diameterRegister }) =>
        diameterRegister === parts.register ? [number] : [],
      )
      return ({ quantity }) => quantity.of === 'tool-diameter' && own.includes(quantity.tool)
    }
    case 'length': {
      const own = tools.find(({ lengthRegister }) => lengthRegister === parts.register)?.number
      // Where all tools are compared with one of them, a length is known once that one is touched as well.
      const master = school === 'master-tool' ? reference?.masterTool : undefined
      return ({ station, quantity }) =>
        station === 'lengths' &&
        isTipTouch(quantity) &&
        (quantity.tool === own || quantity.tool === master)
    }
    case 'work-offset': {
      const { row, axis, tool } = parts
      if (tool !== undefined) return ({ quantity }) => setsWith(sheet, row, tool, quantity)
      if (address === planeAddress(reference?.planeRow))
        return ({ station }) => station === 'reference'
      return ({ station, quantity }) =>
        'row' in quantity &&
        quantity.row === row &&
        station === (axis === 'Z' ? 'height' : 'plan') &&
        axesRead(quantity).includes(axis)
    }
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
