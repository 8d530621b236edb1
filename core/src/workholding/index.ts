export { parallelsThatFit } from './holding'
