import { checkDocument, type CheckOff, type SetupDocument } from '../src/facts'
import { type CheckOffBody } from '../src/facts/bodies/check-off'
import { type Proof } from '../src/facts/bodies/proving'
import { type EventBody } from '../src/facts/bodies/event'
import { foundAgain } from '../src/freshness/home-marks'
import { type Author } from '../src/journal'
import { type Entered } from '../src/journal/entered'
import { toNanometres } from '../src/length'
import {
  consequencesOf,
  followingStep,
  mayLook,
  neededFirst,
  stationTrust,
  stepsOf,
} from '../src/plan'
import { proofMove } from '../src/proof'
import { solve } from '../src/solve'
import { wearChange } from '../src/wear'
import { describeProof, spokenNumber } from '../src/words'
import {
  event,
  fact,
  leftTouch,
  MIRA,
  mm,
  planeReadings,
  shown,
  tipTouch,
  workedDocument,
  workedSheet,
} from './worked-example'

const KEYED = [
  ['H1', '-270.000'],
  ['G54.X', '-347.300'],
  ['G54.Y', '-210.000'],
  ['G54.Z', '-30.000'],
] as const

const readings = planeReadings()

const readBacks = KEYED.map(([address, text]) => shown(address, text))

/** The worked example, keyed in and read back equal. */
const keyed = (changes: Partial<SetupDocument> = {}): SetupDocument => ({
  ...workedDocument({}, readings),
  readBacks,
  ...changes,
})
const proof = (details: Partial<Proof> = {}): Proof => ({
  ...fact(),
  row: 'G54',
  tool: 1,
  clearance: mm('25'),
  gap: mm('25.00'),
  overZero: true,
  ...details,
})
const checkOff = (body: CheckOffBody): CheckOff => ({ ...fact(), ...body })
const keyedH1 = () => ({ ...fact(), address: 'H1', mode: 'set', typed: mm('-270.000') }) as const
const states = (document: SetupDocument) =>
  Object.fromEntries(solve(document).registers.map(({ address, state }) => [address, state]))
const stepAt = (document: SetupDocument, key: string) => {
  const state = stepsOf(document, solve(document), false).find(({ step }) => step.key === key)
  if (state === undefined) throw new Error(`no step ${key}`)
  return state
}
const write = (nm: number) => `${(nm / 1e6).toFixed(3)} mm`

