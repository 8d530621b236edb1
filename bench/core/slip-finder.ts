import { writeFileSync } from 'node:fs'
import { Chance } from '../../core/test/random'
import { runTrials } from '../../core/test/slip-trials'

// Measures the slip finder: one slip of each class in each of 20,000 random set-ups, and none where there is none.
// Beside it stands what a bare guess of "sign turned" would get right. Run: npx tsx bench/core/slip-finder.ts [SETUPS]

const setups = Number(process.argv[2] ?? 20_000)
const { scores, falseAlarms } = runTrials(new Chance(2026), setups)
const percent = (part: number, whole: number) =>
  `${((100 * part) / Math.max(whole, 1)).toFixed(2)} %`
const total = scores.reduce((sum, { made }) => sum + made, 0)
const lines = [
  '# The slip finder, measured',
  '',
  `${setups} random set-ups (core/test/physical-model.ts, seed 2026) with one slip of each class in each. Slips are made on the readings or`,
  'on the keyed text and not by the formulas of the finder (core/test/slip-trials.ts). A tie (causes that give the very same number)',
  `counts as one place; two slips at once are joined by a plus. Printed by bench/core/slip-finder.ts. False alarms where nothing was wrong: ${falseAlarms}.`,
  '',
  '| slip | made | true cause listed | listed first |',
  '| --- | ---: | ---: | ---: |',
  ...scores.map(
    ({ code, made, listed, first }) =>
      `| ${code} | ${made} | ${percent(listed, made)} | ${percent(first, made)} |`,
  ),
  `| **all** | ${total} | ${percent(
    scores.reduce((sum, { listed }) => sum + listed, 0),
    total,
  )} | ${percent(
    scores.reduce((sum, { first }) => sum + first, 0),
    total,
  )} |`,
  `| _always guessing “sign turned”_ | ${total} | ${percent(scores.find(({ code }) => code === 'sign-turned')?.made ?? 0, total)} | ${percent(scores.find(({ code }) => code === 'sign-turned')?.made ?? 0, total)} |`,
  '',
]
process.stdout.write(lines.join('\n'))
if (setups >= 20_000)
  writeFileSync(new URL('../../docs/slip-finder.md', import.meta.url), lines.join('\n'))
