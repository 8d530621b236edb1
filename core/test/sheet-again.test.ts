import { solve } from '../src/solve'
import { sheetAgain, sheetFromFile } from '../src/running'
import { event, mm, tipTouch, workedDocument, workedSheet } from './worked-example'

const gaugeLine = workedDocument({ school: 'gauge-line' })
const again = (document = gaugeLine, shop = {}) =>
  sheetAgain(document, solve(document), { gauges: [], ...shop })

test('a tool that was measured against the bare nose brings what it measured, as a control shows it', () => {
  const [tool] = again().tools
  // Nose −350, tip −270: 80 long.
  expect(tool?.lastLength).toEqual(mm('80.000'))
  // Where the plane and the faces stood comes with it: −412.3 with a finder of 10 is a left face at −407.3.
  const stood = {
    plane: mm('-350.000'),
    faces: [
      { row: 'G54', face: 'left', at: mm('-407.300') },
      { row: 'G54', face: 'front', at: mm('-250.000') },
    ],
  }
  expect({ ...again(), tools: [] }).toEqual({
    ...gaugeLine.sheet,
    ...{ repeats: gaugeLine.id, tools: [], stood },
  })
})

test('a length from a plane alone is the plane’s as well: what was known before stays', () => {
  const sheet = workedSheet()
  const known = { ...sheet, tools: [{ ...sheet.tools[0]!, lastLength: mm('81.000') }] }
  const document = { ...workedDocument({}, [tipTouch()]), sheet: known }
  expect(again(document).tools[0]?.lastLength).toEqual(mm('81.000'))
  expect(again(workedDocument({}, [tipTouch()])).tools[0]).not.toHaveProperty('lastLength')
})

test('what no longer held when it was left is not brought along', () => {
  const broke = {
    ...gaugeLine,
    sheet: {
      ...gaugeLine.sheet,
      tools: [{ ...gaugeLine.sheet.tools[0]!, lastLength: mm('80.000') }],
    },
    events: [event({ kind: 'tool-changed', tool: 1 })],
  }
  expect(solve(broke).registers.find(({ address }) => address === 'H1')?.state).toBe('stale')
  expect(again(broke).tools[0]).not.toHaveProperty('lastLength')
})

test('the machine and the gauges are those of today, under the names that the sheet knows', () => {
  const machine = { ...gaugeLine.sheet.machine, retract: 'G53 G0 Z-5' }
  const [first] = gaugeLine.sheet.gauges
  const measured = { ...first!, size: mm('50.004') }
  const other = { ...first!, id: 'elsewhere' }
  const today = again(gaugeLine, { machine, gauges: [other, measured] })
  expect(today.machine).toEqual(machine)
  expect(today.gauges[0]).toEqual(measured)
  expect(today.gauges).toHaveLength(gaugeLine.sheet.gauges.length)
})

test('faces of a part that was changed, and anything after home was lost, did not stay where they were read', () => {
  const after = (body: Parameters<typeof event>[0]) =>
    again({ ...gaugeLine, events: [event(body)] }).stood
  expect(after({ kind: 'part-changed', row: 'G54' })).toEqual({ plane: mm('-350.000') })
  expect(after({ kind: 'part-changed', row: 'G55' })?.faces).toHaveLength(2)
  expect(after({ kind: 'plane-moved' })).toEqual({ faces: expect.any(Array) })
  expect(after({ kind: 'home-lost' })).toBeUndefined()
})

test('a tool that was left out for that day is asked for again', () => {
  const tool = { number: 9, name: 'tap', lengthRegister: 9 }
  const { sheet } = gaugeLine
  const made = again({ ...gaugeLine, sheet: { ...sheet, leftOut: [{ tool, reason: 'broken' }] } })
  expect(made.tools.map(({ number }) => number)).toEqual([1, 9])
  expect(made).not.toHaveProperty('leftOut')
})

test('from a file it goes to the machine of this shop, and repeats nothing that is here', () => {
  const sheet = { ...gaugeLine.sheet, machineId: 'theirs', repeats: 'theirs too' }
  const imported = { file: 'plate.json', sha256: 'ab' }
  const from = (shop: Partial<Parameters<typeof sheetFromFile>[2]>) =>
    sheetFromFile(
      { ...gaugeLine, sheet },
      solve(gaugeLine),
      { machine: undefined, gauges: [], ...shop },
      imported,
    )
  const machine = { ...sheet.machine, retract: 'G53 G0 Z-5' }
  const here = from({ machine: { id: 'ours', machine } })
  expect(here).toMatchObject({ machineId: 'ours', machine, imported })
  expect(here.stood?.plane).toEqual(mm('-350.000'))
  expect(here.tools[0]?.lastLength).toEqual(mm('80.000'))
  expect(here).not.toHaveProperty('repeats')
  // On another machine positions say nothing; what a tool measured against the bare nose still does.
  const elsewhere = from({})
  expect(elsewhere).toMatchObject({ machine: sheet.machine, imported })
  for (const gone of ['machineId', 'stood', 'repeats']) expect(elsewhere).not.toHaveProperty(gone)
  expect(elsewhere.tools[0]?.lastLength).toEqual(mm('80.000'))
  // Its own repeat is one of a set-up that is here.
  const document = { ...gaugeLine, sheet: here }
  expect(again(document)).toMatchObject({ repeats: gaugeLine.id })
  expect(again(document)).not.toHaveProperty('imported')
})