describe('a proof', () => {
  test('stands behind the work offset and the one tool', () => {
    expect(states(keyed({ proofs: [proof()] }))).toEqual({
      H1: 'proven',
      'G54.X': 'proven',
      'G54.Y': 'proven',
      'G54.Z': 'proven',
    })
  })

  test('proves no other tool', () => {
    const tools = [...workedSheet().tools, { number: 2, name: 'drill', lengthRegister: 2 }]
    const second = { ...tipTouch(), tool: 2 } as ReturnType<typeof tipTouch>
    const document = keyed({
      sheet: workedSheet({ tools }),
      readings: [...readings, second],
      readBacks: [...readBacks, shown('H2', '-270.000')],
      proofs: [proof()],
    })
    expect(states(document)).toMatchObject({ H1: 'proven', H2: 'keyed' })
    expect(stepAt(document, 'prove:G54:T2').done).toBe(false)
  })

  test('ends with the next key-in of the same register', () => {
    const document = keyed({ proofs: [proof()] })
    const again = { ...document, keyIns: [keyedH1()] }
    expect(states(again)).toMatchObject({ H1: 'keyed', 'G54.Z': 'proven' })
  })

  test('stays when the row is looked at once more and shows the same, and ends where it showed another in between', () => {
    const document = keyed({ proofs: [proof()] })
    const after = (...more: readonly string[]) => ({
      ...document,
      readBacks: [...readBacks, ...more.map((text) => shown('H1', text))],
    })
    expect(states(after('-270.000'))).toMatchObject({ H1: 'proven' })
    expect(states(after('-270.000', '-270.000'))).toMatchObject({ H1: 'proven' })
    expect(states(after('-260.000'))).toMatchObject({ H1: 'read' })
    expect(states(after('-260.000', '-270.000'))).toMatchObject({ H1: 'keyed', 'G54.Z': 'proven' })
  })

  test('ends with a reading of the tool that gives the very same number', () => {
    const [proven, moved] = [proof(), event({ kind: 'tool-changed', tool: 1 })]
    const document = keyed({
      proofs: [proven],
      events: [moved],
      readings: [...readings, tipTouch()],
    })
    expect(states(document)).toMatchObject({ H1: 'keyed', 'G54.X': 'proven' })
  })

  test('a gap that is short by the setter names the setter, and nothing is proven', () => {
    // H keyed without the 50 mm setter: −220 is shown, the tip stands 50 mm too high.
    const solution = solve(keyed({ proofs: [proof({ gap: mm('75.00') })] }))
    expect(solution.proofs[0]).toMatchObject({
      right: false,
      stands: 'too-high',
      error: 50_000_000,
    })
    expect(
      solution.proofs[0]?.causes.find(({ address }) => address === 'H1')?.explanations[0]?.code,
    ).toBe('gauge-forgotten')
    expect(solution.warnings.map(({ code }) => code)).toContain('proof-differs')
    expect(solution.registers.every(({ state }) => state === 'keyed')).toBe(true)
    expect(describeProof(solution.proofs[0]!, write)).toContain('50.000 mm too high')
  })

  test('not over zero is wrong whatever the gap', () => {
    const [verdict] = solve(keyed({ proofs: [proof({ overZero: false })] })).proofs
    expect(verdict?.right).toBe(false)
    expect(describeProof(verdict!, write)).toContain('X0 Y0')
  })

  test('position and distance to go add up to the target, whichever sign the distance is shown with', () => {
    const right = { position: mm('60.000'), distanceToGo: mm('35.000') }
    const signed = { position: mm('60.000'), distanceToGo: mm('-35.000') }
    const wrong = { position: mm('60.000'), distanceToGo: mm('25.000') }
    const sums = [right, signed, wrong].map(
      (stop) => solve(keyed({ proofs: [proof({ stop })] })).proofs[0],
    )
    expect(sums.map((one) => one?.sumError)).toEqual([0, 0, 10_000_000])
    expect(sums.map((one) => one?.right)).toEqual([true, true, false])
    expect(describeProof(sums[2]!, write)).toContain('do not add up')
  })

  test('ends where the sum of external offset, work offset, length and clearance says', () => {
    const sheet = workedSheet({
      machine: { ...workedSheet().machine, externalOffset: { Z: mm('-3') } },
    })
    // The offset gives way to what the control adds by itself: −3 + (−27) − 270 + 25.
    const document = { ...keyed(), sheet }
    expect(
      proofMove(document, solve(document), {
        row: 'G54',
        tool: 1,
        clearance: toNanometres(25_000_000),
      }),
    ).toMatchObject({
      blocks: ['G90 G54 G0 X0 Y0', 'G43 H1 Z25.'],
      machine: { Z: -275_000_000 },
    })
  })
})

