export { StandIn } from './stand-in'
export type { Crash, CrashWhy } from './crash'
export type { Shown, StandInMade } from './made'
