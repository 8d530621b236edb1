import { createHash } from 'node:crypto'
import type { Imported, ImportPreview, ImportQuery, Member } from '@pine/contract'
import {
  columnsOfList,
  decimalOf,
  guessMapping,
  identityOf,
  importRows,
  missingColumns,
  withoutKnown,
  type AlreadyThere,
  type ImportBody,
  type ImportList,
  type ImportMapping,
  type ImportProblem,
  type ImportRead,
} from '@pine/core/import-list'
import { describeImported, describeImportFault, importColumnName } from '@pine/core/words'
import {
  LONGEST_TABLE_FILE,
  MOST_ROWS,
  readTable,
  type NotATable,
  type TableFile,
} from '@pine/formats/table-file'
import { stringify as uuidOf } from 'uuid'
import type { Clock } from '../clock'
import { accept, refuse, type Outcome } from '../refusal'
import type { ImportedStream } from '../store/import-store'
import type { Store } from '../store/store'
import { notAllowed } from './people/allowed'
import { gaugesOf, machineName, machinesOf } from './shop'

/** So many cells of a column are shown, and so many rows as they would be entered. */
const SAMPLES = { cells: 3, rows: 20 }
/** More problems than this are counted, and not told one by one. */
const MOST_PROBLEMS = 1000

/** A file that somebody wants to import, and who. */
export interface ImportRequest {
  readonly person: Member
  readonly list: ImportList
  readonly bytes: Uint8Array
  readonly query: ImportQuery
}

const STREAM = { tools: 'tool', gauges: 'gauge' } as const

/** A list as it would be imported; nothing is written. */
export async function previewImport(
  store: Store,
  request: ImportRequest,
): Promise<Outcome<ImportPreview>> {
  const found = await understood(store, request)
  if (!found.ok) return found
  const { file, sha256, mapping, decimal, unit, read, already, nameOf } = found.value
  const { header, records } = file.table
  return accept({
    file: {
      name: request.query.name,
      sha256,
      encoding: file.encoding,
      rows: records.filter(isFilled).length,
    },
    columns: header.map((heading, column) => ({
      heading,
      samples: samplesOf(records, column),
    })),
    mapping: { ...mapping },
    ...{ unit, decimal, already: already.length },
    missing: missingColumns(request.list, mapping).map(importColumnName),
    good: read.rows.length,
    faulty: new Set(read.problems.map(({ row }) => row)).size,
    sample: read.rows.slice(0, SAMPLES.rows).map(({ row, body }) => ({
      row,
      name: body.name,
      words: describeImported(body, nameOf),
    })),
    problems: read.problems.slice(0, MOST_PROBLEMS).map((problem) => problemLine(problem, header)),
    problemsInAll: read.problems.length,
  })
}

/** Enters the rows of a list in which nothing is wrong, under the name of who imports it; all of them or none. */
export async function importList(
  store: Store,
  clock: Clock,
  request: ImportRequest,
): Promise<Outcome<Imported>> {
  const found = await understood(store, request)
  if (!found.ok) return found
  const { streams, already, read } = found.value
  const { list, person } = request
  if (streams.length === 0 && already.length === 0)
    return refuse('input-wrong', {
      place: 'file',
      message: 'There is no row in it that can be imported.',
      expected: 'one row at least in which nothing is wrong',
      received: `${read.problems.length} problems`,
      remedy: 'Look at the preview: it says what is wrong with each row.',
    })
  const written = await store.importStreams(STREAM[list], streams, person.id, clock())
  return accept({ written, already: already.length + streams.length - written })
}

/** What a file comes to, with what the shop has already. */
interface Understood {
  readonly file: TableFile
  readonly sha256: string
  readonly mapping: ImportMapping
  readonly decimal: 'point' | 'comma'
  readonly unit: 'mm' | 'in'
  readonly read: ImportRead
  /** What the good rows begin. */
  readonly streams: readonly ImportedStream[]
  /** Ids of rows that were imported from this file before. */
  readonly already: readonly string[]
  readonly nameOf: (machine: string) => string
}

async function understood(
  store: Store,
  { person, list, bytes, query }: ImportRequest,
): Promise<Outcome<Understood>> {
  const denied = notAllowed(person, list === 'tools' ? 'enter' : 'declare')
  if (denied) return { ok: false, refusal: denied }
  const file = readTable(bytes)
  if ('refused' in file) return noTable(file.refused, bytes.length)
  const { table } = file
  const mapping = (query.columns ?? guessMapping(list, table.header)) as ImportMapping
  const beyond = unknownColumn(list, mapping, table.header.length)
  if (beyond !== undefined) return beyond
  const decimal = query.decimal ?? decimalOf(list, table, mapping)
  const unit = query.unit ?? 'mm'
  const machines = await machinesOf(store)
  const nameOf = (id: string) => machineName(machines, id)
  const raw =
    missingColumns(list, mapping).length > 0
      ? { rows: [], problems: [] }
      : importRows(list, table, {
          ...{ columns: mapping, unit, decimal },
          machines: new Map(
            machines.map(({ id, machine }) => [machine.name.toLowerCase(), id] as const),
          ),
          machine: machines.find(({ id }) => id === query.machine)?.id,
        })
  const sha256 = createHash('sha256').update(bytes).digest('hex')
  const streamOf = streamsOf(store.shopId, list, { file: query.name, sha256 })
  const broken = new Set(file.problems.map(({ row }) => row))
  const streams = new Map(
    raw.rows.flatMap((row) => (broken.has(row.row) ? [] : [[row, streamOf(row)] as const])),
  )
  const before = await store.streamsAmong([...streams.values()].map(({ id }) => id))
  const fresh = [...streams].flatMap(([row, { id }]) => (before.has(id) ? [] : [row]))
  const read = withoutKnown(
    {
      rows: fresh,
      // What a quotation mark swallowed is no cell: what is wrong with it is the mark.
      problems: [...file.problems, ...raw.problems.filter(({ row }) => !broken.has(row))],
    },
    await alreadyThere(
      store,
      list,
      fresh.map(({ body }) => body),
    ),
  )
  return accept({
    ...{ file, sha256, mapping, decimal, unit, read, nameOf },
    streams: read.rows.flatMap((row) => streams.get(row) ?? []),
    already: [...before],
  })
}