describe('the order of work', () => {
  const ready = (['home', 'clean', 'gauges', 'holding'] as const).map((of) => checkOff({ of }))
  const complete = keyed({
    proofs: [proof()],
    checkOffs: [
      ...ready,
      checkOff({ of: 'air-cut', how: 'graphics' }),
      checkOff({ of: 'first-part', measured: [] }),
    ],
  })
  const open = (document: SetupDocument) =>
    stepsOf(document, solve(document), false)
      .filter(({ done }) => !done)
      .map(({ step }) => step.key)

  test('ends at the release, when all else is done', () => {
    expect(open(complete)).toEqual(['record'])
    expect(stationTrust(stepsOf(complete, solve(complete), false), 'key-in')).toBe('proven')
  })

  test('a lift that is in holds the dry run open, and says so', () => {
    const lift = { ...fact(), where: 'external-offset' as const, amount: mm('30') }
    const raised = { ...complete, lifts: [{ ...lift, moves: 'in' as const }] }
    expect(open(raised)).toContain('air-cut')
    expect(solve(raised).warnings).toContainEqual({
      code: 'lift-active',
      place: 'external-offset',
      amount: 30_000_000,
    })
    const down = { ...raised, lifts: [...raised.lifts, { ...lift, moves: 'out' as const }] }
    expect(open(down)).not.toContain('air-cut')
  })

  test('an unproven tool may be accepted by name and reason', () => {
    const document = { ...complete, proofs: [] }
    expect(open(document)).toEqual(['prove:G54:T1', 'record'])
    const accepted = KEYED.map(([address]) => ({
      ...fact(),
      address,
      reason: 'proven on the last part',
      accepts: 'unproven',
    }))
    const trusted = { ...document, acceptances: accepted }
    expect(open(trusted)).toEqual(['record'])
    // What is keyed after that is another number: nobody has taken responsibility for it.
    const again = { ...trusted, keyIns: [keyedH1()] }
    expect(open(again)).toContain('prove:G54:T1')
  })

  test('whoever only read, only keyed or only read back has seen its numbers, and may not look', () => {
    const person = { id: '019aaaaa-0000-7000-8000-00000000dddd', name: 'Ansel Okoro' }
    const by = { ...fact(), by: person }
    const none = { readings: [], keyIns: [], readBacks: [] }
    const [reading] = workedDocument().readings
    const others = workedDocument().readings
    expect(mayLook({ ...none, readings: others }, person)).toBe(true)
    expect(mayLook({ ...none, readings: [...others, { ...reading!, by: person }] }, person)).toBe(
      false,
    )
    const keyIn = { ...by, address: 'H1', mode: 'set', typed: mm('1') } as const
    expect(mayLook({ ...none, keyIns: [keyIn] }, person)).toBe(false)
    const readBack = { ...by, address: 'H1', moment: 'after', shown: mm('1') } as const
    expect(mayLook({ ...none, readings: others, readBacks: [readBack] }, person)).toBe(false)
  })

  test('a machine may ask for a second look, by somebody who keyed nothing, after the last key', () => {
    const machine = { ...complete.sheet.machine, policy: { secondLook: true } }
    const asked = { ...complete, sheet: { ...complete.sheet, machine } }
    const keyIn = { ...keyedH1(), place: readBacks[0]!.place - 1 }
    const withKey = { ...asked, keyIns: [keyIn] }
    const look = (by: Author, place = fact().place) => ({
      ...withKey,
      checkOffs: [...asked.checkOffs, { ...checkOff({ of: 'look' }), by, place }],
    })
    const jory = { id: '019aaaaa-0000-7000-8000-00000000cccc', name: 'Jory Fenn' }
    expect(open(withKey)).toContain('look')
    expect(open(look(MIRA))).toContain('look')
    // A name is no person: two may be called alike, and a file of version 1 knows the name alone.
    expect(open(look({ ...jory, name: MIRA.name }))).toEqual(['record'])
    expect(open(look({ name: MIRA.name }))).toContain('look')
    expect(open(look(jory, readBacks.at(-1)!.place - 1))).toContain('look')
    expect(open(look(jory))).toEqual(['record'])
  })

  test('what a step needs is named: home before a reading, readings before keys, keys before a proof', () => {
    const nothing = workedDocument({}, [])
    const needs = (document: SetupDocument, key: string) =>
      neededFirst(
        document.sheet,
        stepsOf(document, solve(document), false),
        stepAt(document, key).step,
      )?.step.key
    expect(needs(nothing, 'tip-on-plane:T1')).toBe('home')
    expect(needs(nothing, 'carried-difference:G54')).toBeUndefined()
    expect(needs(nothing, 'key-in:G54.X')).toBe('face:G54:left')
    expect(needs(nothing, 'key-in:H1')).toBe('tip-on-plane:T1')
    expect(needs({ ...nothing, readings }, 'prove:G54:T1')).toBe('key-in:H1')
    expect(needs(nothing, 'record')).toBe('home')
    const byTool = workedDocument(
      {
        offsets: [
          { ...workedSheet().offsets[0]!, Z: { by: 'tool-on-part', tool: 1, facing: mm('0') } },
        ],
      },
      [],
    )
    expect(needs({ ...byTool, checkOffs: ready }, 'tip-on-part:G54:T1')).toBe('tip-on-plane:T1')
  })

  test('what was passed over is come back to before what counts on it', () => {
    const document = { ...workedDocument({}, [leftTouch()]), checkOffs: ready }
    const states = stepsOf(document, solve(document), false)
    const after = (key: string) => followingStep(document.sheet, states, [key])?.step.key
    expect(after('face:G54:left')).toBe('face:G54:front')
    expect(after('face:G54:front')).toBe('carried-difference:G54')
    // Z is done last here, the length was passed over: nothing can be keyed before it.
    expect(after('carried-difference:G54')).toBe('tip-on-plane:T1')
  })

  test('a lost home asks for home again, another part for clean seats and its clamping', () => {
    const again = (body: EventBody) =>
      consequencesOf(
        { document: complete, solution: solve(complete) },
        { ...complete, events: [event(body)] },
      )
    const lost = again({ kind: 'home-lost' })
    expect(lost.again.map(({ step }) => step.key)).toEqual(
      expect.arrayContaining(['home', 'tip-on-plane:T1', 'face:G54:left', 'key-in:H1']),
    )
    // The difference on the relative counter does not know the machine's zero: its number holds. What the control has of it after the
    // power was gone is read back anew, and proven anew.
    const Z = lost.changed.find(({ before }) => before.address === 'G54.Z')
    expect(lost.stay).toEqual([])
    expect([Z?.before.value, Z?.after.value, Z?.after.state]).toEqual([
      ...[Z?.after.value, Z?.before.value, 'read'],
    ])
    const part = again({ kind: 'part-changed', row: 'G54' })
    expect(part.again.map(({ step }) => step.key)).toEqual([
      'clean',
      'holding',
      'face:G54:left',
      'face:G54:front',
      'carried-difference:G54',
      'key-in:G54.X',
      'key-in:G54.Y',
      'key-in:G54.Z',
      'prove:G54:T1',
    ])
    expect(part.stay.map(({ address }) => address)).toEqual(['H1'])
  })

  test('what disagrees only with what happened is told, and not what did before', () => {
    const disagrees = (document: SetupDocument, body: EventBody) =>
      consequencesOf(
        { document, solution: solve(document) },
        { ...document, events: [...document.events, event(body)] },
      ).disagrees.map(({ code, place }) => `${code} ${place}`)
    const [setter] = complete.sheet.gauges
    const measured = (size: string): EventBody => ({
      kind: 'gauge-measured',
      gauge: setter!.id,
      size: mm(size),
      since: 'last-good',
    })
    // A setter that is thirty millimetres higher than it was taken for: more likely it was mistyped.
    expect(disagrees(complete, measured('80.000'))).toEqual([`gauge-size-differs ${setter!.name}`])
    expect(disagrees(complete, measured('50.001'))).toEqual([])
    // It had been said before: what happens next has no part in it.
    const said = { ...complete, events: [event(measured('80.000'))] }
    expect(solve(said).warnings.map(({ code }) => code)).toContain('gauge-size-differs')
    expect(disagrees(said, { kind: 'part-changed', row: 'G54' })).toEqual([])
    expect(disagrees(complete, { kind: 'home-lost' })).toEqual([])
  })
})

