import { AXES, type MachineAxis } from '../../address/row'
import type { WrittenLength } from '../../length/length'
import { nanometresOf } from '../../length/read-length'
import { recordProblems } from '../../fields/walk'
import type { Problem } from '../../problem/problem'
import { longestForSetter } from '../fixed-setter'
import type { SetupSheet } from '../sheet'
import { MACHINE_FIELDS, type MachineDeclaration } from '../machine'

/**
 * Everything that is wrong with the numbers of a machine of the right shape, as it is declared.
 *
 * @param place where it stands, such as `machine`; empty for the machine by itself.
 */
export const checkMachine = (
  machine: Partial<MachineDeclaration>,
  place: string,
): readonly Problem[] => [
  ...recordProblems(MACHINE_FIELDS, machine, place),
  ...machineProblems(machine, place === '' ? '' : `${place}.`),
]

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
            received: inWords(fixedSetter.from),
            limit: `${inWords(fixedSetter.top)} and ${inWords(fixedSetter.margin)} of margin`,
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
          received: `${axis} ${inWords(written)}`,
          limit: `${inWords(ends.min)} to ${inWords(ends.max)}`,
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
          received: inWords(out),
          limit: inWords(travel),
        },
      ]
    }),
  )

const inWords = ({ text, unit }: WrittenLength): string => `${text} ${unit}`
