import type { Chance } from '../random'

/** A program of random blocks, of the kinds that the tests' own interpreter knows. */
export function writeProgram(chance: Chance): string {
  const number = () =>
    (chance.whole(-60_000, 60_000) / 1000).toFixed(chance.of([1, 3])).replace(/\.0$/, '.')
  const axes = (letters: string) =>
    [...letters]
      .filter(() => chance.next() < 0.6)
      .map((letter) => `${letter}${number()}`)
      .join(' ')
  const L = () => (chance.next() < 0.3 ? ` L${chance.whole(0, 4)}` : '')
  const kinds: readonly (() => readonly string[])[] = [
    () => [`G${chance.of([0, 1])} ${axes('XYZ')} F${chance.whole(50, 900)}`],
    () => [axes('XYZ')],
    () => [`G${chance.of([90, 91])}`],
    () => [`G${chance.of([17, 18, 19])}`],
    () => [`G${chance.of([20, 21])}`],
    () => [`G${chance.of([54, 55, 58])}`],
    () => [
      `G${chance.of([73, 81, 83, 89])} G${chance.of([98, 99])} X${number()} Y${number()} Z${number()} R${number()}${L()}`,
      `${axes('XYZ')}${L()}`,
      ...(chance.next() < 0.7 ? ['G80'] : []),
    ],
    () => [`G${chance.of([28, 30])} ${axes('XYZ')}`],
    () => [`G53 G0 ${axes('XYZ')}`],
    () => [`T${chance.whole(1, 20)} M6 (tool)`],
    () => [`G43 H${chance.whole(1, 20)} Z${number()}`],
    () => ['G49'],
    () => [`D${chance.whole(1, 20)}`, `G41 ${axes('XY')}`, 'G40'],
    () => [`G42 D${chance.whole(1, 20)} ${axes('XY')}`, 'G40'],
    // A macro call, a rotation and its end, a code that nobody knows: their axis words are their own.
    () => [`G65 P9010 ${axes('XYZ')}`],
    () => [`G68 X${number()} Y${number()} R${chance.whole(1, 90)}`, 'G69'],
    () => [`G187 P1 ${axes('XYZ')}`],
    () => ['#101=3.5'],
    () => ['(a comment with X99 in it)'],
  ]
  return [
    'G21 G90 G17 G40 G49 G80',
    ...Array.from({ length: chance.whole(5, 40) }, () => chance.of(kinds)()).flat(),
    'M30',
  ].join('\n')
}
