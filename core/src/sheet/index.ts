export { checkSheet } from './check-sheet'
export { isRoughlyKnown, isTooLongForSetter, longestForSetter } from './fixed-setter'
export { checkMachine } from './check-machine'
export { needOf } from './needs'
export { asksLess, shopMachineOf } from './policy'
export {
  type Against,
  type AxisPlan,
  type Gauge,
  KEYINGS,
  type Keying,
  type OffsetPlan,
  STAYS_PUT,
  type StaysPut,
  type SetupSheet,
  type Stock,
  type StoodBefore,
  type Stylus,
  type Tool,
  type ZPlan,
  sideOf,
} from './sheet'
export {
  type FixedSetter,
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
