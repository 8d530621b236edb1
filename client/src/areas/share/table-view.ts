import { registerName, type Address } from '@pine/core/address'
import {
  columnsOf,
  readOffsetColumns,
  readOffsetText,
  type ColumnMapping,
  type OffsetText,
} from '@pine/core/offset-text'
import { activeLift } from '@pine/core/proof'
import { type Register } from '@pine/core/registers'
import { solve } from '@pine/core/solve'
import { describeCause, describeOffsetTextFault, typographic } from '@pine/core/words'
import type { LengthUnit, WrittenLength } from '@pine/core/length'
import type { FactDraft } from '@/data/outbox/fact-draft'
import { withPreview } from '@/data/setup/preview'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '@/areas/run/frame/entry/write-length'

type Setup = Pick<LoadedSetup, 'document' | 'solution'>

/** How a row of the control stands to what it should hold. */
export type RowVerdict = 'equal' | 'differs' | 'not-keyed' | 'not-in-table' | 'not-known'

export interface TableLine {
  readonly address: Address
  readonly name: string
  /** What the table shows, with its unit; absent where the table has no such row. */
  readonly shows?: string
  /** What it should show; absent while that is not known. */
  readonly should?: string
  readonly verdict: RowVerdict
  /** The likeliest slip behind a row that differs, and where to look. */
  readonly cause?: string
}

/** A table against the set-up: every row, what is wrong with the text, and the read-backs that it comes to. */
export interface TableView {
  /** Rows that the table has, what differs first; the others in the order of the set-up. */
  readonly lines: readonly TableLine[]
  /** What it comes to in one line; none where it has no row of this set-up. */
  readonly summary?: string
  /** Registers of the set-up that the table does not show. */
  readonly missing: readonly string[]
  /** Rows of the table that this set-up does not set. */
  readonly others: number
  readonly problems: readonly string[]
  readonly facts: readonly FactDraft[]
  /** Why nothing can be read now, whatever the text says. */
  readonly refusal?: string
  readonly button: string
}

/** What a table is read by: as it says itself, or by columns that somebody named. */
export interface TableInput {
  readonly text: string
  readonly unit: LengthUnit
  readonly columns?: ColumnMapping
}

/** A control's table held against a set-up, as if each of its rows had been typed as a read-back. */
export function tableView(setup: Setup, input: TableInput): TableView {
  const { document, solution } = setup
  const { rows, problems } = readTable(setup, input)
  const shown = new Map(rows.map((row) => [row.address, row.shown] as const))
  const readBacks = solution.registers.flatMap(({ address }) => {
    const text = shown.get(address)
    return text === undefined ? [] : [readBackOf(address, text)]
  })
  // A row that nobody has keyed yet shows what it held before: that is no slip, and what is added counts from it.
  const isRight = new Set(
    registersWith(document, readBacks).flatMap(({ address, readBack }) =>
      readBack?.equal === true ? [address] : [],
    ),
  )
  const facts = readBacks.map((draft) =>
    isKeyed(document, draft.body.address) || isRight.has(draft.body.address)
      ? draft
      : { ...draft, body: { ...draft.body, moment: 'before' as const } },
  )
  const afterwards = registersWith(document, facts)
  const lines = solution.registers.map((register) =>
    lineOf(setup, register, shown.get(register.address), afterwards),
  )
  const inTable = lines.filter(({ verdict }) => verdict !== 'not-in-table')
  const known = new Set<string>(solution.registers.map(({ address }) => address))
  const isLifted = activeLift(document) !== undefined
  return {
    lines: inTable.toSorted((one, other) => rank(one) - rank(other)),
    ...(inTable.length > 0 && { summary: summaryOf(inTable) }),
    missing: lines.filter(({ verdict }) => verdict === 'not-in-table').map(({ name }) => name),
    others: rows.filter(({ address }) => !known.has(address)).length,
    problems: problems.map(
      ({ line, fault, text }) => `Line ${line}, “${text}”: ${describeOffsetTextFault(fault)}`,
    ),
    facts: isLifted ? [] : facts,
    ...(isLifted && {
      refusal:
        'A lift is in: the rows hold raised numbers. Take it out first, then read the table.',
    }),
    button: `Enter ${facts.length} ${facts.length === 1 ? 'row' : 'rows'} as read`,
  }
}

const readTable = ({ document }: Setup, { text, unit, columns }: TableInput): OffsetText =>
  columns === undefined
    ? readOffsetText(text, unit, document.sheet.machine)
    : readOffsetColumns(text, unit, columns)

