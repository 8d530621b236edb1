import { offsetProgram } from '@pine/core/offset-text'
import { solve } from '@pine/core/solve'
import { forSeeds, modelCase } from '../../core/test/model/case'
import { Chance } from '../../core/test/random'
import { Rows } from '../src/control'
import { isAlarm, Runner } from '../src/program'

// An offset program of the product is run by a control that knows nothing of set-ups: its rows come to hold what is to be keyed.

const ASKED = {
  unproven: 'marked',
  by: 'Mira Toller',
  at: '2026-12-02',
  hash: 'a'.repeat(64),
} as const
const HOME = { X: 0, Y: 0, Z: 0 }

test('random set-ups of every school, unit and sign: what is written is what the rows hold', () => {
  const compared = { rows: 0, L2: 0, L20: 0, in: 0, subtracted: 0 }
  forSeeds(
    400,
    (chance) => {
      const { document: drawn } = modelCase(chance)
      const offsets = chance.of(['L2', 'L20'] as const)
      const tools = chance.of(['L1', 'L10'] as const)
      const { machine } = drawn.sheet
      const control = { ...machine.control, offsetProgram: { offsets, tools } }
      const document = { ...drawn, sheet: { ...drawn.sheet, machine: { ...machine, control } } }
      const solution = solve(document)
      const { text, written } = offsetProgram(document, solution, ASKED)
      const rows = new Rows({
        unit: document.sheet.unit,
        decimals: control.decimals[document.sheet.unit],
        lengthSign: control.lengthSign === 'subtracted' ? -1 : 1,
        diameterAs: control.diameterRegister === 'radius' ? 'radius' : 'diameter',
        keepsLengths: control.toolLengths !== 'none',
        tools: 999,
      })
      for (const axis of ['X', 'Y', 'Z'] as const) {
        const external = machine.externalOffset?.[axis]
        if (external)
          rows.write(
            `EXT.${axis}`,
            Math.round(Number(external.text) * (external.unit === 'mm' ? 1e6 : 25.4e6)),
          )
      }
      const runner = new Runner(text.split('\n'), { rows, position: () => HOME, home: HOME })
      for (let blocks = 0; blocks < 500 && !runner.isOver; blocks += 1) {
        const done = runner.next()
        if (isAlarm(done)) throw new Error(`${done.alarm} at line ${runner.line} of\n${text}`)
      }
      for (const { address, keyIn } of solution.registers) {
        if (!written.includes(address) || keyIn === undefined) continue
        compared.rows += 1
        const holds = rows.read(address)
        if (Math.abs(holds - keyIn.expected) > 0.51 * rows.step)
          throw new Error(`${address} holds ${holds} and not ${keyIn.expected}`)
      }
      compared[offsets] += 1
      if (document.sheet.unit === 'in') compared.in += 1
      if (control.lengthSign === 'subtracted') compared.subtracted += 1
    },
    (seed) => new Chance(seed),
  )
  expect(Math.min(...Object.values(compared))).toBeGreaterThan(10)
})
