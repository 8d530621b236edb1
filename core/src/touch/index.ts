export { BLOCK_GRADES, type BlockGrade, blockLimitMm, finestGrade } from './gauge-block-limits'
export {
  GAUGE_FACTS,
  GAUGE_KINDS,
  type GaugeKind,
  STYLUS_GAUGES,
  TURNING_GAUGES,
  gaugeServes,
} from './gauge-kinds'
export {
  FACES,
  FACES_OF_AXIS,
  type Face,
  type PlanAxis,
  type Side,
  type Way,
  axisOfFace,
} from './touch'
