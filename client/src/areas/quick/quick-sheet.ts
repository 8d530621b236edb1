import { habitsOf } from '@pine/core/running'
import type { SetupDocument } from '@pine/core/facts'
import {
  withZeroAt,
  type AxisPlace,
  type Gauge,
  type MachineDeclaration,
  type SetupSheet,
  type Tool,
} from '@pine/core/sheet'
import type { WrittenLength } from '@pine/core/length'
import { solve } from '@pine/core/solve'
import { withHabits } from '@/areas/new-setup/habits-draft'
import {
  emptyDraft,
  finish,
  keepsLengths,
  withMachine,
  withZWay,
} from '@/areas/new-setup/sheet-draft'

/** What a quick one begins with: a machine, the shop's gauges, and what the machine was last set up with. */
export interface QuickStart {
  readonly machineId: string
  readonly machine: MachineDeclaration
  readonly gauges: readonly Gauge[]
  readonly last: SetupDocument | undefined
  readonly tool: number
  /** What it is called until it becomes a job: when it was begun. */
  readonly name: string
}

/** The sheet of a quick one: one tool, no stock, no job; lengths are counted as in the last set-up on the machine. */
export function quickSheet(start: QuickStart): SetupSheet | undefined {
  const { machineId, machine, gauges, last, tool, name } = start
  const on = withMachine(emptyDraft(unitOf(start)), machineId, machine)
  const like = last === undefined ? on : withHabits(on, habitsOf(last, solve(last), { gauges }))
  const { holding: _noVise, stood: _notYet, ...counted } = like
  const { sheet } = finish({
    ...counted,
    name,
    gauges: like.gauges.length > 0 ? like.gauges : gauges,
    tools: [quickTool(tool, keepsLengths(on))],
    keying: 'as-known',
  })
  return sheet && { ...sheet, quick: keepsLengths(on) ? 'lengths' : 'row' }
}

const unitOf = ({ last, machine, gauges }: QuickStart) =>
  last?.sheet.unit ?? machine.travels?.Z?.min.unit ?? gauges[0]?.size.unit ?? 'mm'

const quickTool = (number: number, keepsOne: boolean): Tool => ({
  number,
  name: `tool ${number}`,
  ...(keepsOne && { lengthRegister: number }),
})

/** A tool in its pocket, as the shop knows it. */
export interface PocketTool {
  readonly id: string
  readonly pocket: number
  readonly tool: { readonly name: string }
  readonly lastLength?: WrittenLength | undefined
}

/** Tools that are measured again with no job in hand: the one that the others are held against first. */
export function recheckSheet(
  start: Omit<QuickStart, 'tool'>,
  tools: readonly PocketTool[],
): SetupSheet | undefined {
  const [first] = tools
  const begun = first && quickSheet({ ...start, tool: first.pocket })
  if (begun?.quick !== 'lengths') return undefined
  return tools.reduce(withRecheckTool, { ...begun, tools: [], quick: 'recheck' } as SetupSheet)
}

/** One more of them; the same sheet where it is on it already. */
export function withRecheckTool(
  sheet: SetupSheet,
  { id, pocket: number, tool: { name }, lastLength }: PocketTool,
): SetupSheet {
  if (sheet.tools.some((tool) => tool.number === number)) return sheet
  const known = { assembly: id, ...(lastLength && { lastLength: { ...lastLength } }) }
  return { ...sheet, tools: [...sheet.tools, { ...quickTool(number, true), name, ...known }] }
}

/** One more tool; the same sheet where it is on it already. */
export function withQuickTool(sheet: SetupSheet, number: number): SetupSheet {
  if (sheet.tools.some((tool) => tool.number === number)) return sheet
  const keepsOne = sheet.tools.some(({ lengthRegister }) => lengthRegister !== undefined)
  return { ...sheet, tools: [...sheet.tools, quickTool(number, keepsOne)] }
}

/** The number that comes next. */
export const nextNumber = ({ tools }: Pick<SetupSheet, 'tools'>): number =>
  Math.max(0, ...tools.map(({ number }) => number)) + 1

/** Where zero of a quick row lies on the part: nobody has said how large that is, so at a corner or in the middle. */
export const QUICK_ZEROS: readonly {
  readonly value: string
  readonly label: string
  readonly X: AxisPlace
  readonly Y: AxisPlace
}[] = [
  { value: 'low-low', label: 'front left corner', X: 'low', Y: 'low' },
  { value: 'high-low', label: 'front right corner', X: 'high', Y: 'low' },
  { value: 'low-high', label: 'back left corner', X: 'low', Y: 'high' },
  { value: 'high-high', label: 'back right corner', X: 'high', Y: 'high' },
  { value: 'middle', label: 'middle', X: 'middle', Y: 'middle' },
]

/**
 * The first row is asked for as well: by the faces that its zero lies at, and in Z by the tool that was measured last, on the stock top.
 */
export function withQuickRow(sheet: SetupSheet, zero: string): SetupSheet | undefined {
  const [offset] = sheet.offsets
  const at = QUICK_ZEROS.find(({ value }) => value === zero)
  const tool = sheet.tools.at(-1)
  if (offset === undefined || at === undefined || tool === undefined) return undefined
  const blank = { text: '', unit: sheet.unit }
  const draft = { ...sheet, stock: { X: blank, Y: blank, Z: blank } }
  const inZ =
    sheet.school === 'part-top'
      ? offset
      : withZWay({ ...draft, tools: [tool] }, offset, 'tool-on-part')
  const { sheet: made } = finish({
    ...draft,
    zero: `${at.label}, stock top`,
    offsets: [
      { ...inZ, X: withZeroAt(blank, 'X', at.X), Y: withZeroAt(blank, 'Y', at.Y) },
      ...sheet.offsets.slice(1),
    ],
  })
  return made && { ...made, quick: 'row' }
}
