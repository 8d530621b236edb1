export { type Point, fitCircle } from './circle'
