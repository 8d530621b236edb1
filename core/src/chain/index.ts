export { type Chain, valueOf } from './chain'
export { traceOf } from './trace'
