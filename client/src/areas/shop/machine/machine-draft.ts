import { type MachineAxis } from '@pine/core/address'
import { readLength, textIn, type LengthUnit, type WrittenLength } from '@pine/core/length'
import { type Problem } from '@pine/core/problem'
import {
  type DisplayHabit,
  keepsLengths,
  type MachineDeclaration,
  type OffsetKeyMode,
  type Proves,
  type Travel,
} from '@pine/core/sheet'
import { describeProblem } from '@pine/core/words'
import type { FieldPath } from 'react-hook-form'
import type { FormOutcome } from '@/data/device/use-kept-form'
import {
  firstPlace,
  noPlaces,
  placesDraft,
  placesOf,
  type PlaceField,
  type PlacesDraft,
} from './machine-places-draft'
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
  /** Not answered until somebody does: a key that is guessed wrong moves a tool by what the row held. */
  readonly workOffsetKey: OffsetKeyMode | ''
  /** Z of a work offset, where it is changed another way than X and Y. */
  readonly zOffsetKey: 'same' | Exclude<OffsetKeyMode, 'halve'>
  /** What a number typed into a length does; `none` where the control keeps no lengths. */
  readonly lengthKey: MachineDeclaration['control']['lengthKey'] | 'none' | ''
  /** Which number of the display is read at a touch. */
  readonly reads: DisplayHabit | ''
  readonly lengthSign: 'added' | 'subtracted'
  readonly diameterRegister: 'diameter' | 'radius'
  /** Which G10 its control takes for its work offsets, and for its lengths and D. */
  readonly writesOffsets: 'no' | 'L2' | 'L20'
  readonly writesTools: 'no' | 'L1' | 'L10'
  readonly shows: keyof typeof DECIMALS
  readonly homing: 'switches' | 'axis-by-axis' | 'marks'
  readonly secondLook: 'yes' | 'no'
  readonly proves: Proves
  readonly turn: string
  readonly travels: Readonly<Record<MachineAxis, readonly [string, string]>>
  readonly lostMotion: Readonly<Record<MachineAxis, string>>
  readonly spindle: string
  /** Words that lift Z clear, as its control takes them. */
  readonly retract: string
  /** How many pockets its changer has; empty where tools are loaded by hand. */
  readonly pockets: string
  /** What stands on it: a fixed setter, where tools are changed, a quill. */
  readonly places: PlacesDraft
  /** Of everything that is typed here. */
  readonly unit: LengthUnit
}

export const newMachine: MachineDraft = {
  name: '',
  kind: 'mill',
  workOffsetKey: '',
  zOffsetKey: 'same',
  lengthKey: '',
  reads: '',
  lengthSign: 'added',
  diameterRegister: 'diameter',
  writesOffsets: 'no',
  writesTools: 'no',
  shows: 'thousandths',
  homing: 'switches',
  secondLook: 'no',
  proves: 'all',
  turn: '',
  travels: { X: ['', ''], Y: ['', ''], Z: ['', ''] },
  lostMotion: { X: '', Y: '', Z: '' },
  spindle: '',
  retract: '',
  pockets: '',
  places: noPlaces,
  unit: 'mm',
}

/** What is not answered by looking is answered by trying. */
const TRY_THE_KEY = 'Try it on a row that is not in use, and say what it shows then.'

/** The machine that is declared, or everything that is wrong with it: where, and what to do. */
export function machineOf(draft: MachineDraft): FormOutcome<MachineDraft, MachineDeclaration> {
  const { kind, workOffsetKey, lengthKey, reads, lengthSign, diameterRegister, homing, unit } =
    draft
  const problems: Problems = {}
  const name = draft.name.trim()
  if (name === '') problems.name = 'Give it the name that the shop calls it.'
  if (workOffsetKey === '') problems.workOffsetKey = TRY_THE_KEY
  if (lengthKey === '') problems.lengthKey = TRY_THE_KEY
  if (reads === '') problems.reads = 'Say which of the three you read at a touch.'
  const turn = { text: draft.turn.trim(), unit }
  const dials = homing === 'marks' && turn.text !== ''
  if (dials) {
    const read = readLength(turn, { sign: 'positive' })
    if (!read.ok) problems.turn = wordsOf(read.problem)
  }
  const travels: Partial<Record<MachineAxis, Travel>> = {}
  const lostMotion: Partial<Record<MachineAxis, WrittenLength>> = {}
  for (const axis of AXES) {
    const travel = travelOf(draft.travels[axis], unit)
    if (typeof travel === 'string') problems[`travels.${axis}.1`] = travel
    else if (travel !== undefined) travels[axis] = travel
    const written = { text: draft.lostMotion[axis].trim(), unit }
    if (written.text === '') continue
    const read = readLength(written, { sign: 'not-negative' })
    if (read.ok) lostMotion[axis] = written
    else problems[`lostMotion.${axis}`] = wordsOf(read.problem)
  }
  const pockets = draft.pockets.trim() === '' ? undefined : Number(draft.pockets)
  if (pockets !== undefined && !(pockets >= 2 && pockets <= 400))
    problems.pockets = `A changer has 2 to 400 pockets, and not ${draft.pockets.trim()}.`
  const places = placesOf(draft.places, unit, travels)
  if ('problems' in places)
    for (const [field, words] of Object.entries(places.problems))
      problems[`places.${field as PlaceField}`] = words
  if ('problems' in places || Object.keys(problems).length > 0) return { problems }
  if (workOffsetKey === '' || lengthKey === '' || reads === '') return { problems }
  const maxSpindleSpeed = turnsOf(draft.spindle)
  return {
    made: {
      name,
      kind,
      control: {
        decimals: DECIMALS[draft.shows],
        // Without registers nothing is typed into a length.
        lengthKey: lengthKey === 'none' ? 'set' : lengthKey,
        workOffsetKey,
        ...(draft.zOffsetKey !== 'same' && { workOffsetKeys: { Z: draft.zOffsetKey } }),
        ...(lengthKey === 'none' && { toolLengths: 'none' }),
        lengthSign,
        diameterRegister,
        ...offsetProgramOf(draft),
      },
      homing,
      reads,
      ...(dials && { dialTurn: { X: turn, Y: turn, Z: turn } }),
      ...(Object.keys(travels).length > 0 && { travels }),
      ...(Object.keys(lostMotion).length > 0 && { lostMotion }),
      ...(maxSpindleSpeed !== undefined && { maxSpindleSpeed }),
      ...(pockets !== undefined && { pockets }),
      ...places.made,
      ...(draft.retract.trim() !== '' && { retract: draft.retract.trim().toUpperCase() }),
      ...((draft.secondLook === 'yes' || draft.proves !== 'all') && {
        policy: {
          ...(draft.secondLook === 'yes' && { secondLook: true }),
          ...(draft.proves !== 'all' && { proves: draft.proves }),
        },
      }),
    },
  }
}