describe('home by marks', () => {
  const at = (dial: number, coarse: number) => ({
    dial: toNanometres(dial * 1e6),
    coarse: toNanometres(coarse * 1e6),
  })
  const turn = toNanometres(2.54e6)

  test.each([
    ['the same mark: nothing shifts', at(0.8, 100), at(0.8, 100.1), 0, 0, true],
    [
      'zero set 0.05 further: positions read 0.05 lower',
      at(0.8, 100),
      at(0.85, 100),
      -0.05,
      0,
      true,
    ],
    ['past the dial’s zero: 2.53 to 0.01 is 0.02', at(2.53, 100), at(0.01, 100), -0.02, 0, true],
    ['a turn further, by the scale', at(0.8, 100), at(0.8, 102.5), -2.54, 1, true],
    ['two turns back', at(0.8, 100), at(0.9, 95), 4.98, -2, true],
    ['between two turns: the scale cannot tell', at(0.8, 100), at(0.8, 101.2), 0, 0, false],
  ])('%s', (_, before, now, shift, turns, certain) => {
    const found = foundAgain(before, now, turn)
    expect(found.shift / 1e6).toBeCloseTo(shift, 9)
    expect(found).toMatchObject({ turns, certain })
  })
})

describe('the first part', () => {
  const sheet = workedSheet({
    tools: [{ number: 1, name: 'end mill', lengthRegister: 1, diameterRegister: 1 }],
  })
  const measured = (feature: 'outside-width' | 'inside-width' | 'floor-depth', is: string) =>
    wearChange({ feature, tool: 1, nominal: mm('20'), measured: mm(is) }, sheet)

  test.each([
    [
      'an outside width too large: the cutter is smaller than its register',
      'outside-width',
      '20.04',
      'D1',
      -0.04,
    ],
    ['a slot too narrow: likewise', 'inside-width', '19.96', 'D1', -0.04],
    ['a floor too deep: H grows', 'floor-depth', '20.02', 'H1', 0.02],
  ] as const)('%s', (_, feature, is, address, change) => {
    expect(measured(feature, is)).toEqual({ address, change: toNanometres(change * 1e6), share: 1 })
  })

  test('a control that keeps radii takes half', () => {
    const control = { ...sheet.machine.control, diameterRegister: 'radius' as const }
    expect(
      wearChange(
        { feature: 'outside-width', tool: 1, nominal: mm('20'), measured: mm('20.04') },
        { ...sheet, machine: { ...sheet.machine, control } },
      )?.change,
    ).toBe(-20_000)
  })
})

