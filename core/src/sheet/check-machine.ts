import { AXES, type MachineAxis } from '../address/row'
import type { WrittenLength } from '../length/length'
import { nanometresOf } from '../length/read-length'
import type { Problem } from '../problem/problem'
import { longestForSetter } from './fixed-setter'
import { lengthProblem, optional, uncertain, type NamedLength } from './problems'
import type { SetupSheet } from './sheet'
import type { FixedSetter, MachineDeclaration } from './machine'

/** What of a machine is numbers. */
type Numbers = Omit<MachineDeclaration, 'name' | 'kind' | 'control'>

/**
 * Everything that is wrong with the numbers of a machine of the right shape, as it is declared.
 *
 * @param at what the places of its fields begin with, such as `machine.`.
 */
export const checkMachine = (machine: Numbers, at: string): readonly Problem[] => [
  ...machineLengths(machine, at).flatMap(([place, written, options]) =>
    lengthProblem(place, written, options),
  ),
  ...machineProblems(machine, at),
]

/** The numbers of a machine, each with what it may be. */
export const machineLengths = (machine: Numbers, at: string): readonly NamedLength[] => [
  ...AXES.flatMap((axis) => [
    ...optional(`${at}lostMotion.${axis}`, machine.lostMotion?.[axis], {
      sign: 'not-negative',
    }),
    ...optional(`${at}externalOffset.${axis}`, machine.externalOffset?.[axis]),
    ...optional(`${at}dialTurn.${axis}`, machine.dialTurn?.[axis], { sign: 'positive' }),
    ...optional(`${at}travels.${axis}.min`, machine.travels?.[axis]?.min),
    ...optional(`${at}travels.${axis}.max`, machine.travels?.[axis]?.max),
    ...optional(`${at}toolChange.${axis}`, machine.toolChange?.[axis]),
  ]),
  ...setterLengths(machine.fixedSetter, `${at}fixedSetter`),
  ...optional(`${at}quill.travel`, machine.quill?.travel, { sign: 'positive' }),
  ...optional(`${at}quill.uncertainty`, machine.quill?.uncertainty, uncertain),
  ...optional(`${at}policy.leastGrip`, machine.policy?.leastGrip, { sign: 'positive' }),
]

function setterLengths(setter: FixedSetter | undefined, place: string): readonly NamedLength[] {
  if (setter === undefined) return []
  return [
    ...(['X', 'Y', 'top', 'from'] as const).map((field): NamedLength => [
      `${place}.${field}`,
      setter[field],
      {},
    ]),
    [`${place}.margin`, setter.margin, { sign: 'not-negative' }],
  ]
}

/** What a machine is said to do that it cannot: a place where it does not go, a setter that no tool clears, a quill that is out too far. */
export const placeProblems = (sheet: SetupSheet): readonly Problem[] => [
  ...machineProblems(sheet.machine, 'sheet.machine.'),
  ...quillProblems(sheet),
]

type Places = Pick<MachineDeclaration, 'fixedSetter' | 'toolChange' | 'travels'>

/**
 * The same of a machine by itself, as it is declared.
 *
 * @param at what the places of its fields begin with: `sheet.machine.`, or nothing.
 */
function machineProblems(machine: Places, at: string): readonly Problem[] {
  const { fixedSetter, toolChange } = machine
  const beyond = (axis: MachineAxis, written: WrittenLength | undefined, field: string) =>
    beyondTravel(machine, axis, written, `${at}${field}`)
  const longest = fixedSetter && longestForSetter(fixedSetter)
  return [
    ...(fixedSetter === undefined
      ? []
      : [
          ...beyond('X', fixedSetter.X, 'fixedSetter.X'),
          ...beyond('Y', fixedSetter.Y, 'fixedSetter.Y'),
          // The nose need not reach down to the top, for with a tool in it the machine stands higher; but nothing is above its travel.
          ...(isAboveTravel(machine, fixedSetter.top)
            ? beyond('Z', fixedSetter.top, 'fixedSetter.top')
            : []),
          ...beyond('Z', fixedSetter.from, 'fixedSetter.from'),
        ]),
    ...AXES.flatMap((axis) => beyond(axis, toolChange?.[axis], `toolChange.${axis}`)),
    ...(fixedSetter !== undefined && longest !== undefined && longest <= 0
      ? [
          {
            code: 'setter-not-cleared',
            place: `${at}fixedSetter.from`,
            received: told(fixedSetter.from),
            limit: `${told(fixedSetter.top)} and ${told(fixedSetter.margin)} of margin`,
          } as const,
        ]
      : []),
  ]
}

function isAboveTravel({ travels }: Places, written: WrittenLength): boolean {
  const [at, max] = [nanometresOf(written), nanometresOf(travels?.Z?.max)]
  return at !== undefined && max !== undefined && at > max
}

function beyondTravel(
  { travels }: Places,
  axis: MachineAxis,
  written: WrittenLength | undefined,
  place: string,
): readonly Problem[] {
  const ends = travels?.[axis]
  const [at, min, max] = [written, ends?.min, ends?.max].map(nanometresOf)
  if (ends === undefined || written === undefined) return []
  if (at === undefined || min === undefined || max === undefined) return []
  return at >= min && at <= max
    ? []
    : [
        {
          code: 'place-outside-travel',
          place,
          received: `${axis} ${told(written)}`,
          limit: `${told(ends.min)} to ${told(ends.max)}`,
        },
      ]
}

/** A quill is out no further than it goes, where the machine says how far that is. */
const quillProblems = ({ machine, offsets }: SetupSheet): readonly Problem[] =>
  offsets.flatMap(({ Z }, index) =>
    (['measured', 'running'] as const).flatMap((when): readonly Problem[] => {
      const [out, travel] = [Z.quill?.[when], machine.quill?.travel]
      const [nm, limit] = [nanometresOf(out), nanometresOf(travel)]
      if (out === undefined || travel === undefined) return []
      if (nm === undefined || limit === undefined || nm <= limit) return []
      return [
        {
          code: 'quill-beyond-travel',
          place: `sheet.offsets.${index}.Z.quill.${when}`,
          received: told(out),
          limit: told(travel),
        },
      ]
    }),
  )

const told = ({ text, unit }: WrittenLength): string => `${text} ${unit}`
