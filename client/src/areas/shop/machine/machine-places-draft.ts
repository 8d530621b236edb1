import { AXES } from '@pine/core/address'
import { textIn, type LengthUnit, type WrittenLength } from '@pine/core/length'
import { checkMachine, type MachineDeclaration } from '@pine/core/sheet'
import { describeProblem } from '@pine/core/words'

/** What stands on a machine, each number as it is typed. */
export const PLACE_FIELDS = [
  'setterX',
  'setterY',
  'setterTop',
  'setterFrom',
  'setterMargin',
  'changeX',
  'changeY',
  'changeZ',
  'quillTravel',
  'quillWithin',
] as const

export type PlaceField = (typeof PLACE_FIELDS)[number]

export type PlacesDraft = Readonly<Record<PlaceField, string>>

const byField = (of: (field: PlaceField) => string): PlacesDraft =>
  Object.fromEntries(PLACE_FIELDS.map((field) => [field, of(field)])) as Record<PlaceField, string>

export const noPlaces: PlacesDraft = byField(() => '')

/** What a machine says of places, and where each stands in its declaration. */
type Places = Pick<MachineDeclaration, 'fixedSetter' | 'toolChange' | 'quill'>

const SETTER = {
  X: 'setterX',
  Y: 'setterY',
  top: 'setterTop',
  from: 'setterFrom',
  margin: 'setterMargin',
} as const satisfies Record<keyof NonNullable<Places['fixedSetter']>, PlaceField>

const CHANGE = { X: 'changeX', Y: 'changeY', Z: 'changeZ' } as const

/** Core names a place by its path; the form has a field for each. */
const FIELD_AT: Readonly<Record<string, PlaceField>> = {
  ...Object.fromEntries(Object.entries(SETTER).map(([at, field]) => [`fixedSetter.${at}`, field])),
  ...Object.fromEntries(Object.entries(CHANGE).map(([at, field]) => [`toolChange.${at}`, field])),
  'quill.travel': 'quillTravel',
  'quill.uncertainty': 'quillWithin',
}

type PlaceProblems = Readonly<Partial<Record<PlaceField, string>>>

/** The places of a machine, or what is wrong with them. A setter is declared whole or not at all. */
export function placesOf(
  draft: PlacesDraft,
  unit: LengthUnit,
  travels: MachineDeclaration['travels'],
): { readonly made: Places } | { readonly problems: PlaceProblems } {
  const problems: Partial<Record<PlaceField, string>> = {}
  const written = (field: PlaceField): WrittenLength | undefined => {
    const text = draft[field].trim()
    return text === '' ? undefined : { text, unit }
  }
  const setter = Object.entries(SETTER).map(([at, field]) => [at, written(field)] as const)
  const isSetter = setter.some(([, value]) => value !== undefined)
  if (isSetter)
    for (const [at, value] of setter)
      if (value === undefined)
        problems[SETTER[at as keyof typeof SETTER]] =
          'A fixed setter is declared whole: type this one too, or empty the others.'
  const change = AXES.flatMap((axis) => {
    const value = written(CHANGE[axis])
    return value === undefined ? [] : [[axis, value] as const]
  })
  const travel = written('quillTravel')
  const within = written('quillWithin')
  if (travel === undefined && within !== undefined)
    problems.quillTravel = 'Type how far it goes out.'
  if (Object.keys(problems).length > 0) return { problems }
  const made: Places = {
    ...(isSetter && {
      fixedSetter: Object.fromEntries(setter) as unknown as NonNullable<Places['fixedSetter']>,
    }),
    ...(change.length > 0 && { toolChange: Object.fromEntries(change) }),
    ...(travel && { quill: { travel, ...(within && { uncertainty: within }) } }),
  }
  // Of the travels themselves the form has told already.
  for (const problem of checkMachine({ ...made, ...(travels && { travels }) }, '')) {
    const field = FIELD_AT[problem.place]
    if (field !== undefined) problems[field] ??= wordsOf(problem)
  }
  return Object.keys(problems).length > 0 ? { problems } : { made }
}

/** Places that are declared, to be corrected. */
export function placesDraft({ fixedSetter, toolChange, quill }: Places, unit: LengthUnit) {
  const lengths: Partial<Record<PlaceField, WrittenLength | undefined>> = {
    ...Object.fromEntries(
      Object.entries(SETTER).map(([at, field]) => [
        field,
        fixedSetter?.[at as keyof typeof SETTER],
      ]),
    ),
    ...Object.fromEntries(AXES.map((axis) => [CHANGE[axis], toolChange?.[axis]])),
    quillTravel: quill?.travel,
    quillWithin: quill?.uncertainty,
  }
  return byField((field) => textIn(lengths[field], unit))
}

export const hasPlaces = ({ places }: { readonly places: PlacesDraft }): boolean =>
  PLACE_FIELDS.some((field) => places[field] !== '')

/** The first number that is written, whose unit the form takes. */
export const firstPlace = ({ fixedSetter, toolChange, quill }: Places): WrittenLength | undefined =>
  fixedSetter?.X ?? AXES.map((axis) => toolChange?.[axis]).find(Boolean) ?? quill?.travel

function wordsOf(problem: Parameters<typeof describeProblem>[0]): string {
  const { message, remedy } = describeProblem(problem)
  return `${message} ${remedy}`
}
