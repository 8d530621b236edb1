import { SETUP_FACTS } from '@pine/contract'
import { foldSetup } from '@pine/core/facts'
import type { Gauge, MachineDeclaration } from '@pine/core/sheet'
import { recheckSheet, withRecheckTool, type PocketTool } from '../src/areas/quick/quick-sheet'
import { asksRecheck, recheckLines, recheckView } from '../src/areas/quick/recheck-view'
import { standing, type LoadedSetup } from '../src/data/setup/standing'
import { after, example, mm, NOW, registerAt } from './run/set-ups'

const machine: MachineDeclaration = {
  name: 'Mill 2',
  kind: 'mill',
  control: { decimals: { mm: 3, in: 4 }, lengthKey: 'add', workOffsetKey: 'set' },
}
const setter: Gauge = { id: 'setter', kind: 'height-setter', name: 'setter', size: mm('50.000') }
const start = {
  machineId: '019aaaaa-0000-7000-8000-00000000dddd',
  machine,
  gauges: [setter],
  last: undefined,
  name: 'T3 again 1 Dec, 14:05',
}
const inPocket = (pocket: number): PocketTool => ({
  id: `019aaaaa-0000-7000-8000-00000000eee${pocket}`,
  pocket,
  tool: { name: `drill ${pocket}` },
  lastLength: mm('80.000'),
})
const begun = (pockets: readonly number[], on: MachineDeclaration = machine) =>
  standing(
    foldSetup({
      id: '019aaaaa-0000-7000-8000-00000000aaaa',
      facts: [
        {
          kind: 'sheet',
          body: recheckSheet({ ...start, machine: on }, pockets.map(inPocket))!,
          id: '019aaaaa-0000-7000-8000-000000000001',
          by: { name: 'Mira' },
          at: NOW,
          via: 'typed',
        },
      ],
    }),
    NOW,
  )
const touch = (tool: number, read: string) =>
  ({
    kind: 'reading',
    body: { of: 'tip-on-plane', tool, read: mm(read), with: ['setter'] },
  }) as const
const home = { kind: 'check-off', body: { of: 'home' } } as const
const at = (setup: LoadedSetup, address: string) => recheckView(setup, registerAt(setup, address))
/** The row is read as it is asked for. */
const shows = (setup: LoadedSetup, address: string, text: string): LoadedSetup => {
  const view = at(setup, address)
  if (view?.of !== 'ask') throw new Error('its row is not asked for')
  return after(setup, view.fact(mm(text)))
}
const verdict = (setup: LoadedSetup, address: string) => {
  const view = at(setup, address)
  if (view?.of !== 'verdict') throw new Error('nothing is said of it')
  return view
}

test('the tools of its pockets by their own names, one after the other; what the contract takes', () => {
  const sheet = recheckSheet(start, [2, 3].map(inPocket))!
  expect(SETUP_FACTS.sheet.body.safeParse(sheet).success).toBe(true)
  expect(sheet).toMatchObject({
    quick: 'recheck',
    tools: [2, 3].map((number) => ({
      number,
      name: `drill ${number}`,
      assembly: inPocket(number).id,
      lengthRegister: number,
      lastLength: mm('80.000'),
    })),
  })
  expect(withRecheckTool(sheet, inPocket(3))).toBe(sheet)
  expect(withRecheckTool(sheet, inPocket(4)).tools.map(({ number }) => number)).toEqual([2, 3, 4])
  const none = { ...machine, control: { ...machine.control, toolLengths: 'none' as const } }
  expect(recheckSheet({ ...start, machine: none }, [inPocket(3)])).toBeUndefined()
})

test('touched, its row read, it holds and is kept: nothing is keyed, and nothing is open', () => {
  const touched = after(begun([3]), home, touch(3, '-220.000'))
  expect(asksRecheck(touched, registerAt(touched, 'H3'))).toBe(true)
  const read = shows(touched, 'H3', '-269.996')
  const { keep, correct, ...seen } = verdict(read, 'H3')
  expect(seen).toMatchObject({ isWrong: false, holds: '−269.996 mm', found: '−270.000 mm' })
  expect([keep?.length, correct.length]).toEqual([3, 1])
  const kept = after(read, ...keep!)
  expect(kept.next).toBeUndefined()
  expect(registerAt(kept, 'H3').value).toBe(-269_996_000)
  expect(recheckLines(kept)).toEqual([{ tool: 'T3', text: '−269.996 mm holds', kept: true }])
})

test('off, it is not kept by a press: it is corrected, and its row keyed and read back', () => {
  const read = shows(after(begun([3]), home, touch(3, '-220.000')), 'H3', '-270.120')
  const { keep, correct, text: says, isWrong, again } = verdict(read, 'H3')
  expect([keep, isWrong, again]).toEqual([undefined, true, 'tip-on-plane:T3'])
  expect(says).toBe('T3 is 0.120 mm longer than H3 says.')
  const corrected = after(read, ...correct)
  expect(asksRecheck(corrected, registerAt(corrected, 'H3'))).toBe(false)
  expect(corrected.next?.step.key).toBe('key-in:H3')
  // A key that adds is told what is missing to what the row was read to hold.
  expect(registerAt(corrected, 'H3').keyIn).toMatchObject({ type: '0.120', after: '-270.000' })
  expect(recheckLines(corrected)[0]?.text).toBe('−270.120 mm → −270.000 mm')
})

test('off by as much as the tool that was touched first, the plane moved', () => {
  const first = shows(after(begun([2, 3]), home, touch(2, '-200.000')), 'H2', '-250.120')
  const both = after(first, ...verdict(first, 'H2').correct, touch(3, '-220.000'))
  expect(verdict(shows(both, 'H3', '-270.118'), 'H3').look).toContain('So is T2')
})

test('touched again after that, it is asked anew', () => {
  const kept = (setup: LoadedSetup) => after(setup, ...verdict(setup, 'H3').keep!)
  const done = kept(shows(after(begun([3]), home, touch(3, '-220.000')), 'H3', '-270.000'))
  const again = after(done, touch(3, '-220.004'))
  expect(at(again, 'H3')?.of).toBe('ask')
})

test('of anything but a recheck it says nothing', () => {
  const job = example('whole-run')
  expect(at(job, 'H1')).toBeUndefined()
  expect(asksRecheck(job, registerAt(job, 'H1'))).toBe(false)
  const none = begun([3])
  expect(at(none, 'G54.Z')).toBeUndefined()
})
