import {
  diameterAddress,
  lengthAddress,
  offsetAddress,
  type Address,
  type OffsetAddress,
} from '../address/address'
import { AXES, isOffsetRow, type MachineAxis, type OffsetRow } from '../address/row'
import { formatLength } from '../length/format-length'
import { toNanometres, type LengthUnit, type WrittenLength } from '../length/length'
import { nanometresOf, readLength } from '../length/read-length'
import { readBlock, wordText, type Block, type ProgramWord } from '../program/text/block'
import type { MachineDeclaration } from '../sheet/machine'
import { FORM_OF_L, rowOfNumber } from './offset-forms'

/** Why a number of an offset table is not taken, or a line of it is not understood. */
export const OFFSET_TEXT_FAULTS = [
  'line-unknown',
  'beside-g10',
  'row-unknown',
  'not-a-number',
  'no-point',
  'adds',
  'position-unknown',
  'wear',
  'stated-twice',
] as const

export type OffsetTextFault = (typeof OFFSET_TEXT_FAULTS)[number]

/** What a table says that a row holds. */
export interface StatedRow {
  readonly address: Address
  readonly shown: WrittenLength
  /** From 1. */
  readonly line: number
}

export interface OffsetTextProblem {
  readonly fault: OffsetTextFault
  readonly line: number
  readonly text: string
}

export interface OffsetText {
  readonly rows: readonly StatedRow[]
  readonly problems: readonly OffsetTextProblem[]
}

/** What the control does by itself with what a table says. */
export type ControlOfTable = Pick<MachineDeclaration, 'control' | 'externalOffset'>

/**
 * Reads what a control holds from the text of its table: G10 blocks, or lines that name their row (`G54 X… Y… Z…`, `H3 80.000`).
 * Nothing is guessed: a number without a point, a block that adds, one that tells a position that nobody knows and a line that is
 * neither is told with its place.
 *
 * @param unit of numbers, where the text has no G20 or G21.
 */
export function readOffsetText(
  text: string,
  unit: LengthUnit,
  machine: ControlOfTable,
): OffsetText {
  const lines = text.split(/\r\n|\n|\r/)
  // A file that writes offsets has moves and modes beside them; a table has nothing else.
  const isProgram = lines.some((line) => /G\s*0*10(?![\d.])/i.test(withoutComments(line)))
  const found = new FoundRows()
  if (isProgram) readProgramLines(lines, unit, machine, found)
  else lines.forEach((line, index) => readLabelledLine(line, index + 1, unit, found))
  return found
}

/** Rows as they are met; the second that says something else of a row is told, and the row is left out of neither. */
export class FoundRows implements OffsetText {
  readonly rows: StatedRow[] = []
  readonly problems: OffsetTextProblem[] = []

  add(address: Address, text: string, unit: LengthUnit, line: number): void {
    const shown = { text: text.trim(), unit }
    const read = readLength(shown)
    if (!read.ok) return this.fault('not-a-number', line, text)
    if (!/[./]/.test(text)) return this.fault('no-point', line, text)
    const earlier = this.rows.find((one) => one.address === address)
    if (earlier === undefined) this.rows.push({ address, shown, line })
    else if (nanometresOf(earlier.shown) !== read.value.nm)
      this.fault('stated-twice', line, `${address} ${text.trim()}`)
  }

  fault(fault: OffsetTextFault, line: number, text: string): void {
    this.problems.push({ fault, line, text: text.trim().slice(0, 80) })
  }
}

const withoutComments = (line: string): string => line.replace(/\([^)]*\)?|;.*/g, '')

/** What is in force as a program is followed. */
interface Modes {
  unit: LengthUnit
  adds: boolean
  /** Axes that stand at machine zero. */
  atZero: Set<MachineAxis>
}

function readProgramLines(
  lines: readonly string[],
  unit: LengthUnit,
  machine: ControlOfTable,
  found: FoundRows,
): void {
  const modes: Modes = { unit, adds: false, atZero: new Set() }
  lines.forEach((line, index) => {
    const block = readBlock(line)
    const value = (letter: string) => block.words.find((word) => word.letter === letter)?.value
    const codes = block.words.filter(({ letter }) => letter === 'G').map((word) => word.value)
    if (codes.includes(20)) modes.unit = 'in'
    if (codes.includes(21)) modes.unit = 'mm'
    if (codes.includes(90)) modes.adds = false
    if (codes.includes(91)) modes.adds = true
    if (codes.includes(10))
      readOffsetBlock({ block, line, number: index + 1, value }, modes, machine, found)
    else if (isLabelled(line)) found.fault('beside-g10', index + 1, line)
    else follow(block, codes, modes)
  })
}

/** Where the axes stand is known of a move to machine zero alone, and of no other. */
function follow({ words }: Block, codes: readonly number[], { atZero }: Modes): void {
  for (const { letter, value } of words) {
    const axis = AXES.find((one) => one === letter)
    if (axis === undefined) continue
    if (codes.includes(53) && value === 0) atZero.add(axis)
    else atZero.delete(axis)
  }
}

interface OffsetBlock {
  readonly block: Block
  readonly line: string
  readonly number: number
  readonly value: (letter: string) => number | undefined
}

