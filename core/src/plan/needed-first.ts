import { isOf, lengthAddress, diameterAddress } from '../address/address'
import { inMachinePosition, type QuantityName } from '../quantities/quantities'
import type { SetupSheet } from '../sheet/sheet'
import { waitsOn } from './order-of-keying'
import type { Step, StepState } from './step'

/**
 * What has to be done before a step can be: home before anything in machine position, a tool's length
 * before Z is set by it, a reading before its number is keyed. Undefined where the step can be done now.
 */
export function neededFirst(
  sheet: SetupSheet,
  states: readonly StepState[],
  step: Step,
): StepState | undefined {
  const { tools, offsets } = sheet
  const open = states.filter(({ done }) => !done)
  const openRead = (serves: (quantity: QuantityName) => boolean) =>
    open.find((state) => state.step.does === 'read' && serves(state.step.quantity))
  switch (step.does) {
    case 'read': {
      const { quantity } = step
      const home = open.find((state) => state.step.key === 'home')
      if (home !== undefined && inMachinePosition(quantity)) return home
      if (quantity.of !== 'tip-on-part') return undefined
      const setsZ = offsets.some(({ row, Z }) => row === quantity.row && Z.by === 'tool-on-part')
      return setsZ
        ? openRead((one) => one.of === 'tip-on-plane' && one.tool === quantity.tool)
        : undefined
    }
    case 'key-in': {
      // Keyed where it was touched, it waits for what its own number waits for and for nothing else.
      if (step.station !== 'key-in')
        return (
          openRead((one) => one.of === 'nose-on-plane') ??
          open.find(
            (state) => state.step.does === 'read' && waitsOn(sheet, step.address, state.step),
          )
        )
      const tool = tools.find(
        ({ lengthRegister, diameterRegister }) =>
          step.address === lengthAddress(lengthRegister) ||
          (diameterRegister !== undefined && step.address === diameterAddress(diameterRegister)),
      )
      return (
        openRead((one) => one.of === 'nose-on-plane') ??
        openRead((one) =>
          tool === undefined
            ? 'row' in one && isOf(step.address, one.row)
            : 'tool' in one && one.tool === tool.number,
        ) ??
        openRead(() => true)
      )
    }
    case 'prove': {
      const H = tools.find(({ number }) => number === step.tool)?.lengthRegister
      return open.find(
        ({ step: one }) =>
          one.does === 'key-in' &&
          (isOf(one.address, step.row) || (H !== undefined && one.address === lengthAddress(H))),
      )
    }
    case 'check':
      return step.check === 'air-cut' || step.check === 'first-part' || step.check === 'look'
        ? open.find(
            (state) => states.indexOf(state) < states.findIndex((one) => one.step.key === step.key),
          )
        : undefined
    case 'record':
      return open.find((state) => state.step.does !== 'record')
    case 'sheet':
      return undefined
  }
}
