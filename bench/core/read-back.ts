import { lastDigitsToType, partedDigits, shortReadBackDiffers } from '@pine/core/keyin'
import { DIGIT_SLIPS, slippedDigits } from '@pine/core/slips'
import { pick, random } from '../support/chance'
import { line } from '../support/shop'

// What a read-back of the sign and the last digits catches of the slips that happen between the sheet and the control, beside one press
// without looking and beside every digit typed. The rest is left to the eye, which has the digits between before it.
// Run: npx tsx bench/core/read-back.ts        (CASES=5000, SEED=1, PROVEN=1)

const CASES = Number(process.env['CASES'] ?? 5000)

/** With a proof of each number to follow, fewer digits are asked. */
const PROVEN = process.env['PROVEN'] === '1'

/** A job's rows: the digits tell a number from those of the others. */
const ROWS = 13

/** Of these the program knows what would be shown: it asks for the digits that tell. */
const KNOWN: Readonly<Record<string, true>> = {
  'not stored, and what the row held was read': true,
  'keyed into another row of the job': true,
}

const CONTROLS = [
  { unit: 'mm', decimals: 3, least: -450, most: -30 },
  { unit: 'in', decimals: 4, least: -18, most: -1 },
] as const

type Control = (typeof CONTROLS)[number]

const numberOf = ({ decimals, least, most }: Control) =>
  (least + (most - least) * random()).toFixed(decimals)

/** What the control shows instead, after each slip. */
const SLIPS: Readonly<Record<string, (right: string, control: Control) => string>> = {
  'not stored, and nobody knows what the row held': (_, control) => numberOf(control),
  'not stored, and what the row held was read': (_, control) => numberOf(control),
  'keyed into another row of the job': (_, control) => numberOf(control),
  'sign lost': (right) => right.slice(1),
  'point shifted': (right, { decimals }) =>
    (Number(right) * pick([0.1, 10])).toFixed(decimals).slice(0, 12),
  ...Object.fromEntries(
    DIGIT_SLIPS.map((slip) => [
      slip.replace('-', ' '),
      (right: string) => pick(slippedDigits(right)[slip].filter((text) => text !== right)) ?? right,
    ]),
  ),
}

for (const control of CONTROLS) {
  process.stdout.write(`\n${control.unit}, ${control.decimals} decimals, ${CASES} numbers each\n\n`)
  line('slip at the control', 'every digit', 'sign, digits', 'a press')
  line('---', '---:', '---:', '---:')
  for (const [slip, shownAfter] of Object.entries(SLIPS)) {
    let [whole, last] = [0, 0]
    for (let one = 0; one < CASES; one += 1) {
      const right = numberOf(control)
      const shown = shownAfter(right, control)
      if (shown !== right) whole += 1
      const shop = Array.from({ length: ROWS - 1 }, () => numberOf(control))
      const isKnown = slip in KNOWN
      const count = lastDigitsToType(right, isKnown ? [...shop, shown] : shop, PROVEN)
      const { sign, last: digits } = partedDigits(shown, count)
      if (shortReadBackDiffers(right, { sign, digits }, count) !== undefined) last += 1
    }
    const share = (count: number) => `${((100 * count) / CASES).toFixed(1)} %`
    line(slip, share(whole), share(last), share(0))
  }
}
