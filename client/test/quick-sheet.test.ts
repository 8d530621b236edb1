import { SETUP_FACTS } from '@pine/contract'
import type { Gauge, MachineDeclaration } from '@pine/core/sheet'
import { draftOf, finish } from '../src/areas/new-setup/sheet-draft'
import { keyedLines } from '../src/areas/quick/keyed-lines'
import { nextNumber, quickSheet, withQuickRow, withQuickTool } from '../src/areas/quick/quick-sheet'
import { standing } from '../src/data/setup/standing'
import { after, example, mm, NOW } from './run/set-ups'
import { foldSetup } from '@pine/core/facts'

const machine: MachineDeclaration = {
  name: 'Mill 2',
  kind: 'mill',
  control: { decimals: { mm: 3, in: 4 }, lengthKey: 'set', workOffsetKey: 'set' },
}
const setter: Gauge = { id: 'setter', kind: 'height-setter', name: 'setter', size: mm('50.000') }
const start = {
  machineId: '019aaaaa-0000-7000-8000-00000000dddd',
  machine,
  gauges: [setter],
  last: undefined,
  tool: 3,
  name: 'Measured 1 Dec, 14:05',
}
const sheet = quickSheet(start)!
const begun = (body = sheet) =>
  standing(
    foldSetup({
      id: '019aaaaa-0000-7000-8000-00000000aaaa',
      facts: [
        {
          kind: 'sheet',
          body,
          id: '019aaaaa-0000-7000-8000-000000000001',
          by: { name: 'Mira' },
          at: NOW,
          via: 'typed',
        },
      ],
    }),
    NOW,
  )
const keys = (setup: ReturnType<typeof begun>) => setup.steps.map(({ step }) => step.key)

test('a quick one: one tool, no stock, no job, and what the contract takes', () => {
  expect(SETUP_FACTS.sheet.body.safeParse(sheet).success).toBe(true)
  expect(sheet).toMatchObject({ quick: 'lengths', keying: 'as-known', gauges: [{ id: 'setter' }] })
  expect(sheet.stock).toBeUndefined()
  expect(sheet.tools).toEqual([{ number: 3, name: 'tool 3', lengthRegister: 3 }])
  expect(keys(begun())).toEqual(['home', 'tip-on-plane:T3', 'key-in:H3'])
  // T0 is a tool on some controls.
  expect(SETUP_FACTS.sheet.body.safeParse(quickSheet({ ...start, tool: 0 })).success).toBe(true)
})

test('as the last set-up on the machine: its school, its plane, its gauges as they are today', () => {
  const last = example('whole-run').document
  const like = quickSheet({ ...start, last })!
  expect([like.school, like.plane]).toEqual([last.sheet.school, last.sheet.plane])
  expect(like.holding).toBeUndefined()
  expect(like.tools.map(({ number }) => number)).toEqual([3])
})

test('a control that keeps no lengths begins with its row: one tool at a time', () => {
  const router = quickSheet({
    ...start,
    machine: { ...machine, kind: 'router', control: { ...machine.control, toolLengths: 'none' } },
  })!
  expect(router.quick).toBe('row')
  expect(router.tools[0]).not.toHaveProperty('lengthRegister')
  expect(keys(begun(router)).some((key) => key.startsWith('key-in:G54.Z'))).toBe(true)
  expect(keys(begun(router))).not.toContain('cut:T3')
})

test('another tool and the row join, and nothing that was read is lost', () => {
  const read = after(
    begun(),
    { kind: 'check-off', body: { of: 'home' } },
    {
      kind: 'reading',
      body: { of: 'tip-on-plane', tool: 3, with: ['setter'], read: mm('-220.000') },
    },
    { kind: 'key-in', body: { address: 'H3', mode: 'set', typed: mm('-270.000') } },
    { kind: 'read-back', body: { address: 'H3', moment: 'after', shown: mm('-270.000') } },
  )
  expect(read.next).toBeUndefined()
  expect(keyedLines(read)).toEqual([{ name: 'H3', number: '−270.000 mm' }])
  expect(nextNumber(read.sheetAsWritten)).toBe(4)
  const two = after(read, {
    kind: 'sheet',
    body: withQuickTool(read.sheetAsWritten, 4) as never,
  })
  expect(two.next?.step.key).toBe('tip-on-plane:T4')
  expect(withQuickTool(two.sheetAsWritten, 4)).toBe(two.sheetAsWritten)
  const row = withQuickRow(two.sheetAsWritten, 'middle')!
  expect(row).toMatchObject({ quick: 'row', zero: 'middle, stock top' })
  // Nobody knows how wide it is: the middle of both faces, unchecked.
  expect(row.offsets[0]?.X).toEqual({ by: 'two-faces', side: 'outside', drawing: mm('0') })
  expect(row.offsets[0]?.Z).toMatchObject({ by: 'tool-on-part', tool: 4 })
  const rowed = after(two, { kind: 'sheet', body: row as never })
  expect(keys(rowed)).toEqual(
    expect.arrayContaining(['face:G54:left', 'face:G54:right', 'key-in:G54.X', 'key-in:G54.Z']),
  )
  expect(keys(rowed)).not.toContain('record')
  expect(keyedLines(rowed).map(({ name }) => name)).toEqual(['H3'])
  // A job by name: what comes before a cut is asked.
  const { sheet: job } = finish({ ...draftOf(rowed.sheetAsWritten), name: 'Bracket' })
  const asked = keys(after(rowed, { kind: 'sheet', body: job as never }))
  expect(asked).toEqual(expect.arrayContaining(['clean', 'holding', 'air-cut', 'record']))
})