type ReadBackDraft = Extract<FactDraft, { readonly kind: 'read-back' }>

const readBackOf = (address: Address, { text, unit }: WrittenLength): ReadBackDraft => ({
  kind: 'read-back',
  via: 'imported',
  body: { address, moment: 'after', shown: { text, unit } },
})

/** The registers as they would stand after these read-backs. */
const registersWith = (
  document: LoadedSetup['document'],
  drafts: readonly ReadBackDraft[],
): readonly Register[] =>
  solve(drafts.reduce<LoadedSetup['document']>(withPreview, document)).registers

const isKeyed = ({ keyIns, readBacks }: LoadedSetup['document'], address: Address): boolean =>
  keyIns.some((one) => one.address === address) ||
  readBacks.some((one) => one.address === address && one.moment === 'after')

function lineOf(
  { document, solution }: Setup,
  { address, keyIn }: Register,
  shown: WrittenLength | undefined,
  afterwards: readonly Register[],
): TableLine {
  const write = lengthWriter(solution)
  const after = afterwards.find((one) => one.address === address)
  const readBack = after?.readBack
  const [likeliest] = readBack?.causes ?? []
  const verdict = verdictOf(document, address, {
    shown,
    isKnown: keyIn !== undefined,
    readBack,
  })
  return {
    address,
    name: registerName(address),
    ...(shown && { shows: `${typographic(shown.text.replace('\u2212', '-'))} ${shown.unit}` }),
    ...(keyIn && { should: `${write(keyIn.expected)} ${solution.unit}` }),
    verdict,
    ...(verdict === 'differs' && {
      cause:
        likeliest === undefined
          ? 'None of the usual slips gives this number.'
          : `${describeCause(likeliest).title}. ${describeCause(likeliest).look}`,
    }),
  }
}

function verdictOf(
  document: LoadedSetup['document'],
  address: Address,
  {
    shown,
    isKnown,
    readBack,
  }: {
    readonly shown: WrittenLength | undefined
    readonly isKnown: boolean
    readonly readBack: Register['readBack']
  },
): RowVerdict {
  if (shown === undefined) return 'not-in-table'
  if (!isKnown) return 'not-known'
  if (readBack?.equal === true) return 'equal'
  return isKeyed(document, address) ? 'differs' : 'not-keyed'
}

const rank = ({ verdict }: TableLine): number => (verdict === 'differs' ? 0 : 1)

/** `1 differs, 2 as they should be, 1 not keyed yet.` */
function summaryOf(lines: readonly TableLine[]): string {
  const count = (verdict: RowVerdict) => lines.filter((line) => line.verdict === verdict).length
  const parts: readonly (readonly [number, string])[] = [
    [count('differs'), count('differs') === 1 ? 'differs' : 'differ'],
    [count('equal'), count('equal') === 1 ? 'as it should be' : 'as they should be'],
    [count('not-keyed'), 'not keyed yet'],
    [count('not-known'), 'not measured yet'],
  ]
  return `${parts.flatMap(([rows, words]) => (rows === 0 ? [] : [`${rows} ${words}`])).join(', ')}.`
}

/** What a column of a table can be. */
export const COLUMN_ROLES = {
  tools: ['register', 'length', 'diameter'],
  offsets: ['row', 'X', 'Y', 'Z'],
} as const

export type ColumnRole = (typeof COLUMN_ROLES)[keyof typeof COLUMN_ROLES][number]

export const ROLE_NAMES: Readonly<Record<ColumnRole, string>> = {
  register: 'tool number',
  length: 'length (H)',
  diameter: 'diameter (D)',
  row: 'row (G54 …)',
  X: 'X',
  Y: 'Y',
  Z: 'Z',
}

/** The columns of a table by what stands in its first line of numbers; none where it has no two columns. */
export function sampleColumns(text: string): readonly string[] {
  const line = text.split(/\r\n|\n|\r/).find((one) => /\d[.,]\d/.test(one)) ?? ''
  const cells = columnsOf(line)
  return cells.length < 2 ? [] : cells
}

/** The mapping that was chosen by the column of each role; undefined until the first of its roles has one. */
export function mappingOf(
  of: 'tools' | 'offsets',
  chosen: Readonly<Partial<Record<ColumnRole, number>>>,
): ColumnMapping | undefined {
  if (of === 'tools')
    return chosen.register === undefined
      ? undefined
      : { of, register: chosen.register, length: chosen.length, diameter: chosen.diameter }
  return chosen.row === undefined
    ? undefined
    : { of, row: chosen.row, X: chosen.X, Y: chosen.Y, Z: chosen.Z }
}
