import { addressParts, type Address } from '../address/address'
import { AXES, type MachineAxis } from '../address/row'
import type { SetupDocument } from '../facts/document'
import { formatLength, roundToDisplay } from '../length/format-length'
import { toNanometres, type Nanometres } from '../length/length'
import { nanometresOf } from '../length/read-length'
import { activeLift } from '../proof/lift'
import type { Register } from '../registers/register'
import type { MachineDeclaration, OffsetProgramForms } from '../sheet/machine'
import type { Solution } from '../solve/solution'
import { numberOfRow } from './offset-forms'

/** Why a register is not in the program. */
export const LEFT_OUT_BECAUSE = [
  'lift-in',
  'no-form',
  'not-measured',
  'stale',
  'not-proven',
  'set-with-each-tool',
  'row-without-number',
  'finer-than-step',
  'machine-zero-outside',
] as const

export type LeftOutBecause = (typeof LEFT_OUT_BECAUSE)[number]

export interface OffsetProgramRequest {
  /** Numbers that no cautious move has proven: left out, or written with a comment that says so. */
  readonly unproven: 'left-out' | 'marked'
  /** Who has it written. */
  readonly by: string
  /** When, as the header says it. */
  readonly at: string
  /** SHA-256 of the set-up as it is now: of its release, or of its file. */
  readonly hash: string
}

export interface OffsetProgram {
  readonly text: string
  /** What it writes, in its order. */
  readonly written: readonly Address[]
  readonly leftOut: readonly { readonly address: Address; readonly because: LeftOutBecause }[]
}

/** A number on its way into a block: the word that carries it, and what is said beside it. */
interface Stated {
  readonly register: Register
  readonly word: string
  readonly mark?: string
}

/** As the program says it: words of a comment, in the characters of every control. */
const BECAUSE: Readonly<Record<LeftOutBecause, string>> = {
  'lift-in': 'A LIFT IS IN, TAKE IT OUT FIRST',
  'no-form': 'THIS CONTROL TAKES NO G10 FOR IT',
  'not-measured': 'NOT MEASURED',
  stale: 'NO LONGER VALID',
  'not-proven': 'NOT PROVEN',
  'set-with-each-tool': 'SET ANEW WITH EACH TOOL',
  'row-without-number': 'G10 HAS NO NUMBER FOR THIS ROW',
  'finer-than-step': 'FINER THAN A STEP OF THIS CONTROL',
  'machine-zero-outside': 'MACHINE ZERO IS OUTSIDE THE TRAVEL',
}

/** Longer comments are cut by some controls (common practice, no source). */
const LONGEST_COMMENT = 60

/**
 * The rows of a control as a program that writes them with G10, in the forms that its machine is declared to take. The values are
 * exactly what the key-in sheet says. It begins with a stop, for whoever starts the wrong file; stale numbers are never written.
 *
 * @returns the text, what it writes and what it leaves out. A machine that takes no G10 gets a program that writes nothing.
 */
export function offsetProgram(
  document: SetupDocument,
  solution: Solution,
  request: OffsetProgramRequest,
): OffsetProgram {
  const stated: Stated[] = []
  const leftOut: { address: Address; because: LeftOutBecause }[] = []
  // Its rows hold raised numbers: written over, half of them would be let down and nobody would know which.
  const isRaised = activeLift(document) !== undefined
  for (const register of solution.registers) {
    const because = isRaised ? 'lift-in' : whyLeftOut(register, request)
    const word = because ?? wordFor(register, document, solution)
    if (typeof word === 'string') leftOut.push({ address: register.address, because: word })
    else stated.push({ register, word: word.word, ...markOf(register) })
  }
  const { offsets } = formsOf(document)
  const blocks = [
    ...offsetBlocks(stated, offsets),
    ...stated.filter(({ register }) => register.kind !== 'work-offset').map(toolBlock(document)),
  ]
  const lines = [
    'M0 (STOP. THIS WRITES OFFSETS: IS IT THE RIGHT FILE)',
    ...headerOf(document, request),
    ...leftOut.map(({ address, because }) => comment(`${address} LEFT OUT: ${BECAUSE[because]}`)),
    solution.unit === 'mm' ? 'G21 G90 G40 G49 G80' : 'G20 G90 G40 G49 G80',
    // The position is stated at machine zero: Z first, so that X and Y move with everything clear.
    ...(offsets === 'L20' && stated.some(({ register }) => register.kind === 'work-offset')
      ? ['M0 (STOP. HOMED? THE AXES GO TO MACHINE ZERO NEXT, Z FIRST)', 'G53 G0 Z0', 'G53 G0 X0 Y0']
      : []),
    ...blocks,
    comment('READ EVERY ROW BACK AND PROVE IT BEFORE YOU CUT'),
    'M30',
  ]
  return {
    text: `${lines.join('\n')}\n`,
    written: stated.map(({ register }) => register.address),
    leftOut,
  }
}

/** A set-up as the shop's machine takes programs now: what its control takes may be declared after the set-up began. */
export function underForms(
  document: SetupDocument,
  inForce: Pick<MachineDeclaration, 'control'> | undefined,
): SetupDocument {
  if (inForce === undefined) return document
  const { machine } = document.sheet
  const { offsetProgram: _asItWas, ...control } = machine.control
  const { offsetProgram: now } = inForce.control
  const taking = { ...control, ...(now && { offsetProgram: now }) }
  return { ...document, sheet: { ...document.sheet, machine: { ...machine, control: taking } } }
}

