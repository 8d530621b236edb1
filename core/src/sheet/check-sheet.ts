import type { Problem } from '../problem/problem'
import { zWayProblem } from '../schools/z-way-problem'
import { diameterAddress } from '../address/address'
import { AXES } from '../address/row'
import { namesOf, type Names } from './names'
import { keepsLengths, lengthAddressOf } from './tool-rows'
import { lengthProblem, optional, uncertain, unknownName, type NamedLength } from './problems'
import { FACES_OF_AXIS, type Face, type PlanAxis } from '../touch/touch'
import { machineLengths, placeProblems } from './check-machine'
import { sideOf, type AxisPlan, type OffsetPlan, type SetupSheet } from './sheet'

/** Everything that is wrong with a sheet of the right shape, in one pass; places begin with `sheet`. */
export const checkSheet = (sheet: SetupSheet): readonly Problem[] => [
  ...sheetLengths(sheet).flatMap(([place, written, options]) =>
    lengthProblem(place, written, options),
  ),
  ...sheetReferences(sheet, namesOf(sheet)),
]

function sheetLengths(sheet: SetupSheet): readonly NamedLength[] {
  const { machine, reference, needs } = sheet
  return [
    ...machineLengths(machine, 'sheet.machine.'),
    ...optional('sheet.holding.jaw', sheet.holding?.jaw, { sign: 'positive' }),
    ...optional('sheet.holding.parallels', sheet.holding?.parallels, { sign: 'not-negative' }),
    ...optional('sheet.holding.sideCut', sheet.holding?.sideCut, { sign: 'positive' }),
    ...optional('sheet.stood.plane', sheet.stood?.plane),
    ...(sheet.stood?.faces ?? []).map(({ at }, index): NamedLength => [
      `sheet.stood.faces.${index}.at`,
      at,
      {},
    ]),
    ...optional('sheet.reference.constant', reference?.constant),
    ...optional('sheet.reference.masterLength', reference?.masterLength),
    ...optional('sheet.reference.constantUncertainty', reference?.constantUncertainty, uncertain),
    ...optional(
      'sheet.reference.masterLengthUncertainty',
      reference?.masterLengthUncertainty,
      uncertain,
    ),
    ...optional('sheet.needs.depth', needs?.depth, { sign: 'positive' }),
    ...optional('sheet.needs.position', needs?.position, { sign: 'positive' }),
    ...AXES.flatMap((axis) =>
      optional(
        `sheet.stock.${axis}`,
        sheet.stock?.[axis] ?? (asksForStock(sheet) ? { text: '', unit: sheet.unit } : undefined),
        { sign: 'positive' },
      ),
    ),
    ...sheet.gauges.flatMap(
      (
        { size, wall, repeatability, uncertainty, foot, footUncertainty, styli = [] },
        index,
      ): readonly NamedLength[] => [
        [`sheet.gauges.${index}.size`, size, { sign: 'positive' }],
        ...optional(`sheet.gauges.${index}.wall`, wall, { sign: 'positive' }),
        ...optional(`sheet.gauges.${index}.repeatability`, repeatability, uncertain),
        ...optional(`sheet.gauges.${index}.uncertainty`, uncertainty, uncertain),
        ...optional(`sheet.gauges.${index}.foot`, foot),
        ...optional(`sheet.gauges.${index}.footUncertainty`, footUncertainty, uncertain),
        ...styli.map(({ length }, which): NamedLength => [
          `sheet.gauges.${index}.styli.${which}.length`,
          length,
          { sign: 'positive' },
        ]),
      ],
    ),
    ...sheet.tools.flatMap((tool, index) => toolLengths(tool, `sheet.tools.${index}`)),
    ...leftOutTools(sheet).flatMap((tool, index) =>
      toolLengths(tool, `sheet.leftOut.${index}.tool`),
    ),
    ...sheet.offsets.flatMap((offset, index) => offsetLengths(offset, `sheet.offsets.${index}`)),
  ]
}

const leftOutTools = ({ leftOut = [] }: SetupSheet) => leftOut.map(({ tool }) => tool)

function toolLengths(
  {
    length,
    lengthUncertainty,
    lastLength,
    rough,
    diameter,
    programDiameter,
  }: SetupSheet['tools'][number],
  place: string,
): readonly NamedLength[] {
  const positive = { sign: 'positive' } as const
  return [
    ...optional(`${place}.lastLength`, lastLength, positive),
    ...optional(`${place}.rough`, rough, positive),
    ...optional(`${place}.length`, length, positive),
    ...optional(`${place}.lengthUncertainty`, lengthUncertainty, uncertain),
    ...optional(`${place}.diameter`, diameter, positive),
    ...optional(`${place}.programDiameter`, programDiameter, positive),
  ]
}

function offsetLengths(offset: OffsetPlan, place: string): readonly NamedLength[] {
  return [
    ...axisLengths(offset.X, `${place}.X`),
    ...axisLengths(offset.Y, `${place}.Y`),
    [`${place}.Z.facing`, offset.Z.facing, { sign: 'not-negative' }],
    ...optional(`${place}.edge.tolerance`, offset.edge?.tolerance, { sign: 'not-negative' }),
    ...optional(`${place}.Z.quill.measured`, offset.Z.quill?.measured, { sign: 'not-negative' }),
    ...optional(`${place}.Z.quill.running`, offset.Z.quill?.running, { sign: 'not-negative' }),
    ...optional(`${place}.Z.quill.uncertainty`, offset.Z.quill?.uncertainty, uncertain),
  ]
}

function axisLengths(plan: AxisPlan, place: string): readonly NamedLength[] {
  const drawing: NamedLength = [`${place}.drawing`, plan.drawing, {}]
  const positive = { sign: 'positive' } as const
  switch (plan.by) {
    case 'one-face':
    case 'sweep':
    case 'turned-corner':
      return [drawing]
    case 'two-faces':
      return [
        drawing,
        ...optional(`${place}.size`, plan.size, positive),
        ...optional(`${place}.tolerance`, plan.tolerance, { sign: 'not-negative' }),
      ]
    case 'circle':
      return [
        drawing,
        [`${place}.diameter`, plan.diameter, positive],
        [`${place}.tolerance`, plan.tolerance, { sign: 'not-negative' }],
      ]
  }
}

function sheetReferences(sheet: SetupSheet, names: Names): readonly Problem[] {
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
    ...sheet.tools.flatMap(({ touchWith = [] }, index) =>
      touchWith.flatMap((gauge) =>
        unknownName(`sheet.tools.${index}.touchWith`, gauge, names.gauges),
      ),
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

/** Jaws hold a part of some height, and an edge runs out over some length. */
const asksForStock = ({ holding, offsets }: SetupSheet): boolean =>
  holding !== undefined ||
  offsets.some(({ edge, X }) => edge !== undefined || X.by === 'turned-corner')
