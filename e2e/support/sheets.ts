import type { WrittenLength } from '@pine/core/length'
import type { SetupSheet } from '@pine/core/sheet'
import { PLAIN_CONTROL } from './declare'

// Sheets of the browser's runs, in invented numbers that can be followed by hand.

export const mm = (text: string): WrittenLength => ({ text, unit: 'mm' })
export const inch = (text: string): WrittenLength => ({ text, unit: 'in' })

const control = PLAIN_CONTROL

const finder = {
  id: 'finder',
  kind: 'edge-finder',
  name: '10 mm finder',
  size: mm('10.000'),
} as const
const setter = {
  id: 'setter',
  kind: 'height-setter',
  name: '50 mm setter',
  size: mm('50.000'),
} as const

const corner = (row: 'G54' | 'G55') =>
  ({
    row,
    X: { by: 'one-face', face: 'left', side: 'outside', drawing: mm('0') },
    Y: { by: 'one-face', face: 'front', side: 'outside', drawing: mm('0') },
  }) as const

/** A part in one vise: a corner for X and Y, its Z by a difference from the plane. */
export const ONE_VISE = {
  stock: { X: mm('50'), Y: mm('50'), Z: mm('20') },
  offsets: [{ ...corner('G54'), Z: { by: 'carried-difference', facing: mm('0') } }],
} as const

const common = {
  unit: 'mm',
  zero: 'left front corner, stock top',
  plane: 'fixed jaw',
  stock: { X: mm('120'), Y: mm('80'), Z: mm('40') },
} as const

/** Real lengths, a 3D sensor of known length, two fixtures. */
export const SENSOR_TWO_FIXTURES: SetupSheet = {
  ...common,
  name: 'Focuser pair',
  // X and Y are typed; Z is told to the control, which works the row out with the length that is active.
  machine: {
    name: 'Mill 2',
    kind: 'mill',
    control: { ...control, workOffsetKeys: { Z: 'position' } },
    retract: 'G53 G0 Z0',
  },
  school: 'gauge-line',
  gauges: [setter, { id: 'sensor', kind: 'dial-sensor', name: '3D sensor', size: mm('160.000') }],
  tools: [
    { number: 1, name: '10 mm end mill', lengthRegister: 1, lastLength: mm('80.000') },
    { number: 9, name: '3D sensor', lengthRegister: 9, length: mm('160.000') },
  ],
  offsets: [
    {
      ...corner('G54'),
      X: {
        by: 'two-faces',
        side: 'outside',
        size: mm('120.000'),
        tolerance: mm('0.050'),
        drawing: mm('0'),
      },
      Z: { by: 'tool-on-part', tool: 9, facing: mm('0') },
    },
    { ...corner('G55'), Z: { by: 'fixture-difference', from: 'G54', facing: mm('0') } },
  ],
}

/** Every tool on the stock top with a shim, a facing cut to come. */
export const PART_TOP_SHIM: SetupSheet = {
  ...common,
  name: 'Flange by part top',
  machine: { name: 'Mill 2', kind: 'mill', control },
  school: 'part-top',
  gauges: [finder, { id: 'shim', kind: 'shim', name: '0.1 mm shim', size: mm('0.100') }],
  tools: [
    { number: 1, name: '50 mm face mill', lengthRegister: 1 },
    { number: 2, name: '8 mm end mill', lengthRegister: 2 },
  ],
  offsets: [{ ...corner('G54'), Z: { by: 'part-top', facing: mm('0.5') } }],
}

/** A plate on the corner, one tapered bit at a time. */
export const ROUTER_PLATE: SetupSheet = {
  ...common,
  name: 'Cell plate by contact plate',
  plane: 'spoil board',
  machine: { name: 'Router', kind: 'router', control },
  school: 'master-tool',
  reference: { masterTool: 1 },
  gauges: [
    { id: 'pin', kind: 'pin', name: '6 mm pin', size: mm('6.000') },
    { id: 'plate', kind: 'plate', name: 'contact plate', size: mm('12.700'), wall: mm('5.000') },
  ],
  tools: [{ number: 1, name: '60° V bit', lengthRegister: 1 }],
  offsets: [{ ...corner('G54'), Z: { by: 'tool-on-part', tool: 1, facing: mm('0') } }],
}

