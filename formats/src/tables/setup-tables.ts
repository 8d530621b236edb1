import { registerName } from '@pine/core/address'
import { type SetupDocument, type SetupFile } from '@pine/core/facts'
import { formatLength, type WrittenLength } from '@pine/core/length'
import { toolOfRegister } from '@pine/core/sheet'
import { type Solution } from '@pine/core/solve'
import { viewSolution } from '@pine/contract'
import { tableOf, type Column, type Table } from './table'

/** The tables of a set-up, by the name of their file. */
export const SETUP_TABLES = ['registers', 'readings', 'tools', 'gauges', 'keyed', 'facts'] as const

export type SetupTableName = (typeof SETUP_TABLES)[number]

/** What a set-up's tables are made of: what it comes to, and its facts in the order in which they were entered. */
export interface TabledSetup {
  readonly document: SetupDocument
  readonly solution: Solution
  readonly file: SetupFile
}

/** One table of a set-up: plain cells, with the unit of numbers in the header. */
export function setupTable(name: SetupTableName, setup: TabledSetup): Table {
  return MAKERS[name](setup)
}

const MAKERS: Readonly<Record<SetupTableName, (setup: TabledSetup) => Table>> = {
  registers: registersTable,
  readings: readingsTable,
  tools: toolsTable,
  gauges: gaugesTable,
  keyed: keyedTable,
  facts: factsTable,
}

/** Who entered a fact, when and how. */
const ENTERED: readonly Column<{
  readonly by: { readonly name: string }
  readonly at: string
  readonly via: string
}>[] = [
  { name: 'by', cell: ({ by }) => by.name },
  { name: 'at', cell: ({ at }) => at },
  { name: 'via', cell: ({ via }) => via },
]

const text = (length: WrittenLength | undefined) => length?.text
const unit = (length: WrittenLength | undefined) => length?.unit

function registersTable({ document, solution }: TabledSetup): Table {
  const { unit: of, registers } = viewSolution(document, solution)
  const lastKeyed = (address: string) => document.keyIns.findLast((one) => one.address === address)
  return tableOf('registers', registers, [
    { name: 'register', cell: ({ address }) => registerName(address) },
    { name: 'tool', cell: ({ address }) => toolAt(document, address) },
    { name: `value [${of}]`, cell: ({ value }) => value ?? undefined },
    { name: 'state', cell: ({ state }) => state },
    { name: `sure to ± [${of}]`, cell: ({ uncertainty }) => uncertainty?.expanded },
    { name: `control shows [${of}]`, cell: ({ address }) => shownAt(solution, address) },
    { name: 'keyed by', cell: ({ address }) => lastKeyed(address)?.by.name },
    { name: 'keyed at', cell: ({ address }) => lastKeyed(address)?.at },
    { name: 'no longer valid because', cell: ({ stale }) => stale ?? undefined },
    {
      name: 'accepted by, because',
      cell: ({ accepted }) =>
        accepted === null ? undefined : `${accepted.by}, ${accepted.reason}`,
    },
  ])
}

function shownAt({ registers, unit: of, decimals }: Solution, address: string): string | undefined {
  const shown = registers.find((one) => one.address === address)?.readBack?.shown
  return shown === undefined ? undefined : formatLength(shown, of, decimals)
}

function toolAt({ sheet }: SetupDocument, address: string): string | undefined {
  const number = toolOfRegister(sheet, address as Parameters<typeof toolOfRegister>[1])
  return number === undefined ? undefined : `T${number}`
}

