export { type Ladder, type RungKey, ladderOf } from './ladder'
export { type PlacedRung, layoutLadder, rungAt } from './ladder-layout'
export { type PlacedFace, type PlacedPlan, layoutPlan } from './plan-layout'
export { type PlacedProof, layoutProof } from './proof-layout'
export { type PlanView, planViewOf } from './plan-view'
export {
  type PlacedView,
  type ProgramView,
  placeProgramView,
  programViews,
  speakProgramView,
} from './program-view'
