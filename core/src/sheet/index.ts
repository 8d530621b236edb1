export { checkSheet } from './check/check-sheet'
export { GAUGE_FIELDS, WATCH_FIELDS } from './gauge'
export { isRoughlyKnown, isTooLongForSetter, longestForSetter } from './fixed-setter'
export { checkMachine } from './check/check-machine'
export { needOf } from './check/needs'
export { asksLess, shopMachineOf } from './policy'
export {
  type Against,
  KEYINGS,
  type Keying,
  SHEET_FIELDS,
  STAYS_PUT,
  type StaysPut,
  type SetupSheet,
  type Stock,
  type EarlierPositions,
} from './sheet'
export { type AxisPlan, type OffsetPlan, type ZPlan, sideOf } from './offset-plan'
export { type Gauge, type Stylus } from './gauge'
export { type Tool } from './tool'
export {
  type FixedSetter,
  MACHINE_FIELDS,
  KEY_MODES,
  DISPLAY_HABITS,
  type DisplayHabit,
  type KeyMode,
  type OffsetKeyMode,
  type MachineDeclaration,
  type MachinePolicy,
  PROVES,
  type Proves,
  type Travel,
} from './machine'
export {
  isToolByTool,
  keepsLengths,
  lengthAddressOf,
  registerOfTool,
  toolOfRegister,
} from './tool-rows'
export { usualTolerance } from './usual'
export {
  AXIS_PLACES,
  type AxisPlace,
  facesTouched,
  withFaces,
  withStockSize,
  withZeroAt,
  withZeroHeight,
  ZERO_HEIGHTS,
  type ZeroHeight,
  zeroHeightOf,
  zeroPlaceOf,
  zeroShare,
} from './zero-place'
export { PLAN_WAYS, type PlanWay, planWay } from './plan-ways'