function readingsTable({ document }: TabledSetup): Table {
  const { readings, sheet } = document
  const replaced = new Set(readings.map(({ supersedes }) => supersedes))
  const gaugeName = (id: string) => sheet.gauges.find((gauge) => gauge.id === id)?.name ?? id
  const of = (reading: (typeof readings)[number], key: string) => {
    const value = (reading as unknown as Readonly<Record<string, unknown>>)[key]
    return typeof value === 'string' || typeof value === 'number' ? value : undefined
  }
  return tableOf('readings', readings, [
    { name: 'place', cell: ({ place }) => place },
    { name: 'reading of', cell: (reading) => reading.of },
    { name: 'tool', cell: (reading) => of(reading, 'tool') },
    { name: 'row', cell: (reading) => of(reading, 'row') },
    { name: 'face', cell: (reading) => of(reading, 'face') },
    { name: 'read', cell: ({ read }) => read.text },
    { name: 'unit', cell: ({ read }) => read.unit },
    { name: 'gauges', cell: (reading) => reading.with.map(gaugeName).join(' on ') },
    { name: 'replaced later', cell: ({ id }) => (replaced.has(id) ? 'yes' : undefined) },
    ...ENTERED,
  ])
}

function toolsTable({ document, solution }: TabledSetup): Table {
  const { sheet } = document
  const value = (address: string | undefined) => {
    const found = solution.registers.find((one) => one.address === address)?.value
    return found && formatLength(found, solution.unit, solution.decimals)
  }
  return tableOf('tools', sheet.tools, [
    { name: 'T', cell: ({ number }) => number },
    { name: 'name', cell: ({ name }) => name },
    { name: 'H', cell: ({ lengthRegister }) => lengthRegister },
    {
      name: `H value [${solution.unit}]`,
      cell: ({ lengthRegister }) => lengthRegister && value(`H${lengthRegister}`),
    },
    { name: 'D', cell: ({ diameterRegister }) => diameterRegister },
    {
      name: `D value [${solution.unit}]`,
      cell: ({ diameterRegister }) => diameterRegister && value(`D${diameterRegister}`),
    },
    { name: 'nominal diameter', cell: ({ diameter }) => text(diameter) },
    { name: 'unit of diameter', cell: ({ diameter }) => unit(diameter) },
    { name: 'known length', cell: ({ length }) => text(length) },
    { name: 'unit of length', cell: ({ length }) => unit(length) },
  ])
}

function gaugesTable({ document }: TabledSetup): Table {
  return tableOf('gauges', document.sheet.gauges, [
    { name: 'name', cell: ({ name }) => name },
    { name: 'kind', cell: ({ kind }) => kind },
    { name: 'size', cell: ({ size }) => size.text },
    { name: 'unit', cell: ({ size }) => size.unit },
    { name: 'standard uncertainty', cell: ({ uncertainty }) => text(uncertainty) },
    { name: 'unit of uncertainty', cell: ({ uncertainty }) => unit(uncertainty) },
    {
      name: 'touches in this set-up',
      cell: ({ id }) => document.readings.filter((reading) => reading.with.includes(id)).length,
    },
  ])
}

/** What was keyed and what the control showed, in the order in which it was. */
function keyedTable({ document }: TabledSetup): Table {
  const keyed = document.keyIns.map((one) => ({
    ...one,
    did: `keyed (${one.mode})`,
    number: one.typed,
  }))
  const shown = document.readBacks.map((one) => ({
    ...one,
    did: `shown ${one.moment}`,
    number: one.shown,
  }))
  const all = [...keyed, ...shown].toSorted((one, other) => one.place - other.place)
  return tableOf('keyed', all, [
    { name: 'place', cell: ({ place }) => place },
    { name: 'register', cell: ({ address }) => registerName(address) },
    { name: 'what', cell: ({ did }) => did },
    { name: 'number', cell: ({ number }) => number.text },
    { name: 'unit', cell: ({ number }) => number.unit },
    { name: 'typed in short', cell: (one) => ('way' in one ? one.way : undefined) },
    ...ENTERED,
  ])
}

function factsTable({ file }: TabledSetup): Table {
  return tableOf(
    'facts',
    file.facts.map((fact, place) => ({ ...fact, place })),
    [
      { name: 'place', cell: ({ place }) => place },
      { name: 'id', cell: ({ id }) => id },
      { name: 'kind', cell: ({ kind }) => kind },
      ...ENTERED,
      { name: 'body as JSON', cell: ({ body }) => JSON.stringify(body) },
    ],
  )
}
