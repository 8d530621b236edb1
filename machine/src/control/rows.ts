import { AXES, type Axis } from '../kit'

export const WORK_ROWS = [
  ...['G54', 'G55', 'G56', 'G57', 'G58', 'G59'],
  ...['G59.1', 'G59.2', 'G59.3'],
] as const satisfies readonly string[]

export type WorkRow = (typeof WORK_ROWS)[number]

/** A row of a table of the control: `H3`, `D3`, `G54.X`, `EXT.Z`. */
export type RowName = string

/** How a control stores and takes numbers. */
export interface ControlMade {
  readonly unit: 'mm' | 'in'
  readonly decimals: number
  /** What it does with a stored length. */
  readonly lengthSign: 1 | -1
  /** What a D row holds. */
  readonly diameterAs: 'diameter' | 'radius'
  readonly keepsLengths: boolean
  readonly tools: number
}

/** A row that this control has; undefined for any other text. */
export function addressIn({ keepsLengths, tools }: ControlMade, text: string): RowName | undefined {
  const [, letter, number] = /^([HD])(\d{1,3})$/.exec(text) ?? []
  if (letter !== undefined) {
    const isThere =
      (letter === 'D' || keepsLengths) && Number(number) >= 1 && Number(number) <= tools
    return isThere ? `${letter}${Number(number)}` : undefined
  }
  const dot = text.lastIndexOf('.')
  const [row, axis] = [text.slice(0, dot), text.slice(dot + 1)]
  const isRow = row === 'EXT' || (WORK_ROWS as readonly string[]).includes(row)
  return isRow && (AXES as readonly string[]).includes(axis) ? text : undefined
}

/** The numbers in effect at once, for one axis. Nanometres. */
export interface WorkTotal {
  readonly row: WorkRow
  readonly lengthRow: RowName | undefined
  /** G52 and G92 of a program. */
  readonly shift: number
}

/** The tables of a control. Every row holds something; one that nobody keyed holds what the last job left, or nothing. */
export class Rows {
  private readonly held = new Map<RowName, number>()

  constructor(readonly made: ControlMade) {}

  /** Nanometres. */
  read(row: RowName): number {
    return this.held.get(row) ?? 0
  }

  /** Nanometres; rounded to what the control stores. */
  write(row: RowName, value: number): void {
    const step = this.step
    const rounded = Math.round(value / step) * step
    this.held.set(row, rounded === 0 ? 0 : rounded)
  }

  /** The smallest step that it stores and shows, nanometres. */
  get step(): number {
    const { unit, decimals } = this.made
    return (unit === 'mm' ? 1_000_000 : 25_400_000) / 10 ** decimals
  }

  /** Everything that it adds to a program's number along an axis. */
  total(axis: Axis, { row, lengthRow, shift }: WorkTotal): number {
    const length =
      axis === 'Z' && lengthRow !== undefined ? this.made.lengthSign * this.read(lengthRow) : 0
    return this.read(`EXT.${axis}`) + this.read(`${row}.${axis}`) + length + shift
  }

  /** Rows that were ever written, in the order of their names. */
  written(): readonly (readonly [RowName, number])[] {
    return [...this.held].sort(([one], [other]) =>
      one.localeCompare(other, 'en', { numeric: true }),
    )
  }
}
