import type { Imported, ImportPreview } from '@pine/contract'
import {
  columnsOfList,
  type ColumnRole,
  type ImportList,
  type ImportMapping,
} from '@pine/core/import-list'
import { importColumnName } from '@pine/core/words'
import type { ImportOptions } from '@/data/shop/import-list'

/** What is imported, as it is called. */
export const LIST_NAMES: Readonly<Record<ImportList, { one: string; many: string }>> = {
  tools: { one: 'tool', many: 'tools' },
  gauges: { one: 'gauge', many: 'gauges' },
}

const counted = (count: number, list: ImportList): string =>
  `${count} ${LIST_NAMES[list][count === 1 ? 'one' : 'many']}`

/** A column of the file: what stands in it, and what it is taken for. */
export interface ColumnLine {
  readonly column: number
  readonly heading: string
  readonly samples: string
  /** What it is called in the shop; undefined where it is not imported. */
  readonly is?: string
  readonly role?: ColumnRole
}

/** A file that was picked, as it is looked at before anything is written. */
export interface ImportView {
  readonly file: string
  readonly summary: string
  readonly columns: readonly ColumnLine[]
  /** What no column is named for yet. */
  readonly missing?: string
  readonly problems: readonly { readonly where: string; readonly words: string }[]
  /** How many more there are than are told. */
  readonly more?: string
  /** Absent where there is nothing to import. */
  readonly button?: string
  /** Whether tools have a pocket, and no column says of which machine. */
  readonly asksForMachine: boolean
}

/** A preview as the screen shows it. */
export function importView(list: ImportList, preview: ImportPreview): ImportView {
  const mapping = preview.mapping as ImportMapping
  const roles = new Map(
    columnsOfList(list).flatMap(([role]) => {
      const column = mapping[role]
      return column === undefined ? [] : [[column, role] as const]
    }),
  )
  const { file, good, missing, problems, problemsInAll } = preview
  const untold = problemsInAll - problems.length
  return {
    file: `${file.name} · ${file.rows} ${file.rows === 1 ? 'row' : 'rows'}`,
    summary: summaryOf(list, preview),
    columns: preview.columns.map(({ heading, samples }, column) => {
      const role = roles.get(column)
      return {
        ...{ column, heading, samples: samples.join(' · ') },
        ...(role !== undefined && { role, is: importColumnName(role) }),
      }
    }),
    ...(missing.length > 0 && {
      missing: `Which column is the ${missing.join(', the ')}? Name it below.`,
    }),
    problems: problems.map(({ row, column, text, words }) => ({
      where: [`Row ${row}`, column, text === '' ? undefined : `“${text}”`]
        .filter((part) => part !== undefined)
        .join(' · '),
      words,
    })),
    ...(untold > 0 && { more: `And ${untold} more.` }),
    ...(good > 0 && { button: `Import ${counted(good, list)}` }),
    asksForMachine: mapping.pocket !== undefined && mapping.machine === undefined,
  }
}

function summaryOf(list: ImportList, { good, faulty, already }: ImportPreview): string {
  const parts = [
    `${counted(good, list)} can be imported`,
    ...(faulty > 0 ? [`${faulty} ${faulty === 1 ? 'row' : 'rows'} left out`] : []),
    ...(already > 0 ? [`${already} imported from this file before`] : []),
  ]
  return `${parts.join(', ')}.`
}

/** The options once a column is imported as something, or as nothing; no other column is imported as that. */
export function withColumn(
  options: ImportOptions,
  mapping: Readonly<Record<string, number>>,
  column: number,
  role: ColumnRole | undefined,
): ImportOptions {
  const others = Object.entries(mapping).filter(([one, at]) => one !== role && at !== column)
  return {
    ...options,
    columns: Object.fromEntries([...others, ...(role === undefined ? [] : [[role, column]])]),
  }
}

/** What a column can be taken for. */
export const columnChoices = (
  list: ImportList,
): readonly { readonly value: ColumnRole | 'none'; readonly label: string }[] => [
  { value: 'none', label: 'not imported' },
  ...columnsOfList(list).map(([role]) => ({ value: role, label: importColumnName(role) })),
]

/** What was written, for who pressed the button. */
export function importedWords(list: ImportList, { written, already }: Imported): string {
  const done = `${counted(written, list)} ${written === 1 ? 'was' : 'were'} imported.`
  return already === 0 ? done : `${done} ${already} were there from this file before.`
}
