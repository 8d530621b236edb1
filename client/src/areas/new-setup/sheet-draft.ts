import { type ReportedProblem, SETUP_FACTS, reportIssues, reportProblem } from '@pine/contract'
import { LAST_FURTHER_ROW, OFFSET_ROWS, type OffsetRow } from '@pine/core/address'
import { type LengthUnit, type WrittenLength } from '@pine/core/length'
import { type SheetFromProgram } from '@pine/core/running'
import { waysOfZ } from '@pine/core/schools'
import {
  checkSheet,
  isToolByTool,
  usualTolerance,
  type AxisPlan,
  type Gauge,
  type MachineDeclaration,
  type OffsetPlan,
  type PlanWay,
  type SetupSheet,
  type Stock,
  type Tool,
  type ZPlan,
} from '@pine/core/sheet'

/** A sheet while it is being written: as the sheet, but the machine may not be picked yet, and the stock may be left empty. */
export type SheetDraft = Omit<SetupSheet, 'machine' | 'stock'> & {
  readonly machine?: MachineDeclaration
  readonly stock: Stock
}

/** A sheet to be written on. */
export const draftOf = ({ quick: _aJobNow, ...sheet }: SetupSheet): SheetDraft => {
  const blank = { text: '', unit: sheet.unit }
  return { ...sheet, stock: sheet.stock ?? { X: blank, Y: blank, Z: blank } }
}

export function emptyDraft(unit: LengthUnit = 'mm'): SheetDraft {
  const blank = { text: '', unit }
  return {
    name: '',
    unit,
    school: 'setting-plane',
    zero: '',
    plane: 'table',
    stock: { X: blank, Y: blank, Z: blank },
    gauges: [],
    tools: [{ number: 1, name: '', lengthRegister: 1 }],
    offsets: [emptyOffset('G54', unit)],
  }
}

/** A draft with what a program tells of it; its file's name is a first name for the job. */
export function withProgram(
  draft: SheetDraft,
  { unit = draft.unit, tools, rows }: SheetFromProgram,
  fileName: string,
): SheetDraft {
  const changed = withUnit(draft, unit)
  return {
    ...changed,
    name: changed.name === '' ? fileName.replace(/\.[^.]*$/, '') : changed.name,
    ...(tools.length > 0 && { tools }),
    ...(rows.length > 0 && { offsets: rows.map((row) => emptyOffset(row, unit)) }),
  }
}

export function emptyOffset(row: OffsetPlan['row'], unit: LengthUnit): OffsetPlan {
  return {
    row,
    X: { by: 'one-face', face: 'left', side: 'outside', drawing: { text: '0', unit } },
    Y: { by: 'one-face', face: 'front', side: 'outside', drawing: { text: '0', unit } },
    Z: { by: 'carried-difference', facing: { text: '0', unit } },
  }
}

/** The same offset with X and Y found another way; what the drawing says stays. */
export function withPlanWay(offset: OffsetPlan, way: PlanWay, unit: LengthUnit): OffsetPlan {
  const { X, Y } = offset
  const both = (plan: (drawing: AxisPlan['drawing']) => AxisPlan): OffsetPlan => ({
    ...offset,
    X: plan(X.drawing),
    Y: plan(Y.drawing),
  })
  switch (way) {
    case 'faces': {
      const fresh = emptyOffset(offset.row, unit)
      return {
        ...offset,
        X: { ...fresh.X, drawing: X.drawing },
        Y: { ...fresh.Y, drawing: Y.drawing },
      }
    }
    case 'circle-inside':
    case 'circle-outside': {
      const before = X.by === 'circle' ? X : undefined
      return both((drawing) => ({
        by: 'circle',
        side: way === 'circle-inside' ? 'inside' : 'outside',
        diameter: before?.diameter ?? { text: '', unit },
        tolerance: before?.tolerance ?? usualTolerance(unit),
        drawing,
      }))
    }
    case 'sweep':
      return both((drawing) => ({ by: 'sweep', side: 'inside', drawing }))
    case 'corner':
      return {
        ...offset,
        X: { by: 'turned-corner', face: 'left', drawing: X.drawing },
        Y: { by: 'turned-corner', face: 'front', drawing: Y.drawing },
      }
  }
}

