import { reportIssues, reportProblem, setupSheetSchema, type ReportedProblem } from '@pine/contract'
import {
  checkDocument,
  OFFSET_ROWS,
  type Gauge,
  type LengthUnit,
  type MachineDeclaration,
  type OffsetPlan,
  type SetupSheet,
  type Tool,
} from '@pine/core'

/** A sheet while it is being written: as the sheet, but the machine may not be picked yet. */
export type SheetDraft = Omit<SetupSheet, 'machine'> & { readonly machine?: MachineDeclaration }

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

export function emptyOffset(row: OffsetPlan['row'], unit: LengthUnit): OffsetPlan {
  return {
    row,
    X: { by: 'one-face', face: 'left', side: 'outside', drawing: { text: '0', unit } },
    Y: { by: 'one-face', face: 'front', side: 'outside', drawing: { text: '0', unit } },
    Z: { by: 'carried-difference', facing: { text: '0', unit } },
  }
}

/** The next tool: its H row has its number, as most programs have it. */
export function nextTool(tools: readonly Tool[]): Tool {
  const number = Math.max(0, ...tools.map((tool) => tool.number)) + 1
  return { number, name: '', lengthRegister: number }
}

export function withNextOffset(draft: SheetDraft): SheetDraft {
  const row = OFFSET_ROWS.find((one) => !draft.offsets.some((offset) => offset.row === one))
  return row === undefined
    ? draft
    : { ...draft, offsets: [...draft.offsets, emptyOffset(row, draft.unit)] }
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

/** A draft whose tools have names, even if only by their number. */
const named = (draft: SheetDraft): SheetDraft => ({
  ...draft,
  tools: draft.tools.map((tool) =>
    tool.name.trim() === '' ? { ...tool, name: `tool ${tool.number}` } : tool,
  ),
})

/** The finished sheet, or everything that is wrong with the draft, each with its place in the sheet. */
export function finish(draft: SheetDraft): {
  readonly sheet?: SetupSheet
  readonly problems: readonly ReportedProblem[]
} {
  const complete = named(draft)
  const parsed = setupSheetSchema.safeParse(complete)
  if (!parsed.success)
    return { problems: [...reportIssues(parsed.error, complete), ...numbersOf(complete)] }
  const problems = numbersOf(complete)
  return problems.length === 0 ? { sheet: parsed.data, problems } : { problems }
}

function numbersOf(draft: SheetDraft): readonly ReportedProblem[] {
  const machine = draft.machine ?? {
    name: '',
    kind: 'mill',
    control: { decimals: { mm: 3, in: 4 }, lengthKey: 'set', workOffsetKey: 'set' },
  }
  const document = {
    format: 'pine-compass/setup',
    version: 1,
    id: '',
    sheet: { ...draft, machine },
    readings: [],
    keyIns: [],
    readBacks: [],
  } as const
  return checkDocument(document).map((problem) => ({
    ...reportProblem(problem),
    place: problem.place.replace(/^sheet\./, ''),
  }))
}