/** A router whose control keeps no lengths: each tool on the stock top with paper, when its turn comes. */
export const ROUTER_WITHOUT_LENGTHS: SetupSheet = {
  ...common,
  name: 'Bracket, tool by tool',
  machine: {
    name: 'Small router',
    kind: 'router',
    homing: 'axis-by-axis',
    control: { ...control, toolLengths: 'none' },
  },
  school: 'part-top',
  gauges: [finder, { id: 'paper', kind: 'paper', name: 'paper', size: mm('0.100') }],
  tools: [
    { number: 1, name: '3 mm end mill' },
    { number: 2, name: '60° V bit' },
  ],
  offsets: [{ ...corner('G54'), Z: { by: 'part-top', facing: mm('0') } }],
}

/** A fixed setter: the first tool after homing is the reference. */
export const ROUTER_SETTER: SetupSheet = {
  ...ROUTER_PLATE,
  name: 'Cell plate by fixed setter',
  machine: {
    ...ROUTER_PLATE.machine,
    // The bare nose would stand on its top at −172; from −20 a tool of 132 mm clears it.
    fixedSetter: { X: mm('5'), Y: mm('-20'), top: mm('-172'), from: mm('-20'), margin: mm('20') },
    toolChange: { Y: mm('-20'), Z: mm('0') },
  },
  gauges: [
    { id: 'fixed', kind: 'fixed-setter', name: 'fixed setter', size: mm('40.000') },
    { id: 'pin', kind: 'pin', name: '6 mm pin', size: mm('6.000') },
    { id: 'paper', kind: 'paper', name: 'paper', size: mm('0.10') },
  ],
  tools: [
    { number: 1, name: '6 mm compression bit', lengthRegister: 1 },
    { number: 2, name: '3 mm bit', lengthRegister: 2, rough: mm('62') },
  ],
}

/** A small mill without home switches, in inches, whose control adds. */
export const NO_SWITCHES: SetupSheet = {
  ...common,
  name: 'Ring found by marks',
  unit: 'in',
  plane: 'table',
  stock: { X: inch('4.250'), Y: inch('4.250'), Z: inch('0.750') },
  machine: {
    name: 'Bench mill',
    kind: 'mill',
    control,
    homing: 'marks',
    dialTurn: { X: inch('0.1'), Y: inch('0.1'), Z: inch('0.1') },
  },
  school: 'setting-plane',
  gauges: [
    { id: 'setter', kind: 'height-setter', name: '2 in setter', size: inch('2.0000') },
    { id: 'finder', kind: 'edge-finder', name: '0.200 in finder', size: inch('0.2000') },
  ],
  tools: [{ number: 1, name: '1/2 in end mill', lengthRegister: 1 }],
  offsets: [
    {
      row: 'G54',
      X: { by: 'one-face', face: 'left', side: 'outside', drawing: inch('0') },
      Y: { by: 'one-face', face: 'front', side: 'outside', drawing: inch('0') },
      Z: { by: 'carried-difference', facing: inch('0') },
    },
  ],
}

const bore = {
  by: 'circle',
  side: 'inside',
  diameter: mm('40.000'),
  tolerance: mm('0.050'),
  drawing: mm('0'),
} as const
const swept = { by: 'sweep', side: 'inside', drawing: mm('0') } as const

/** One bore by touches around it, one by a swept dial. */
export const TWO_BORES: SetupSheet = {
  ...common,
  name: 'Drawtube bores',
  machine: { name: 'Mill 2', kind: 'mill', control },
  school: 'setting-plane',
  gauges: [setter, finder],
  tools: [{ number: 1, name: 'boring bar', lengthRegister: 1 }],
  offsets: [
    { row: 'G54', X: bore, Y: bore, Z: { by: 'carried-difference', facing: mm('0') } },
    { row: 'G55', X: swept, Y: swept, Z: { by: 'carried-difference', facing: mm('0') } },
  ],
}

/** A control that captures: lengths are copied in, X and Y are told as “my position”. */
export const CAPTURING: SetupSheet = {
  ...common,
  name: 'Captured plate',
  machine: {
    name: 'Mill 3',
    kind: 'mill',
    control: { ...control, lengthKey: 'copy', workOffsetKey: 'position' },
  },
  school: 'setting-plane',
  gauges: [setter, finder],
  tools: [{ number: 1, name: '10 mm end mill', lengthRegister: 1 }],
  offsets: [
    {
      ...corner('G54'),
      X: { by: 'one-face', face: 'left', side: 'outside', drawing: mm('-60') },
      Z: { by: 'carried-difference', facing: mm('0') },
    },
  ],
}