const formsOf = ({ sheet }: Pick<SetupDocument, 'sheet'>): OffsetProgramForms =>
  sheet.machine.control.offsetProgram ?? {}

function whyLeftOut(
  { state, keyIn }: Register,
  { unproven }: OffsetProgramRequest,
): LeftOutBecause | undefined {
  if (state === 'not-read' || keyIn === undefined) return 'not-measured'
  if (state === 'stale') return 'stale'
  return state !== 'proven' && unproven === 'left-out' ? 'not-proven' : undefined
}

/** The word that carries a register's number, or why none can. */
function wordFor(
  { address, kind, keyIn }: Register,
  document: SetupDocument,
  { unit, decimals }: Solution,
): { readonly word: string } | LeftOutBecause {
  const parts = addressParts(address)
  const { offsets, tools } = formsOf(document)
  if (parts === undefined || keyIn === undefined) return 'not-measured'
  const write = (nm: Nanometres) => formatLength(nm, unit, decimals)
  if (parts.of === 'work-offset') {
    if (offsets === undefined) return 'no-form'
    if (parts.tool !== undefined) return 'set-with-each-tool'
    if (numberOfRow(parts.row) === undefined) return 'row-without-number'
    if (offsets === 'L2') return { word: `${parts.axis}${keyIn.after}` }
    if (!reachesZero(document, parts.axis)) return 'machine-zero-outside'
    const position = toNanometres(-externalOf(document, parts.axis) - keyIn.expected)
    if (roundToDisplay(position, unit, decimals) !== position) return 'finer-than-step'
    return { word: `${parts.axis}${write(position)}` }
  }
  if (tools === undefined) return 'no-form'
  if (tools === 'L10') return { word: `R${keyIn.after}` }
  if (kind === 'length') return { word: `Z${keyIn.after}` }
  // A table of tools keeps the radius, whatever the control's D rows hold.
  const isRadius = document.sheet.machine.control.diameterRegister === 'radius'
  const radius = toNanometres(isRadius ? keyIn.expected : keyIn.expected / 2)
  if (roundToDisplay(radius, unit, decimals) !== radius) return 'finer-than-step'
  return { word: `R${write(radius)}` }
}

/** What the control adds to every row of an axis by itself, as the machine is declared. */
const externalOf = ({ sheet }: Pick<SetupDocument, 'sheet'>, axis: MachineAxis): Nanometres =>
  nanometresOf(sheet.machine.externalOffset?.[axis]) ?? toNanometres(0)

/** Whether an axis can stand at machine zero, as far as its travel is known. */
function reachesZero({ sheet }: Pick<SetupDocument, 'sheet'>, axis: MachineAxis): boolean {
  const travel = sheet.machine.travels?.[axis]
  const [min, max] = [nanometresOf(travel?.min) ?? 0, nanometresOf(travel?.max) ?? 0]
  return min <= 0 && max >= 0
}

const markOf = ({ state, address }: Register): { mark?: string } =>
  state === 'proven'
    ? {}
    : { mark: state === 'keyed' ? `${address} NOT PROVEN` : `${address} NOT KEYED, NOT PROVEN` }

/** One block for each row, with the axes that are known. */
function offsetBlocks(stated: readonly Stated[], form: OffsetProgramForms['offsets']): string[] {
  const rows = new Map<number, Stated[]>()
  for (const one of stated) {
    const parts = addressParts(one.register.address)
    const number = parts?.of === 'work-offset' ? numberOfRow(parts.row) : undefined
    if (number !== undefined) rows.set(number, [...(rows.get(number) ?? []), one])
  }
  return [...rows].flatMap(([number, ofRow]) => {
    const words = AXES.flatMap((axis) =>
      ofRow.filter(({ word }) => word.startsWith(axis)).map(({ word }) => word),
    )
    return [...marksOf(ofRow), `G10 ${form} P${number} ${words.join(' ')}`]
  })
}

const toolBlock =
  (document: SetupDocument) =>
  (one: Stated): string => {
    const parts = addressParts(one.register.address)
    const row = parts?.of === 'length' || parts?.of === 'diameter' ? parts.register : 0
    const form =
      formsOf(document).tools === 'L1' ? 'L1' : one.register.kind === 'length' ? 'L10' : 'L12'
    return [...marksOf([one]), `G10 ${form} P${row} ${one.word}`].join('\n')
  }

const marksOf = (all: readonly Stated[]): readonly string[] =>
  all.flatMap(({ mark }) => (mark === undefined ? [] : [comment(mark)]))

function headerOf(
  { sheet, records, lastChange }: SetupDocument,
  { by, at, hash }: OffsetProgramRequest,
): readonly string[] {
  const release = records.at(-1)
  const isReleased = release !== undefined && lastChange < release.place
  return [
    `MACHINE: ${sheet.machine.name}`,
    `SET-UP: ${sheet.name}`,
    `WRITTEN FOR ${by}, ${at}`,
    isReleased ? `RELEASED BY ${release.by.name}, ${release.at}` : 'NOT RELEASED',
    `SHA-256 ${hash.slice(0, 32)}`,
    `SHA-256 ${hash.slice(32)}`,
  ].map(comment)
}

/** A comment in the characters that every control takes: capitals of ASCII, and no bracket within. */
function comment(text: string): string {
  const plain = text
    .replace(/ß/g, 'ss')
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[()[\]{}]/g, ' ')
    .replace(/\u2212/g, '-')
    .toUpperCase()
    .replace(/[^\u0020-\u007e]/g, '?')
    .replace(/\s+/g, ' ')
    .trim()
  return `(${plain.slice(0, LONGEST_COMMENT)})`
}