/** Another school: Z of an offset is found in a way that the school knows. */
export function withSchool(draft: SheetDraft, school: SheetDraft['school']): SheetDraft {
  const { reference: _dropped, ...rest } = draft
  const [first] = draft.offsets
  const offsets = draft.offsets.map((offset, index): OffsetPlan => {
    const { facing } = offset.Z
    // The part's top is found by the tools on it, or by a difference from the first one: that is why one counts from it.
    if (school === 'part-top')
      return index === 0 || first === undefined
        ? { ...offset, Z: { by: 'part-top', facing } }
        : { ...offset, Z: { by: 'fixture-difference', from: first.row, facing } }
    // Touched on its top is what the other school was about: it is chosen anew here, where it can be.
    return waysOfZ(school, index).includes(offset.Z.by) && offset.Z.by !== 'part-top'
      ? offset
      : { ...offset, Z: { by: 'carried-difference', facing } }
  })
  return {
    ...rest,
    school,
    offsets,
    ...(school === 'master-tool' && { reference: { masterTool: draft.tools[0]?.number ?? 1 } }),
  }
}

/** Z found another way; facing and quill stay. */
export function withZWay(draft: SheetDraft, offset: OffsetPlan, by: ZPlan['by']): OffsetPlan {
  const { facing, quill } = offset.Z
  const common = { facing, ...(quill && { quill }) }
  const from = draft.offsets[0]?.row ?? 'G54'
  switch (by) {
    case 'tool-on-part':
      return { ...offset, Z: { by, tool: draft.tools[0]?.number ?? 1, ...common } }
    case 'fixture-difference':
      return { ...offset, Z: { by, from, ...common } }
    case 'carried-difference':
    case 'nose-on-part':
    case 'part-top':
      return { ...offset, Z: { by, ...common } }
  }
}

/** The next tool: its H row has its number, as most programs have it. */
export function nextTool(tools: readonly Tool[]): Tool {
  const number = Math.max(0, ...tools.map((tool) => tool.number)) + 1
  return { number, name: '', lengthRegister: number }
}

export function withNextOffset(draft: SheetDraft): SheetDraft {
  const isTaken = (one: OffsetRow) => draft.offsets.some((offset) => offset.row === one)
  const further = Array.from(
    { length: LAST_FURTHER_ROW },
    (_, index): OffsetRow => `G54.1 P${index + 1}`,
  )
  const row = [...OFFSET_ROWS, ...further].find((one) => !isTaken(one))
  if (row === undefined) return draft
  // The same part on the next fixture most often: found as on the first.
  const fresh = emptyOffset(row, draft.unit)
  const [first = fresh] = draft.offsets
  const next = { ...fresh, X: first.X, Y: first.Y, Z: { ...fresh.Z, facing: first.Z.facing } }
  const longer = { ...draft, offsets: [...draft.offsets, next] }
  return draft.school === 'part-top' ? withSchool(longer, 'part-top') : longer
}

/** Another unit for the set-up: numbers already typed keep the unit they were typed in. */
export function withUnit(draft: SheetDraft, unit: LengthUnit): SheetDraft {
  const { X, Y, Z } = draft.stock
  const change = (written: typeof X) =>
    written.text.trim() === '' || written.text === '0' ? { ...written, unit } : written
  return {
    ...draft,
    unit,
    stock: { X: change(X), Y: change(Y), Z: change(Z) },
    offsets: draft.offsets.map((offset) => ({
      ...offset,
      X: { ...offset.X, drawing: change(offset.X.drawing) },
      Y: { ...offset.Y, drawing: change(offset.Y.drawing) },
      Z: { ...offset.Z, facing: change(offset.Z.facing) },
    })),
  }
}

export const withGauge = (draft: SheetDraft, gauge: Gauge): SheetDraft =>
  draft.gauges.some(({ id }) => id === gauge.id)
    ? { ...draft, gauges: draft.gauges.filter(({ id }) => id !== gauge.id) }
    : { ...draft, gauges: [...draft.gauges, gauge] }

