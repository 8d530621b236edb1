import type { Problem } from '../../problem/problem'
import { zWayProblem } from '../../schools/z-way-problem'
import { diameterAddress } from '../../address/address'
import { AXES } from '../../address/row'
import { namesOf } from './names'
import { keepsLengths, lengthAddressOf } from '../tool-rows'
import { lengthProblem, recordProblems, unknownName, type KnownNames } from '../../fields/walk'
import { FACES_OF_AXIS, type Face, type PlanAxis } from '../../touch/touch'
import { placeProblems } from './check-machine'
import { SHEET_FIELDS, type SetupSheet } from '../sheet'
import { sideOf, type AxisPlan, type OffsetPlan } from '../offset-plan'

/** Everything that is wrong with a sheet of the right shape, in one pass; places begin with `sheet`. */
export function checkSheet(sheet: SetupSheet): readonly Problem[] {
  const names = namesOf(sheet)
  return [
    ...recordProblems(SHEET_FIELDS, sheet, 'sheet', names),
    ...stockMissing(sheet),
    ...sheetReferences(sheet, names),
  ]
}

/** Jaws hold a part of some height, and an edge runs out over some length: then the stock has to be said. */
function stockMissing({ stock, unit, holding, offsets }: SetupSheet): readonly Problem[] {
  const isNeeded =
    holding !== undefined ||
    offsets.some(({ edge, X }) => edge !== undefined || X.by === 'turned-corner')
  if (stock !== undefined || !isNeeded) return []
  return AXES.flatMap((axis) =>
    lengthProblem(`sheet.stock.${axis}`, { text: '', unit }, 'positive'),
  )
}

const leftOutTools = ({ leftOut = [] }: SetupSheet) => leftOut.map(({ tool }) => tool)

function sheetReferences(sheet: SetupSheet, names: KnownNames): readonly Problem[] {
  const master = sheet.reference?.masterTool
  const diameters = sheet.tools.map(({ diameterRegister }) =>
    diameterRegister === undefined ? undefined : diameterAddress(diameterRegister),
  )
  return [
    ...placeProblems(sheet),
    ...duplicates(
      'sheet.tools',
      [...sheet.tools, ...leftOutTools(sheet)].map(({ number }) => `T${number}`),
      'number',
    ),
    ...duplicates(
      'sheet.tools',
      sheet.tools.map(({ number }) => lengthAddressOf(sheet, number)),
      'lengthRegister',
    ),
    ...lengthRegisterProblems(sheet),
    ...duplicates('sheet.tools', diameters, 'diameterRegister'),
    ...duplicates(
      'sheet.tools',
      sheet.tools.map(({ assembly }) => assembly),
      'assembly',
    ),
    ...duplicates(
      'sheet.gauges',
      sheet.gauges.map(({ id }) => id),
      'id',
    ),
    ...duplicates(
      'sheet.offsets',
      sheet.offsets.map(({ row }) => row),
      'row',
    ),
    ...(sheet.offsets.some(({ row }) => row === sheet.reference?.planeRow)
      ? [
          {
            code: 'row-taken',
            place: 'sheet.reference.planeRow',
            received: sheet.reference?.planeRow ?? '',
          } as const,
        ]
      : []),
    ...sheet.offsets.flatMap(({ Z }, index) => zWayProblem(sheet.school, Z.by, index) ?? []),
    ...sheet.offsets.flatMap((offset, index) => sparedProblems(offset, `sheet.offsets.${index}`)),
    ...sheet.offsets.flatMap(({ X, Y }, index) => cornerProblems(X, Y, `sheet.offsets.${index}`)),
    ...(sheet.school === 'master-tool'
      ? unknownName(
          'sheet.reference.masterTool',
          master === undefined ? 'nothing' : `T${master}`,
          names.tools,
        )
      : []),
    ...sheet.offsets.flatMap(({ Z }, index) => {
      const place = `sheet.offsets.${index}.Z`
      if (Z.by === 'tool-on-part') return unknownName(`${place}.tool`, `T${Z.tool}`, names.tools)
      // A fixture can be counted only from one that is found before it.
      const earlier = new Set<string>(sheet.offsets.slice(0, index).map(({ row }) => row))
      return Z.by === 'fixture-difference' ? unknownName(`${place}.from`, Z.from, earlier) : []
    }),
  ]
}

/** A control that keeps lengths has a row for each tool; one that keeps none has none to name. */
const lengthRegisterProblems = ({ machine, tools }: SetupSheet): readonly Problem[] =>
  tools.flatMap(({ lengthRegister }, index): readonly Problem[] => {
    const has = lengthRegister !== undefined
    if (has === keepsLengths(machine.control)) return []
    return [
      {
        code: has ? 'length-register-unknown' : 'length-register-missing',
        place: `sheet.tools.${index}.lengthRegister`,
        received: has ? `H${lengthRegister}` : 'nothing',
      },
    ]
  })

/** A face that must not be touched is not what a zero is found by. */
function sparedProblems(
  { X, Y, edge, spared = [] }: OffsetPlan,
  place: string,
): readonly Problem[] {
  const touched = new Set<Face>([
    ...outsideFaces(X, 'X'),
    ...outsideFaces(Y, 'Y'),
    ...(edge ? [edge.face] : []),
  ])
  return spared
    .filter((face) => touched.has(face))
    .map((face) => ({ code: 'face-spared', place: `${place}.spared`, received: face }))
}

function outsideFaces(plan: AxisPlan, axis: PlanAxis): readonly Face[] {
  if (plan.by === 'turned-corner') return [plan.face]
  if (sideOf(plan) !== 'outside') return []
  if (plan.by === 'one-face') return [plan.face]
  return plan.by === 'two-faces' ? FACES_OF_AXIS[axis] : []
}

/** The corner of a turned part is found in X and Y together. */
function cornerProblems(X: AxisPlan, Y: AxisPlan, place: string): readonly Problem[] {
  const isCorner = (plan: AxisPlan) => plan.by === 'turned-corner'
  if (isCorner(X) === isCorner(Y)) return []
  const [axis, other] = isCorner(X) ? (['X', Y.by] as const) : (['Y', X.by] as const)
  return [{ code: 'corner-needs-both', place: `${place}.${axis}.by`, received: other }]
}

function duplicates(
  place: string,
  names: readonly (string | undefined)[],
  field: string,
): readonly Problem[] {
  const seen = new Set<string>()
  return names.flatMap((name, index): readonly Problem[] => {
    if (name === undefined) return []
    if (seen.has(name))
      return [{ code: 'reference-duplicate', place: `${place}.${index}.${field}`, received: name }]
    seen.add(name)
    return []
  })
}
