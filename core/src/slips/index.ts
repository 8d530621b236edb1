export { DIGIT_SLIPS, slippedDigits } from './digit-candidates'
export { explain, groupTies } from './explain'
export { type Explanation, SLIP_CODES, causeName } from './slip'
