import { toNanometres } from '../length/length'
import type { Comparison, Explanation, SlipCode } from './slip'

/** What goes wrong between the number and the register: sign, unit, point, key, row. */
export function registerCandidates(comparison: Comparison): readonly Explanation[] {
  const { expected, before, mode = 'set', others = [], kind } = comparison
  const gives = (code: SlipCode, value: number, about?: string): Explanation => ({
    code,
    gives: toNanometres(value),
    ...(about === undefined ? {} : { about }),
  })
  return [
    gives('sign-turned', -expected),
    ...(before === undefined
      ? kind === 'size'
        ? []
        : // Unused rows are cleared before a set-up: zero is what a row shows that nothing was stored in.
          [gives('not-committed', 0)]
      : [gives('not-committed', before), gives('half-keyed', (before + expected) / 2)]),
    // The number was worked out in one unit and the control took it, digit for digit, in the other.
    gives('unit-inch-for-mm', expected / 25.4),
    gives('unit-mm-for-inch', expected * 25.4),
    ...[0.001, 0.01, 0.1, 10, 100, 1000].map((factor) =>
      gives('decimal-shifted', expected * factor),
    ),
    ...(kind === 'diameter'
      ? [gives('radius-for-diameter', expected / 2), gives('radius-for-diameter', expected * 2)]
      : []),
    // Typed for setting, taken for adding: on top of what was there. And the other way round.
    ...(before === undefined || mode === 'add' ? [] : [gives('added-not-set', before + expected)]),
    ...(before === undefined || mode !== 'add' ? [] : [gives('set-not-added', expected - before)]),
    ...others.map(({ name, nm }) => gives('other-row', nm, name)),
  ]
}
