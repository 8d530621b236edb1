import { type MachineAxis } from '@pine/core/address'
import { readLength, type LengthUnit, type WrittenLength } from '@pine/core/length'
import { type Problem } from '@pine/core/problem'
import { type KeyMode, type MachineDeclaration, type Travel } from '@pine/core/sheet'
import { describeProblem } from '@pine/core/words'
import { turnsOf } from './turns'

export const AXES: readonly MachineAxis[] = ['X', 'Y', 'Z']

/** Decimals of a display, by its smallest step in millimetres. */
const DECIMALS = {
  hundredths: { mm: 2, in: 3 },
  thousandths: { mm: 3, in: 4 },
  'ten-thousandths': { mm: 4, in: 5 },
} as const

/** A machine while it is being declared: numbers as they are typed. */
export interface MachineDraft {
  readonly name: string
  readonly kind: MachineDeclaration['kind']
  readonly workOffsetKey: KeyMode
  /** Z of a work offset, where it is changed another way than X and Y. */
  readonly zOffsetKey: 'same' | Exclude<KeyMode, 'halve'>
  readonly lengthKey: MachineDeclaration['control']['lengthKey']
  readonly lengthSign: 'added' | 'subtracted'
  readonly diameterRegister: 'diameter' | 'radius'
  readonly shows: keyof typeof DECIMALS
  readonly homing: 'switches' | 'marks'
  readonly secondLook: 'yes' | 'no'
  readonly turn: string
  readonly travels: Readonly<Record<MachineAxis, readonly [string, string]>>
  readonly lostMotion: Readonly<Record<MachineAxis, string>>
  readonly spindle: string
  /** Words that lift Z clear, as its control takes them. */
  readonly retract: string
  /** Of everything that is typed here. */
  readonly unit: LengthUnit
}

export const newMachine: MachineDraft = {
  name: '',
  kind: 'mill',
  workOffsetKey: 'set',
  zOffsetKey: 'same',
  lengthKey: 'set',
  lengthSign: 'added',
  diameterRegister: 'diameter',
  shows: 'thousandths',
  homing: 'switches',
  secondLook: 'no',
  turn: '',
  travels: { X: ['', ''], Y: ['', ''], Z: ['', ''] },
  lostMotion: { X: '', Y: '', Z: '' },
  spindle: '',
  retract: '',
  unit: 'mm',
}

export type MachineField = 'name' | 'turn' | 'lostMotion' | MachineAxis

export type MachineOutcome =
  { readonly machine: MachineDeclaration } | { readonly wrong: MachineField; readonly why: string }

/** The machine that is declared, or the first thing that is wrong with it: where, and what to do. */
export function machineOf(draft: MachineDraft): MachineOutcome {
  const { kind, workOffsetKey, lengthKey, lengthSign, diameterRegister, homing, unit } = draft
  const name = draft.name.trim()
  if (name === '') return { wrong: 'name', why: 'Give it the name that the shop calls it.' }
  const turn = { text: draft.turn.trim(), unit }
  const dials = homing === 'marks' && turn.text !== ''
  if (dials) {
    const read = readLength(turn, { sign: 'positive' })
    if (!read.ok) return { wrong: 'turn', why: wordsOf(read.problem) }
  }
  const travels: Partial<Record<MachineAxis, Travel>> = {}
  for (const axis of AXES) {
    const ends = draft.travels[axis].map((text) => text.trim())
    if (ends.every((text) => text === '')) continue
    const read = travelOf(ends, unit)
    if (typeof read === 'string') return { wrong: axis, why: read }
    travels[axis] = read
  }
  const lostMotion: Partial<Record<MachineAxis, WrittenLength>> = {}
  for (const axis of AXES) {
    const written = { text: draft.lostMotion[axis].trim(), unit }
    if (written.text === '') continue
    const read = readLength(written, { sign: 'not-negative' })
    if (!read.ok) return { wrong: 'lostMotion', why: `${axis}: ${wordsOf(read.problem)}` }
    lostMotion[axis] = written
  }
  const maxSpindleSpeed = turnsOf(draft.spindle)
  return {
    machine: {
      name,
      kind,
      control: {
        decimals: DECIMALS[draft.shows],
        lengthKey,
        workOffsetKey,
        ...(draft.zOffsetKey !== 'same' && { workOffsetKeys: { Z: draft.zOffsetKey } }),
        lengthSign,
        diameterRegister,
      },
      homing,
      ...(dials && { dialTurn: { X: turn, Y: turn, Z: turn } }),
      ...(Object.keys(travels).length > 0 && { travels }),
      ...(Object.keys(lostMotion).length > 0 && { lostMotion }),
      ...(maxSpindleSpeed !== undefined && { maxSpindleSpeed }),
      ...(draft.retract.trim() !== '' && { retract: draft.retract.trim().toUpperCase() }),
      ...(draft.secondLook === 'yes' && { policy: { secondLook: true } }),
    },
  }
}

/** Both ends of a travel, whichever was typed first; words where they are none. */
function travelOf([one = '', other = '']: readonly string[], unit: LengthUnit): Travel | string {
  if (one === '' || other === '') return 'Type both ends, or leave both empty.'
  const [first, second] = [readLength({ text: one, unit }), readLength({ text: other, unit })]
  if (!first.ok) return wordsOf(first.problem)
  if (!second.ok) return wordsOf(second.problem)
  if (first.value.nm === second.value.nm)
    return 'Its two ends are the same. Type the machine position at each end.'
  const [min, max] = first.value.nm < second.value.nm ? [one, other] : [other, one]
  return { min: { text: min, unit }, max: { text: max, unit } }
}

function wordsOf(problem: Problem): string {
  const { message, remedy } = describeProblem(problem)
  return `${message} ${remedy}`
}
