import type { WrittenLength } from '@pine/core/length'
import type { MachineDeclaration, OffsetPlan, SetupSheet } from '@pine/core/sheet'
import { v7 as uuid } from 'uuid'

// Larkspur Optics Works, an invented workshop that makes astronomy instruments. Every name and
// number here is made up for the demonstration.

export const DEMO_PIN = '2468'
export const DEMO_PEOPLE = [
  { name: 'Mira Toller', role: 'lead' },
  { name: 'Jory Fenn', role: 'setter' },
  { name: 'Ansel Okoro', role: 'setter' },
] as const

export const mm = (text: string): WrittenLength => ({ text, unit: 'mm' })
export const inch = (text: string): WrittenLength => ({ text, unit: 'in' })

const decimals = { mm: 3, in: 4 }

export const MACHINES = {
  mill: {
    name: 'Mill 2',
    kind: 'mill',
    control: {
      decimals,
      lengthKey: 'set',
      workOffsetKey: 'set',
      offsetProgram: { offsets: 'L2', tools: 'L10' },
    },
    travels: {
      X: { min: mm('-700'), max: mm('0') },
      Y: { min: mm('-450'), max: mm('0') },
      Z: { min: mm('-500'), max: mm('0') },
    },
    retract: 'G53 G0 Z0',
    pockets: 16,
  },
  smallMill: {
    name: 'Bench mill',
    kind: 'mill',
    control: { decimals, lengthKey: 'set', workOffsetKey: 'add' },
    // Its zero is set at a mark in the middle of its table.
    travels: {
      X: { min: inch('-10'), max: inch('10') },
      Y: { min: inch('-7'), max: inch('7') },
      Z: { min: inch('-15'), max: inch('1') },
    },
  },
  router: {
    name: 'Router',
    kind: 'router',
    control: { decimals, lengthKey: 'set', workOffsetKey: 'set' },
    travels: {
      X: { min: mm('-5'), max: mm('620') },
      Y: { min: mm('-5'), max: mm('620') },
      Z: { min: mm('-120'), max: mm('0') },
    },
    // Its plane is touched by sliding a block under while rising, its part with paper while lowering.
    lostMotion: { Z: { text: '0.004', unit: 'mm' } },
  },
  // Its control knows no lengths: one tool at a time, and “here Z is …” while the tip stands on the plate.
  smallRouter: {
    name: 'Small router',
    kind: 'router',
    control: { decimals, lengthKey: 'set', workOffsetKey: 'position', toolLengths: 'none' },
    travels: {
      X: { min: mm('-300'), max: mm('0') },
      Y: { min: mm('-200'), max: mm('0') },
      Z: { min: mm('-80'), max: mm('0') },
    },
  },
} as const satisfies Record<string, MachineDeclaration>

export const GAUGES = {
  setter: { id: uuid(), kind: 'height-setter', name: '50 mm setter', size: mm('50.000') },
  finder: { id: uuid(), kind: 'edge-finder', name: '10 mm edge finder', size: mm('10.000') },
  paper: { id: uuid(), kind: 'paper', name: 'paper', size: mm('0.09') },
  block: { id: uuid(), kind: 'gauge-block', name: '25 mm block', size: mm('25.000') },
  finderInch: {
    id: uuid(),
    kind: 'edge-finder',
    name: '0.200 in edge finder',
    size: inch('0.2000'),
    maxSpeed: 1200,
  },
  setterInch: { id: uuid(), kind: 'height-setter', name: '2 in setter', size: inch('2.0000') },
  shim: { id: uuid(), kind: 'shim', name: '0.1 mm shim', size: mm('0.10') },
  plate: {
    id: uuid(),
    kind: 'plate',
    name: 'contact plate',
    size: mm('12.700'),
    wall: mm('5.000'),
  },
  pin: { id: uuid(), kind: 'pin', name: '6 mm pin', size: mm('6.000') },
} as const satisfies Record<string, SetupSheet['gauges'][number]>

const focuserFixture = (row: 'G54' | 'G55', facing: string): OffsetPlan => ({
  row,
  X: {
    by: 'two-faces',
    side: 'outside',
    size: mm('120.000'),
    tolerance: mm('0.050'),
    drawing: mm('0'),
  },
  Y: { by: 'one-face', face: 'front', side: 'outside', drawing: mm('-40.000') },
  Z: { by: 'carried-difference', facing: mm(facing) },
})

/** The tools of the mill, each in the pocket of its number, from job to job. */
const MILL_TOOLS = [
  '50 mm face mill',
  '16 mm end mill',
  '8 mm end mill',
  '10 mm drill',
  'M6 tap',
  '90° chamfer mill',
].map((name, index) => ({ number: index + 1, name, lengthRegister: index + 1, assembly: uuid() }))

export const FOCUSER_BODY: SetupSheet = {
  name: 'Focuser body, two fixtures',
  unit: 'mm',
  machine: MACHINES.mill,
  school: 'gauge-line',
  zero: 'middle of the body, finished top',
  plane: 'fixed jaw of vise 1',
  stock: { X: mm('120'), Y: mm('80'), Z: mm('46') },
  holding: { jaw: mm('50'), parallels: mm('38'), sideCut: mm('30') },
  gauges: [GAUGES.setter, GAUGES.finder, GAUGES.paper],
  tools: MILL_TOOLS,
  offsets: [focuserFixture('G54', '0.5'), focuserFixture('G55', '0.5')],
}

