export { checkSheet } from './check-sheet'
export { needOf } from './needs'
export { asksLess, shopMachineOf } from './policy'
export {
  type Against,
  type AxisPlan,
  type Gauge,
  KEY_MODES,
  KEYINGS,
  type Keying,
  type KeyMode,
  type MachineDeclaration,
  type MachinePolicy,
  type OffsetPlan,
  PROVES,
  STAYS_PUT,
  type StaysPut,
  type Proves,
  type SetupSheet,
  type StoodBefore,
  type Tool,
  type Travel,
  type ZPlan,
  sideOf,
} from './sheet'
export { isToolByTool, keepsLengths, registerOfTool, toolOfRegister } from './tool-rows'
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
