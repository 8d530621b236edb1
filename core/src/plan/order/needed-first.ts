import { isOf, offsetAddress } from '../../address/address'
import { axesRead, inMachinePosition, type QuantityName } from '../../quantities/quantities'
import type { SetupSheet } from '../../sheet/sheet'
import { lengthAddressOf, toolOfRegister } from '../../sheet/tool-rows'
import type { ZWay } from '../../schools/ways-of-z'
import { touchesFor } from './order-of-keying'
import { PART_ZERO_AXES } from '../recovery'
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
  const { offsets } = sheet
  const open = states.filter(({ done }) => !done)
  const openRead = (serves: (quantity: QuantityName) => boolean) =>
    open.find(
      (state) =>
        state.step.does === 'read' && state.step.station !== 'stops' && serves(state.step.quantity),
    )
  // One tool at a time: what a stop needs is done in its order, and the tool before has cut.
  const openBefore = (isMeant: (step: Step) => boolean = () => true) =>
    states
      .slice(
        0,
        states.findIndex((one) => one.step.key === step.key),
      )
      .find((state) => !state.done && isMeant(state.step))
  /** Home, where an axis that is read is not home yet: some machines home each by itself. */
  const homeFor = (quantity: QuantityName) =>
    open.find(
      ({ step: one, atHome = [] }) =>
        one.key === 'home' && !axesRead(quantity).every((axis) => atHome.includes(axis)),
    )
  if (step.station === 'stops')
    return step.does === 'read' || step.does === 'key-in'
      ? ((step.does === 'read' ? homeFor(step.quantity) : undefined) ??
          openBefore(({ station }) => station === 'stops') ??
          openRead((one) => finds(sheet, one)))
      : openBefore()
  switch (step.does) {
    case 'read': {
      const { quantity } = step
      const home = homeFor(quantity)
      if (home !== undefined && inMachinePosition(quantity)) return home
      if (quantity.of !== 'tip-on-part') return undefined
      const setsZ = offsets.some(({ row, Z }) => row === quantity.row && Z.by === 'tool-on-part')
      return setsZ
        ? openRead((one) => one.of === 'tip-on-plane' && one.tool === quantity.tool)
        : undefined
    }
    case 'key-in': {
      // Keyed where it was touched, it waits for what its own number waits for and for nothing else.
      if (step.station !== 'key-in') {
        const isWaitedFor = touchesFor(sheet, step.address)
        return (
          openRead((one) => one.of === 'nose-on-plane') ??
          open.find((state) => state.step.does === 'read' && isWaitedFor(state.step))
        )
      }
      const tool = toolOfRegister(sheet, step.address)
      return (
        openRead((one) => one.of === 'nose-on-plane') ??
        openRead((one) =>
          tool === undefined
            ? 'row' in one && isOf(step.address, one.row)
            : 'tool' in one && one.tool === tool,
        ) ??
        openRead(() => true)
      )
    }
    case 'prove': {
      const H = lengthAddressOf(sheet, step.tool)
      return open.find(
        ({ step: one }) =>
          one.does === 'key-in' && (isOf(one.address, step.row) || one.address === H),
      )
    }
    case 'check':
      if (step.check === 'part-zero')
        return open.find(
          ({ step: one }) =>
            one.does === 'key-in' &&
            PART_ZERO_AXES.some(
              (axis) => offsets[0] && one.address === offsetAddress(offsets[0].row, axis),
            ),
        )
      return step.check === 'air-cut' || step.check === 'first-part' || step.check === 'look'
        ? openBefore()
        : undefined
    case 'record':
      return open.find((state) => state.step.does !== 'record')
    case 'sheet':
      return undefined
  }
}

/** Whether Z of a row is counted from what is read there: where it is open, no tool can be set. */
const finds = ({ offsets }: SetupSheet, quantity: QuantityName): boolean =>
  quantity.of === 'nose-on-plane' ||
  quantity.of === 'tip-on-plane' ||
  offsets.some(
    ({ row, Z }) => 'row' in quantity && quantity.row === row && isWayOfZ(Z.by, quantity),
  )

const isWayOfZ = (by: ZWay, { of }: QuantityName): boolean =>
  of === by || (by === 'tool-on-part' && of === 'tip-on-part')
