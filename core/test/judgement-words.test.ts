import { toNanometres } from '../src/length'
import { NEED_JUDGEMENTS, PROGRAM_JUDGEMENTS } from '../src/program/judgement/program-codes'
import type { ProgramJudgement } from '../src/program/judgement/program-judgement'
import { describeJudgement } from '../src/words'

// What is said of a program, with its tool, row and number put in by hand.

const nm = (millimetres: number) => toNanometres(millimetres * 1e6)
const write = (length: number) => `${(length / 1e6).toFixed(3)} mm`
const title = (code: ProgramJudgement['code'], about: Partial<ProgramJudgement> = {}) =>
  describeJudgement({ code, severity: 'look', line: 1, excerpt: '', ...about }, write).title

test.each<[string, string]>([
  [title('length-differs-from-tool', { tool: 2, register: 3 }), 'T2 is used with H3'],
  [title('diameter-differs-from-tool', { tool: 2, register: 3 }), 'T2 is used with D3'],
  [title('moves-before-length', { tool: 4 }), 'Z moves with T4 before any G43'],
  [title('moves-before-length'), 'Z moves with the tool before any G43'],
  [title('length-not-cancelled', { tool: 4 }), 'The length of T4 is still active'],
  [title('rapid-below-zero', { tool: 4 }), 'T4 goes sideways at rapid below Z0'],
  [title('rapid-below-zero'), 'The tool goes sideways at rapid below Z0'],
  [title('speed-only-in-comment', { tool: 4 }), 'A comment speaks of a speed, no S sets it for T4'],
  [title('speed-only-in-comment'), 'A comment speaks of a speed, no S sets it'],
  [title('lift-active', { amount: nm(23.5) }), 'Everything is raised by 23.500 mm'],
  [title('lift-active'), 'Everything is raised by a lift'],
  [
    title('substitute-compensated', { tool: 2, amount: nm(0.25) }),
    'T2 stands in for a thicker tool, with compensation',
  ],
  [
    title('substitute-not-compensated', { tool: 2, amount: nm(-0.25) }),
    'T2 stands in for a thinner tool, without compensation',
  ],
  [
    title('substitute-not-compensated', { tool: 2 }),
    'T2 stands in for another tool, without compensation',
  ],
  [
    title('beyond-travel', { tool: 2, row: 'G54', axis: 'Z', amount: nm(5) }),
    'T2 in G54: Z goes 5.000 mm beyond the travel',
  ],
  [title('beyond-travel', { row: 'G54', axis: 'X' }), 'G54: X goes beyond the travel'],
  [
    title('reaches-jaws', { tool: 2, row: 'G54', amount: nm(-3) }),
    'T2 in G54 goes 3.000 mm below the upper edge of the jaws',
  ],
  [
    title('reaches-jaws', { tool: 2, row: 'G54' }),
    'T2 in G54 goes down to the upper edge of the jaws',
  ],
  [
    title('cuts-far-beneath', { tool: 2, row: 'G54', amount: nm(-20) }),
    'T2 in G54 goes 20.000 mm below the underside of the part',
  ],
  [
    title('cuts-far-beneath', { tool: 2, row: 'G54' }),
    'T2 in G54 goes far below the underside of the part',
  ],
  [
    title('reaches-parallels', { tool: 2, row: 'G54', amount: nm(-1) }),
    'T2 in G54 goes 1.000 mm through the part',
  ],
  [title('reaches-parallels', { row: 'G54' }), 'G54 goes through the part'],
  [title('speed-above-limit', { speed: 9000 }), 'S9000 is more than the spindle turns'],
  [
    title('no-length-registers', { register: 2 }),
    'H2 is called, and this control keeps no lengths',
  ],
])('%s', (said, wanted) => expect(said).toBe(wanted))

test('a wall is cut too deep by a thicker stand-in and left too thick by a thinner one', () => {
  const why = (amount?: number) =>
    describeJudgement(
      {
        code: 'substitute-not-compensated',
        severity: 'danger',
        line: 1,
        excerpt: '',
        tool: 2,
        ...(amount !== undefined && { amount: nm(amount) }),
      },
      write,
    ).why
  expect(why(0.25)).toContain('left 0.250 mm too thick')
  expect(why(-0.25)).toContain('cut 0.250 mm too deep')
  expect(why()).toContain('off by half of it')
})

test('every judgement has its three sentences, and writes no number that it does not know', () => {
  for (const code of [...PROGRAM_JUDGEMENTS, ...NEED_JUDGEMENTS]) {
    const words = describeJudgement(
      { code, severity: 'look', line: 1, excerpt: '', tool: 2, register: 2, row: 'G54' },
      write,
    )
    expect([words.title, words.why, words.remedy].map((text) => text.length > 10)).toEqual([
      true,
      true,
      true,
    ])
    expect(Object.values(words).join(' ')).not.toMatch(/NaN|\d\.\d{3} mm/)
  }
})