/** What a row begins: its ids follow from the file and from what the row says, so that twice is once. */
const streamsOf =
  (shopId: string, list: ImportList, from: { readonly file: string; readonly sha256: string }) =>
  ({ row, body }: { readonly row: number; readonly body: ImportBody }): ImportedStream => {
    const content = `${shopId} ${list} ${from.sha256} ${row} ${JSON.stringify(body)}`
    const hash = createHash('sha256').update(content).digest()
    const id = idOf(hash.subarray(0, 16))
    return {
      id,
      factId: idOf(hash.subarray(16)),
      body: { ...(list === 'gauges' && { id }), ...body, imported: { ...from, row } },
    }
  }

/** An id made of a hash, as RFC 9562 has it (version 8). */
function idOf(bytes: Uint8Array): string {
  const id = Uint8Array.from(bytes)
  id[6] = ((id[6] ?? 0) & 0x0f) | 0x80
  id[8] = ((id[8] ?? 0) & 0x3f) | 0x80
  return uuidOf(id)
}

async function alreadyThere(
  store: Store,
  list: ImportList,
  bodies: readonly ImportBody[],
): Promise<AlreadyThere> {
  if (list === 'gauges') {
    const gauges = await gaugesOf(store)
    return {
      identities: new Set(
        gauges.flatMap(({ gauge, retired }) => (retired === true ? [] : [identityOf(gauge)])),
      ),
      pockets: new Set(),
    }
  }
  const names = [...new Set(bodies.map(({ name }) => name.toLowerCase()))]
  const [tools, pockets] = await Promise.all([store.toolsCalled(names), store.pocketsInUse()])
  return { identities: new Set(tools.map(identityOf)), pockets }
}

const isFilled = ({ cells }: { readonly cells: readonly string[] }): boolean =>
  cells.some((cell) => cell.trim() !== '')

function samplesOf(records: TableFile['table']['records'], column: number): string[] {
  const samples: string[] = []
  for (const { cells } of records) {
    const cell = (cells[column] ?? '').trim()
    if (cell !== '' && !samples.includes(cell)) samples.push(shortened(cell))
    if (samples.length === SAMPLES.cells) break
  }
  return samples
}

const shortened = (text: string): string => (text.length > 60 ? `${text.slice(0, 60)}…` : text)

const problemLine = (problem: ImportProblem, header: readonly string[]) => ({
  row: problem.row,
  ...(problem.column !== undefined && { column: header[problem.column] ?? '' }),
  text: shortened(problem.text),
  words: describeImportFault({ fault: problem.fault, text: shortened(problem.text) }),
})

/** A mapping that names a column that the file has not, or a role that the list has not. */
function unknownColumn(list: ImportList, mapping: ImportMapping, columns: number) {
  const roles = new Set<string>(columnsOfList(list).map(([role]) => role))
  for (const [role, column] of Object.entries(mapping))
    if (!roles.has(role) || column >= columns)
      return refuse('input-wrong', {
        place: 'columns',
        message: 'A column is named that is not there.',
        expected: `columns 0 to ${columns - 1}, as ${[...roles].join(', ')}`,
        received: `${role}: ${column}`,
        remedy: 'Pick the file again, and choose its columns anew.',
      })
  return undefined
}

const WHY: Readonly<Record<NotATable, readonly [message: string, remedy: string]>> = {
  empty: ['There is nothing in this file.', 'Pick the file that the spreadsheet has saved.'],
  'too-long': [
    'This file is longer than any list of a shop.',
    `Split it: ${LONGEST_TABLE_FILE / 1024 / 1024} megabytes at most.`,
  ],
  'not-text': [
    'This is no table of text.',
    'Save it from the spreadsheet as CSV; a workbook itself cannot be read.',
  ],
  'no-rows': ['There is a heading and no row below it.', 'Pick the file with the rows.'],
  'too-many-rows': [
    'This file has more rows than any list of a shop.',
    `Split it: ${MOST_ROWS} rows at most.`,
  ],
}

function noTable(why: NotATable, bytes: number) {
  const [message, remedy] = WHY[why]
  return refuse('input-wrong', {
    place: 'file',
    message,
    expected: 'a table as CSV, with semicolons or with tabs',
    received: `${bytes} bytes`,
    remedy,
  })
}
