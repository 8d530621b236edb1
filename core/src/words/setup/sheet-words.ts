import { type AxisPlan, type OffsetPlan, type ZPlan } from '../../sheet/offset-plan'
import { type SetupSheet } from '../../sheet/sheet'
import { isToolByTool } from '../../sheet/tool-rows'
import { GAUGE_FACTS } from '../../touch/gauge-kinds'
import type { Face } from '../../touch/touch'
import { faceName } from '../../quantities/touch-words'
import { GAUGE_NAMES, MEASURE_NAMES } from '../trust/gauge-words'
import { lengthWords } from '../typographic'

/** A part of a sheet as it is read out: a title and its lines, each a name with what was declared. */
export interface SheetPart {
  readonly title: string
  readonly lines: readonly (readonly [name: string, says: string])[]
}

/** What was declared before anything was read, in the order of the sheet. */
export function describeSheet(sheet: SetupSheet): readonly SheetPart[] {
  const { machine, zero, stock, offsets, tools, leftOut = [], gauges } = sheet
  return [
    {
      title: 'Machine and zero',
      lines: [
        ['Machine', `${machine.name}, ${machine.kind}`],
        ['Lengths', schoolWords(sheet)],
        ...(isToolByTool(sheet)
          ? [['One tool at a time', 'Z of a work offset is set anew with each'] as const]
          : []),
        [
          'Keyed',
          sheet.keying === 'as-known' ? 'each number as soon as it is known' : 'all together',
        ],
        ['Zero', zero === '' ? 'not said' : zero],
        [
          'Stock X Y Z',
          stock === undefined
            ? 'not said'
            : `${lengthWords(stock.X)} × ${lengthWords(stock.Y)} × ${lengthWords(stock.Z)}`,
        ],
      ],
    },
    ...offsets.map((offset) => ({ title: offset.row, lines: describeOffsetPlan(offset) })),
    {
      title: 'Tools',
      lines: tools.map(
        ({ number, name, lengthRegister }) =>
          [
            `T${number}`,
            lengthRegister === undefined ? name : `${name} · H${lengthRegister}`,
          ] as const,
      ),
    },
    ...(leftOut.length === 0
      ? []
      : [
          {
            title: 'Left out for now',
            lines: leftOut.map(
              ({ tool, reason }) => [`T${tool.number}`, `${tool.name}: ${reason}`] as const,
            ),
          },
        ]),
    {
      title: 'Gauges',
      lines: gauges.map(
        ({ name, kind, size }) =>
          [
            name,
            `${GAUGE_NAMES[kind]}, ${MEASURE_NAMES[GAUGE_FACTS[kind].measure]} ${lengthWords(size)}`,
          ] as const,
      ),
    },
  ]
}

/** How X, Y and Z of a work offset are found, each with what the drawing says there. */
export const describeOffsetPlan = ({ X, Y, Z, spared = [] }: OffsetPlan): SheetPart['lines'] => [
  ['X', axisWords(X, 'X')],
  ['Y', axisWords(Y, 'Y')],
  ['Z', zWords(Z)],
  ...(spared.length === 0 ? [] : [['Not to be touched', sparedWords(spared)] as const]),
]

/** Faces that must not be touched: `left and back face`. */
export const sparedWords = (faces: readonly Face[]): string =>
  `${faces.join(' and ')} ${faces.length === 1 ? 'face' : 'faces'}`

export function schoolWords({
  school,
  plane,
  reference,
}: Pick<SetupSheet, 'school' | 'plane' | 'reference'>): string {
  switch (school) {
    case 'gauge-line':
      return 'real lengths, from the nose'
    case 'setting-plane':
      return `to the setting plane (${plane})`
    case 'part-top':
      return 'to the top of this part'
    case 'master-tool':
      return `compared with T${reference?.masterTool}, the master`
  }
}

function zWords(plan: ZPlan): string {
  const { facing, quill } = plan
  const out = quill
    ? `; quill out ${lengthWords(quill.measured)} measured, ${lengthWords(quill.running)} running`
    : ''
  return `${zWay(plan)}, zero ${lengthWords(facing)} below the stock top${out}`
}

function zWay(plan: ZPlan): string {
  switch (plan.by) {
    case 'carried-difference':
      return 'difference carried from the plane'
    case 'nose-on-part':
      return 'bare nose on the part'
    case 'part-top':
      return 'the tools are touched on it'
    case 'tool-on-part':
      return `T${plan.tool} on the part`
    case 'fixture-difference':
      return `difference from the part of ${plan.from}`
  }
}

function axisWords(plan: AxisPlan, axis: 'X' | 'Y'): string {
  const is = `is ${axis} = ${lengthWords(plan.drawing)}`
  switch (plan.by) {
    case 'one-face':
      return `${faceName(plan.face, plan.side)} ${is}`
    case 'circle':
      return `centre of the ${plan.side === 'outside' ? 'boss' : 'bore'} ${is}; diameter ${lengthWords(plan.diameter)} ±${lengthWords(plan.tolerance)}`
    case 'turned-corner':
      return `${faceName(plan.face, 'outside')}, however it is turned, ${is}`
    case 'sweep':
      return `centre by a swept dial ${is}`
    case 'two-faces':
      return `${plan.side === 'outside' ? 'middle of both faces' : 'middle of the slot'} ${is}${plan.size === undefined ? '; its size is not checked' : `; size ${lengthWords(plan.size)} ±${plan.tolerance === undefined ? 'usual' : lengthWords(plan.tolerance)}`}`
  }
}