function readOffsetBlock(
  { block, line, number, value }: OffsetBlock,
  modes: Modes,
  machine: ControlOfTable,
  found: FoundRows,
): void {
  const form = FORM_OF_L.get(value('L') ?? NaN)
  const P = value('P')
  if (form === undefined || P === undefined) return found.fault('line-unknown', number, line)
  const numbers = block.words.filter(({ letter }) => 'XYZR'.includes(letter))
  const textOf = (word: ProgramWord) => wordText(line, word).slice(1)
  if (modes.adds) return found.fault('adds', number, line)
  if (form === 'length-wear' || form === 'diameter-wear') return found.fault('wear', number, line)
  if (form === 'offset' || form === 'offset-by-position') {
    const row = rowOfNumber(P)
    if (row === undefined) return found.fault('row-unknown', number, line)
    for (const word of numbers) {
      const axis = AXES.find((one) => one === word.letter)
      if (axis === undefined) continue
      const address = offsetAddress(row, axis)
      if (form === 'offset') found.add(address, textOf(word), modes.unit, number)
      else addByPosition(address, axis, textOf(word), { modes, machine, found, number })
    }
    return
  }
  for (const word of numbers)
    addOfTool(form, P, word.letter, textOf(word), { modes, machine, found, number })
}

interface Reading {
  readonly modes: Modes
  readonly machine: ControlOfTable
  readonly found: FoundRows
  readonly number: number
}

/** Told at machine zero, a position is minus what the control adds: row = 0 − external offset − position. */
function addByPosition(
  address: OffsetAddress,
  axis: MachineAxis,
  text: string,
  { modes, machine, found, number }: Reading,
): void {
  const position = readLength({ text, unit: modes.unit })
  if (!position.ok) return found.fault('not-a-number', number, text)
  if (!modes.atZero.has(axis)) return found.fault('position-unknown', number, text)
  const external = nanometresOf(machine.externalOffset?.[axis]) ?? 0
  const row = toNanometres(-external - position.value.nm)
  const decimals = machine.control.decimals[modes.unit]
  found.add(address, formatLength(row, modes.unit, decimals), modes.unit, number)
}

function addOfTool(
  form: 'tool' | 'length' | 'diameter',
  P: number,
  letter: string,
  text: string,
  { modes, machine, found, number }: Reading,
): void {
  if (form === 'length' && letter === 'R') found.add(lengthAddress(P), text, modes.unit, number)
  if (form === 'diameter' && letter === 'R') found.add(diameterAddress(P), text, modes.unit, number)
  if (form !== 'tool') return
  if (letter === 'Z') found.add(lengthAddress(P), text, modes.unit, number)
  if (letter !== 'R') return
  const radius = nanometresOf({ text, unit: modes.unit })
  if (radius === undefined) return found.fault('not-a-number', number, text)
  const isRadius = machine.control.diameterRegister === 'radius'
  const held = toNanometres(isRadius ? radius : radius * 2)
  const decimals = machine.control.decimals[modes.unit]
  found.add(diameterAddress(P), formatLength(held, modes.unit, decimals), modes.unit, number)
}

const NUMBER = String.raw`([+\-\u2212]?[\d.,]+)`
const OF_ROW = /^\s*(G\s*5[4-9](?:\.\d)?(?:\s*P\s*\d+)?)\b(.*)$/i
const OF_AXIS = new RegExp(String.raw`([XYZ])\s*[:=]?\s*${NUMBER}`, 'gi')
const OF_TOOL = new RegExp(
  String.raw`^\s*([HD])\s*0*(\d{1,3})\s*(?:[:=;,\t ]\s*)+${NUMBER}\s*$`,
  'i',
)

/** Whether a line would be a row of a table, were it not among blocks of a program: whoever pasted both is told. */
function isLabelled(line: string): boolean {
  const plain = withoutComments(line)
  const [, name = '', rest = ''] = OF_ROW.exec(plain) ?? []
  return (
    OF_TOOL.test(plain) ||
    (name !== '' && rest.trim() !== '' && rest.replace(OF_AXIS, '').trim() === '')
  )
}

/** A line that says which row it is of: `G54 Y-255.000 Z-220.000`, `H3 80.000`. */
function readLabelledLine(line: string, number: number, unit: LengthUnit, found: FoundRows): void {
  const plain = withoutComments(line)
  if (plain.trim() === '' || plain.trim() === '%') return
  const tool = OF_TOOL.exec(plain)
  if (tool !== null) {
    const [, letter = '', register = '', text = ''] = tool
    const address = letter.toUpperCase() === 'H' ? lengthAddress : diameterAddress
    return found.add(address(Number(register)), text, unit, number)
  }
  const [, name = '', rest = ''] = OF_ROW.exec(plain) ?? []
  const axes = [...rest.matchAll(OF_AXIS)]
  if (name === '' || axes.length === 0 || rest.replace(OF_AXIS, '').trim() !== '')
    return found.fault('line-unknown', number, line)
  const row = rowCalled(name)
  if (row === undefined) return found.fault('row-unknown', number, line)
  for (const [, axis = '', text = ''] of axes)
    found.add(offsetAddress(row, axis.toUpperCase() as MachineAxis), text, unit, number)
}

/**
 * A row as a person or a control calls it: `G54`, `g54.1p3`, `54`, `1`.
 *
 * @example rowCalled('g54.1p3') // 'G54.1 P3'
 * @example rowCalled('02') // 'G55'
 */
export function rowCalled(text: string): OffsetRow | undefined {
  const bare = text.replace(/\s+/g, '').toUpperCase()
  if (/^0*[1-9]$/.test(bare)) return rowOfNumber(Number(bare))
  const name = (bare.startsWith('G') ? bare : `G${bare}`).replace(/^(G54\.1)P0*(\d+)$/, '$1 P$2')
  return isOffsetRow(name) ? name : undefined
}