/** Which G10 it takes; nothing where it takes none. */
function offsetProgramOf({
  writesOffsets,
  writesTools,
}: MachineDraft): Pick<MachineDeclaration['control'], 'offsetProgram'> {
  if (writesOffsets === 'no' && writesTools === 'no') return {}
  return {
    offsetProgram: {
      ...(writesOffsets !== 'no' && { offsets: writesOffsets }),
      ...(writesTools !== 'no' && { tools: writesTools }),
    },
  }
}

/** A machine that is declared, to be corrected. */
export function machineDraft(machine: MachineDeclaration): MachineDraft {
  const { name, kind, control, homing, dialTurn, travels, lostMotion, policy } = machine
  const { workOffsetKey, workOffsetKeys, lengthKey, lengthSign, diameterRegister } = control
  const Z = workOffsetKeys?.Z
  const shows = (Object.keys(DECIMALS) as (keyof typeof DECIMALS)[]).find(
    (one) => DECIMALS[one].mm === control.decimals.mm,
  )
  const written = [
    dialTurn?.X,
    ...AXES.flatMap((axis) => [travels?.[axis]?.min, lostMotion?.[axis]]),
    firstPlace(machine),
  ].find((one) => one !== undefined)
  const unit = written?.unit ?? newMachine.unit
  return {
    ...newMachine,
    name,
    kind,
    workOffsetKey,
    zOffsetKey: Z === undefined || Z === 'halve' ? 'same' : Z,
    lengthKey: keepsLengths(control) ? lengthKey : 'none',
    reads: machine.reads ?? 'machine',
    lengthSign: lengthSign ?? newMachine.lengthSign,
    diameterRegister: diameterRegister ?? newMachine.diameterRegister,
    writesOffsets: control.offsetProgram?.offsets ?? 'no',
    writesTools: control.offsetProgram?.tools ?? 'no',
    shows: shows ?? newMachine.shows,
    homing: homing ?? newMachine.homing,
    secondLook: policy?.secondLook === true ? 'yes' : 'no',
    proves: policy?.proves ?? 'all',
    turn: textIn(dialTurn?.X, unit),
    travels: byAxis((axis) => {
      const travel = travels?.[axis]
      return [textIn(travel?.min, unit), textIn(travel?.max, unit)]
    }),
    lostMotion: byAxis((axis) => textIn(lostMotion?.[axis], unit)),
    spindle: machine.maxSpindleSpeed === undefined ? '' : String(machine.maxSpindleSpeed),
    retract: machine.retract ?? '',
    places: placesDraft(machine, unit),
    pockets: machine.pockets === undefined ? '' : String(machine.pockets),
    unit,
  }
}

const byAxis = <Value>(of: (axis: MachineAxis) => Value): Record<MachineAxis, Value> => ({
  X: of('X'),
  Y: of('Y'),
  Z: of('Z'),
})

/**
 * The machine as it is from now on. What this form does not ask stays as it was: its policy (asked apart, because less of it
 * needs a lead), an external offset, axes that are keyed each in its own way.
 */
export function correctedMachine(
  before: MachineDeclaration,
  draft: MachineDraft,
): FormOutcome<MachineDraft, MachineDeclaration> {
  const outcome = machineOf(draft)
  if ('problems' in outcome) return outcome
  const { policy: _asked, control, ...made } = outcome.made
  const { policy, externalOffset, control: earlier } = before
  const { X, Y } = earlier.workOffsetKeys ?? {}
  const keys = { ...(X && { X }), ...(Y && { Y }), ...control.workOffsetKeys }
  return {
    made: {
      ...made,
      control: {
        ...control,
        ...(Object.keys(keys).length > 0 && { workOffsetKeys: keys }),
        // Decimals that the form has no choice for are not rounded away.
        ...(machineDraft(before).shows === draft.shows && { decimals: earlier.decimals }),
      },
      ...(policy && { policy }),
      ...(externalOffset && { externalOffset }),
    },
  }
}

type Problems = { -readonly [Path in FieldPath<MachineDraft>]?: string }

/** Both ends of a travel, whichever was typed first; nothing where both are left empty, words where they are none. */
function travelOf(ends: readonly [string, string], unit: LengthUnit): Travel | string | undefined {
  const [one, other] = [ends[0].trim(), ends[1].trim()]
  if (one === '' && other === '') return undefined
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
