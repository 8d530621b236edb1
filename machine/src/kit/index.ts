export { Chance } from './chance'
export { AXES, type Axis, type Place, mapAxes } from './axes'
