import { schemaOfFields } from '@pine/contract'
import { MACHINE_FIELDS, type MachineDeclaration } from '@pine/core/sheet'
import {
  correctedMachine,
  machineDraft,
  machineOf,
  newMachine as unanswered,
  type MachineDraft,
} from '../src/areas/shop/machine/machine-draft'
import { turnsOf } from '../src/areas/shop/machine/turns'

const machineSchema = schemaOfFields(MACHINE_FIELDS)

/** The three questions answered: a control that sets, and whose machine position is read. */
const newMachine: MachineDraft = {
  ...unanswered,
  workOffsetKey: 'set',
  lengthKey: 'set',
  reads: 'machine',
}
const declared = (changes: Partial<MachineDraft>) =>
  machineOf({ ...newMachine, name: ' Old mill ', ...changes })
const machine = (changes: Partial<MachineDraft>) => {
  const outcome = declared(changes)
  if ('problems' in outcome) throw new Error(JSON.stringify(outcome.problems))
  return outcome.made
}

test('a machine as it is at first: what the contract takes, and nothing that was not typed', () => {
  expect(machineSchema.parse(machine({}))).toEqual({
    name: 'Old mill',
    kind: 'mill',
    homing: 'switches',
    reads: 'machine',
    control: {
      decimals: { mm: 3, in: 4 },
      lengthKey: 'set',
      workOffsetKey: 'set',
      lengthSign: 'added',
      diameterRegister: 'diameter',
    },
  })
})

test('what a key does and which number is read is never guessed: each is asked for', () => {
  const outcome = machineOf({ ...unanswered, name: 'Mill' })
  expect(Object.keys('problems' in outcome ? outcome.problems : {})).toEqual([
    'workOffsetKey',
    'lengthKey',
    'reads',
  ])
})

test('travels in machine position, whichever end was typed first', () => {
  const travels = { ...newMachine.travels, X: ['-500', '0'], Z: ['0', '-12.5 '] } as const
  expect(machineSchema.parse(machine({ travels, unit: 'in' })).travels).toEqual({
    X: { min: { text: '-500', unit: 'in' }, max: { text: '0', unit: 'in' } },
    Z: { min: { text: '-12.5', unit: 'in' }, max: { text: '0', unit: 'in' } },
  })
})

test('a control that keeps no lengths, declared and corrected', () => {
  const made = machine({ lengthKey: 'none' })
  expect(machineSchema.parse(made).control.toolLengths).toBe('none')
  expect(machineDraft(made).lengthKey).toBe('none')
  const corrected = correctedMachine(made, { ...machineDraft(made), lengthKey: 'copy-counter' })
  expect('made' in corrected && corrected.made.control).toMatchObject({ lengthKey: 'copy-counter' })
  expect('made' in corrected && corrected.made.control).not.toHaveProperty('toolLengths')
})

test('Z that is keyed another way than X and Y, and the words that lift it clear', () => {
  const made = machine({ workOffsetKey: 'copy', zOffsetKey: 'position', retract: ' g53 g0 z0 ' })
  expect(machineSchema.parse(made)).toMatchObject({
    control: { workOffsetKey: 'copy', workOffsetKeys: { Z: 'position' } },
    retract: 'G53 G0 Z0',
  })
  expect(machine({ retract: ' ' })).not.toHaveProperty('retract')
  expect(machine({ pockets: '24' })).toMatchObject({ pockets: 24 })
  expect(machine({})).not.toHaveProperty('pockets')
  expect(machineOf({ ...newMachine, name: 'Mill', pockets: '1' })).toEqual({
    problems: { pockets: 'A changer has 2 to 400 pockets, and not 1.' },
  })
})

test.each([
  [{ name: ' ' }, 'name', 'the name that the shop calls it'],
  [{ travels: { ...newMachine.travels, Y: ['-300', ''] } }, 'travels.Y.1', 'both ends'],
  [{ travels: { ...newMachine.travels, Y: ['', '-300'] } }, 'travels.Y.1', 'both ends'],
  [{ travels: { ...newMachine.travels, Z: ['5', '5.0'] } }, 'travels.Z.1', 'two ends are the same'],
  [{ travels: { ...newMachine.travels, Z: ['x', '0'] } }, 'travels.Z.1', ''],
  [{ homing: 'marks', turn: '-2' }, 'turn', ''],
  [{ lostMotion: { X: '', Y: '-0.01', Z: '' } }, 'lostMotion.Y', ''],
] satisfies [Partial<MachineDraft>, string, string][])(
  '%j is told at %s',
  (changes, wrong, words) => {
    const outcome = declared(changes)
    if (!('problems' in outcome)) throw new Error('nothing was wrong')
    expect(Object.keys(outcome.problems)).toEqual([wrong])
    const [told = ''] = Object.values(outcome.problems)
    expect(told).toContain(words)
    expect(told.length).toBeGreaterThan(20)
  },
)

test('a dial that is not typed, and a dial of a machine with switches, are left out', () => {
  expect(machine({ homing: 'marks' })).not.toHaveProperty('dialTurn')
  expect(machine({ turn: '2' })).not.toHaveProperty('dialTurn')
  expect(machine({ homing: 'marks', turn: '2' }).dialTurn?.Y).toEqual({ text: '2', unit: 'mm' })
})

test.each([
  ['8000', 8000],
  ['8 000 rpm', 8000],
  ['', undefined],
  ['0', undefined],
  ['fast', undefined],
])('rpm out of “%s”', (text, turns) => expect(turnsOf(text)).toBe(turns))

