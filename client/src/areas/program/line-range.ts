/** Lines of a text, both ends included, from 1. */
export interface LineRange {
  readonly from: number
  readonly to: number
}

const BEFORE = 4
const AFTER = 6
const MORE = 20

export const around = (line: number, last: number): LineRange => ({
  from: Math.max(1, line - BEFORE),
  to: Math.min(Math.max(last, 1), line + AFTER),
})
export const earlier = ({ from, to }: LineRange): LineRange => ({
  from: Math.max(1, from - MORE),
  to,
})
export const later =
  (last: number) =>
  ({ from, to }: LineRange): LineRange => ({ from, to: Math.min(last, to + MORE) })
