import { AXES, type MachineAxis } from '../address/row'
import type { WrittenLength } from '../length/length'
import { nanometresOf } from '../length/read-length'
import type { Problem } from '../problem/problem'
import { longestForSetter } from './fixed-setter'
import type { SetupSheet } from './sheet'
import type { MachineDeclaration } from './machine'

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
export function machineProblems(machine: Places, at: string): readonly Problem[] {
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
          // The nose need not reach the top: with a tool in it the machine stands higher.
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