test('what is chosen is kept', () => {
  const chosen = machine({
    secondLook: 'yes',
    proves: 'riskiest',
    spindle: '8000',
    lengthSign: 'subtracted',
    diameterRegister: 'radius',
    shows: 'hundredths',
    lostMotion: { X: '0.02', Y: '', Z: '0' },
  })
  expect(chosen).toMatchObject({
    policy: { secondLook: true, proves: 'riskiest' },
    maxSpindleSpeed: 8000,
    control: {
      lengthSign: 'subtracted',
      diameterRegister: 'radius',
      decimals: { mm: 2, in: 3 },
    },
    lostMotion: { X: { text: '0.02', unit: 'mm' }, Z: { text: '0', unit: 'mm' } },
  })
})

test('everything that is wrong is told at once, each at its place', () => {
  const outcome = declared({
    name: '',
    travels: { ...newMachine.travels, X: ['1', ''] },
    lostMotion: { X: 'a', Y: '', Z: '-1' },
  })
  expect(outcome).toMatchObject({
    problems: {
      name: expect.any(String),
      'travels.X.1': expect.any(String),
      'lostMotion.X': expect.any(String),
      'lostMotion.Z': expect.any(String),
    },
  })
})

describe('a machine that is corrected', () => {
  const full: MachineDeclaration = {
    ...machine({
      travels: { ...newMachine.travels, X: ['-20', '0'] },
      lostMotion: { X: '', Y: '0.001', Z: '' },
      homing: 'marks',
      turn: '0.1',
      unit: 'in',
      spindle: '8000',
      retract: 'G53 G0 Z0',
      pockets: '30',
      places: {
        ...{ setterX: '-1', setterY: '2', setterTop: '-12', setterFrom: '-1', setterMargin: '0.5' },
        ...{ changeX: '', changeY: '1.5', changeZ: '0', quillTravel: '4', quillWithin: '0.002' },
      },
      workOffsetKey: 'copy',
      zOffsetKey: 'set',
      lengthSign: 'subtracted',
      diameterRegister: 'radius',
      writesOffsets: 'L20',
      writesTools: 'L10',
      kind: 'router',
    }),
    policy: { secondLook: true, proves: 'riskiest', maxAgeDays: 9 },
    externalOffset: { Z: { text: '1', unit: 'mm' } },
  }

  test('is shown as it is, and unchanged it is what it was', () => {
    expect(correctedMachine(full, machineDraft(full))).toEqual({ made: full })
    const plain = machine({})
    expect(correctedMachine(plain, machineDraft(plain))).toEqual({ made: plain })
  })

  test('keeps what the form does not ask', () => {
    const own = {
      ...full,
      control: {
        ...full.control,
        decimals: { mm: 3, in: 5 },
        workOffsetKeys: { X: 'position', Z: 'set' },
      },
    } as const satisfies MachineDeclaration
    expect(correctedMachine(own, machineDraft(own))).toEqual({ made: own })
    const coarser = correctedMachine(own, { ...machineDraft(own), shows: 'hundredths', name: 'B' })
    expect(coarser).toMatchObject({
      made: {
        name: 'B',
        control: { decimals: { mm: 2, in: 3 }, workOffsetKeys: { X: 'position' } },
      },
    })
    expect(correctedMachine(own, { ...machineDraft(own), name: '' })).toHaveProperty(
      'problems.name',
    )
  })
})

describe('what stands on a machine', () => {
  const mm = (text: string) => ({ text, unit: 'mm' as const })
  const SETTER = {
    ...{ setterX: '-20', setterY: '-400', setterTop: '-310' },
    ...{ setterFrom: '-60', setterMargin: '20' },
  }
  const declared = (
    places: Partial<typeof newMachine.places>,
    changes: Partial<MachineDraft> = {},
  ) =>
    machineOf({
      ...newMachine,
      ...{ name: 'Mill', places: { ...newMachine.places, ...places } },
      ...changes,
    })

  test('is declared in machine position, a setter whole', () => {
    expect(declared({ ...SETTER, changeZ: '0', quillTravel: '100' })).toMatchObject({
      made: {
        fixedSetter: {
          ...{ X: mm('-20'), Y: mm('-400'), top: mm('-310') },
          ...{ from: mm('-60'), margin: mm('20') },
        },
        toolChange: { Z: mm('0') },
        quill: { travel: mm('100') },
      },
    })
    expect(declared({})).not.toHaveProperty('made.fixedSetter')
    expect(declared({ ...SETTER, setterTop: ' ' })).toEqual({
      problems: { 'places.setterTop': expect.stringContaining('declared whole') as string },
    })
    expect(declared({ quillWithin: '0.05' })).toHaveProperty('problems', {
      'places.quillTravel': 'Type how far it goes out.',
    })
  })

  test('is told at its field where the machine cannot go, or no tool would clear it', () => {
    const travels = { ...newMachine.travels, X: ['-800', '0'] as const }
    expect(declared({ ...SETTER, setterX: '20' }, { travels })).toEqual({
      problems: { 'places.setterX': expect.stringContaining('does not go to X 20 mm') as string },
    })
    expect(declared({ ...SETTER, setterFrom: '-300' })).toEqual({
      problems: { 'places.setterFrom': expect.stringContaining('no length clears') as string },
    })
    expect(declared({ ...SETTER, setterMargin: '-1' })).toHaveProperty([
      'problems',
      'places.setterMargin',
    ])
    expect(declared({ quillTravel: '0' })).toHaveProperty(['problems', 'places.quillTravel'])
    expect(declared({ changeX: '1,5' })).toHaveProperty(['problems', 'places.changeX'])
    expect(declared({ changeX: '5' }, { travels })).toHaveProperty(['problems', 'places.changeX'])
  })
})