/** Whether the control of the draft's machine keeps a length for each tool. */
export const keepsLengths = ({ machine }: Pick<SheetDraft, 'machine'>): boolean =>
  machine === undefined || !isToolByTool({ machine })

/** A draft whose tools have names, even if only by their number, and a register where the control has one for them. */
const named = (draft: SheetDraft): SheetDraft => ({
  ...draft,
  tools: draft.tools.map(({ lengthRegister, ...tool }) => ({
    ...tool,
    ...(tool.name.trim() === '' && { name: `tool ${tool.number}` }),
    ...(keepsLengths(draft) && { lengthRegister: lengthRegister ?? tool.number }),
  })),
})

/** A plan of its touches that still fits: without gauges that were taken off the sheet, and tools that were put back on it. */
function planThatFits(draft: SheetDraft): SheetDraft {
  const { leftOut, ...rest } = draft
  const isThere = (id: string) => draft.gauges.some((gauge) => gauge.id === id)
  const out = leftOut?.filter(({ tool }) =>
    draft.tools.every(({ number }) => number !== tool.number),
  )
  return {
    ...rest,
    tools: draft.tools.map(({ touchWith, ...tool }) =>
      touchWith?.every(isThere) ? { ...tool, touchWith } : tool,
    ),
    ...(out !== undefined && out.length > 0 && { leftOut: out }),
  }
}

/**
 * The draft on a machine. Where its control keeps no lengths each tool is touched on the part itself, unless something else
 * was chosen: that is what most do.
 */
export function withMachine(
  draft: SheetDraft,
  machineId: string,
  machine: MachineDeclaration,
): SheetDraft {
  // Where things stood in another machine's positions says nothing on this one.
  const { stood, ...rest } = draft
  const stays = draft.machineId === machineId && stood !== undefined
  const on = { ...rest, ...(stays && { stood }), machineId, machine }
  return keepsLengths(on) || draft.school !== emptyDraft().school ? on : withSchool(on, 'part-top')
}

const isEmpty = (written: WrittenLength | undefined): boolean => written?.text.trim() === ''

/** A stock that nobody measured is none, and the middle of two faces whose distance nobody knows is taken unchecked. */
function withoutBlanks({ stock, ...draft }: SheetDraft) {
  const isUnknown = isEmpty(stock.X) && isEmpty(stock.Y) && isEmpty(stock.Z)
  const plan = (axis: AxisPlan): AxisPlan => {
    if (axis.by !== 'two-faces' || !isEmpty(axis.size)) return axis
    const { size: _unknown, tolerance: _none, ...middle } = axis
    return middle
  }
  return {
    ...draft,
    ...(!isUnknown && { stock }),
    offsets: draft.offsets.map((offset) => ({ ...offset, X: plan(offset.X), Y: plan(offset.Y) })),
  }
}

/** The finished sheet, or everything that is wrong with the draft, each with its place in the sheet. */
export function finish(draft: SheetDraft): {
  readonly sheet?: SetupSheet
  readonly problems: readonly ReportedProblem[]
} {
  const complete = withoutBlanks(planThatFits(named(draft)))
  const parsed = SETUP_FACTS.sheet.body.safeParse(complete)
  if (!parsed.success)
    return { problems: [...reportIssues(parsed.error, complete), ...numbersOf(complete)] }
  const problems = numbersOf(complete)
  return problems.length === 0 ? { sheet: parsed.data, problems } : { problems }
}

function numbersOf(draft: ReturnType<typeof withoutBlanks>): readonly ReportedProblem[] {
  const machine = draft.machine ?? {
    name: '',
    kind: 'mill',
    control: { decimals: { mm: 3, in: 4 }, lengthKey: 'set', workOffsetKey: 'set' },
  }
  return checkSheet({ ...draft, machine }).map((problem) => ({
    ...reportProblem(problem),
    place: problem.place.replace(/^sheet\./, ''),
  }))
}
