export { ladderSvg, type DrawnIn } from './ladder-svg'
export { planSvg } from './plan-svg'
