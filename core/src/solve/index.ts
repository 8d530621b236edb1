export { convertSolution } from './convert-solution'
export { type Solution } from './solution'
export { solve } from './solve'