describe('holding the part', () => {
  const held = (jaw: string, parallels: string, sideCut: string) =>
    solve(
      workedDocument({ holding: { jaw: mm(jaw), parallels: mm(parallels), sideCut: mm(sideCut) } }),
    )

  test('jaws of 50 on parallels of 40 grip 10 and leave 30 of 40 mm stock', () => {
    expect(held('50', '40', '25').holding).toEqual({
      leastGrip: 2_000_000,
      grip: 10_000_000,
      protrusion: 30_000_000,
      holds: true,
      clear: 5_000_000,
      sideCutClears: true,
    })
  })

  test.each([
    ['equal heights grip nothing', '50', '50', '10', 'no-grip'],
    ['a side cut into the jaws', '50', '40', '29.8', 'side-cut-meets-jaws'],
  ])('%s', (_, jaw, parallels, cut, code) => {
    expect(held(jaw, parallels, cut).warnings.map((one) => one.code)).toContain(code)
  })
})

test('a number is read out digit by digit', () => {
  expect(spokenNumber('\u2212218.462', 'mm')).toBe(
    'minus two one eight point four six two millimetres',
  )
})

test('proofs, lifts and checks that point nowhere or cannot be read are told with their place', () => {
  const document = keyed({
    proofs: [proof({ row: 'G57', tool: 9, gap: mm('2 5') })],
    lifts: [{ ...fact(), moves: 'in', where: 'lengths', amount: mm('-3') }],
    checkOffs: [
      checkOff({
        of: 'first-part',
        measured: [{ feature: 'floor-depth', tool: 7, nominal: mm('5'), measured: mm('') }],
      }),
    ],
  })
  const at = ([one]: readonly Entered[]) => `facts.${one?.place}.body`
  expect(checkDocument(document).map(({ place }) => place)).toEqual([
    `${at(document.proofs)}.row`,
    `${at(document.proofs)}.tool`,
    `${at(document.proofs)}.gap`,
    `${at(document.lifts)}.amount`,
    `${at(document.checkOffs)}.measured.0.tool`,
    `${at(document.checkOffs)}.measured.0.measured`,
  ])
})

describe('a router with one bit at a time', () => {
  const sheet = workedSheet({
    school: 'master-tool',
    reference: { masterTool: 1 },
    gauges: [{ id: 'plate', kind: 'plate', name: 'plate', size: mm('12.700') }],
    offsets: [
      { ...workedSheet().offsets[0]!, Z: { by: 'tool-on-part', tool: 1, facing: mm('0') } },
    ],
  })
  const onPlate = (read: string) => ({
    ...fact(),
    of: 'tip-on-part' as const,
    tool: 1,
    row: 'G54' as const,
    read: mm(read),
    with: ['plate'],
  })
  const document = (read: string): SetupDocument => ({
    ...workedDocument({}, [onPlate(read)]),
    sheet,
  })

  test('touches no plane: the bit counts as zero, Z is the plate taken off', () => {
    const keys = stepsOf(document('-50.000'), solve(document('-50.000')), false).map(
      ({ step }) => step.key,
    )
    expect(keys).not.toContain('tip-on-plane:T1')
    expect(
      solve(document('-50.000')).registers.map(({ address, value }) => [address, value]),
    ).toEqual(
      expect.arrayContaining([
        ['H1', 0],
        ['G54.Z', -62_700_000],
      ]),
    )
  })

  test('another bit asks for Z again, and for nothing else', () => {
    const before = document('-50.000')
    const changed = event({ kind: 'tool-changed', tool: 1 })
    const { again, stay } = consequencesOf(
      { document: before, solution: solve(before) },
      { ...before, events: [changed] },
    )
    expect(again.map(({ step }) => step.key)).toEqual(['tip-on-part:G54:T1'])
    expect(stay.map(({ address }) => address)).toEqual(['H1'])
  })
})