export const CLAMP_RING: SetupSheet = {
  name: 'Clamp ring',
  unit: 'in',
  machine: MACHINES.smallMill,
  school: 'setting-plane',
  zero: 'left front corner, stock top',
  plane: 'table',
  stock: { X: inch('4.250'), Y: inch('4.250'), Z: inch('0.750') },
  gauges: [GAUGES.setterInch, GAUGES.finderInch, GAUGES.paper],
  tools: [
    { number: 1, name: '1/2 in end mill', lengthRegister: 1 },
    { number: 2, name: '1/4 in drill', lengthRegister: 2 },
  ],
  offsets: [
    {
      row: 'G54',
      X: { by: 'one-face', face: 'left', side: 'outside', drawing: inch('0') },
      Y: { by: 'one-face', face: 'front', side: 'outside', drawing: inch('0') },
      Z: { by: 'carried-difference', facing: inch('0') },
    },
  ],
}

export const MIRROR_CELL: SetupSheet = {
  name: 'Mirror cell plate',
  unit: 'mm',
  machine: MACHINES.router,
  school: 'setting-plane',
  zero: 'left front corner of the plywood, stock top',
  plane: 'spoil board',
  stock: { X: mm('420'), Y: mm('420'), Z: mm('18') },
  gauges: [GAUGES.block, GAUGES.pin, GAUGES.paper],
  tools: [{ number: 1, name: '6 mm compression bit', lengthRegister: 1 }],
  offsets: [
    {
      row: 'G54',
      X: { by: 'one-face', face: 'left', side: 'outside', drawing: mm('0') },
      Y: { by: 'one-face', face: 'front', side: 'outside', drawing: mm('0') },
      Z: { by: 'nose-on-part', facing: mm('0') },
    },
  ],
}

/** One tool at a time, each touched on the stock top through a plate. */
export const BRACKET_PLATE: SetupSheet = {
  name: 'Finder bracket plate',
  unit: 'mm',
  machine: MACHINES.smallRouter,
  school: 'part-top',
  zero: 'left front corner of the plywood, stock top',
  plane: 'spoil board',
  stock: { X: mm('80'), Y: mm('40'), Z: mm('6') },
  gauges: [GAUGES.plate, GAUGES.pin],
  tools: [
    { number: 1, name: '3 mm end mill' },
    { number: 2, name: '60° V bit', rough: mm('38') },
  ],
  offsets: [
    {
      row: 'G54',
      X: { by: 'one-face', face: 'left', side: 'outside', drawing: mm('0') },
      Y: { by: 'one-face', face: 'front', side: 'outside', drawing: mm('0') },
      Z: { by: 'part-top', facing: mm('0') },
    },
  ],
}

export const FLANGE: SetupSheet = {
  ...FOCUSER_BODY,
  name: 'Drawtube flange',
  zero: 'middle of the flange, stock top',
  stock: { X: mm('90'), Y: mm('90'), Z: mm('16') },
  holding: { jaw: mm('50'), parallels: mm('42'), sideCut: mm('6') },
  tools: MILL_TOOLS.slice(1, 4).map(({ assembly: _theFocusers, ...tool }) => tool),
  offsets: [
    {
      row: 'G54',
      X: {
        by: 'two-faces',
        side: 'outside',
        size: mm('90.000'),
        tolerance: mm('0.100'),
        drawing: mm('0'),
      },
      Y: {
        by: 'two-faces',
        side: 'outside',
        size: mm('90.000'),
        tolerance: mm('0.100'),
        drawing: mm('0'),
      },
      Z: { by: 'nose-on-part', facing: mm('0') },
    },
  ],
}

/** Small enough for one tool: it stands at its proof. */
export const ADAPTER: SetupSheet = {
  ...FLANGE,
  name: 'Eyepiece adapter',
  zero: 'middle of the bore, stock top',
  stock: { X: mm('70'), Y: mm('70'), Z: mm('20') },
  tools: [{ number: 3, name: '8 mm end mill', lengthRegister: 3, lastLength: mm('88.950') }],
  offsets: [
    {
      row: 'G54',
      X: {
        by: 'circle',
        side: 'inside',
        diameter: mm('40.000'),
        tolerance: mm('0.050'),
        drawing: mm('0'),
      },
      Y: {
        by: 'circle',
        side: 'inside',
        diameter: mm('40.000'),
        tolerance: mm('0.050'),
        drawing: mm('0'),
      },
      Z: { by: 'nose-on-part', facing: mm('0') },
    },
  ],
}

/** A second job on the mill: most of its tools were measured in the one before. */
export const SPIDER_HUB: SetupSheet = {
  ...FLANGE,
  name: 'Spider hub',
  zero: 'middle of the hub, stock top',
  stock: { X: mm('60'), Y: mm('60'), Z: mm('25') },
  tools: MILL_TOOLS.slice(0, 4),
}
