import { z } from 'zod'
import type { SetupFactKind } from '../setup-facts'

// Files of version 1 held each kind of fact in a list of its own, and said the order by counters: an event stood
// "after this many readings". They are read by what tells the order; the rest is read as version 2 reads it.

/** The lists of version 1, and the kind of their facts. */
const LISTS = {
  readings: 'reading',
  keyIns: 'key-in',
  readBacks: 'read-back',
  events: 'event',
  acceptances: 'acceptance',
  proofs: 'proof',
  lifts: 'lift',
  checkOffs: 'check-off',
  programs: 'program',
  programChecks: 'program-check',
} as const satisfies Readonly<Record<string, SetupFactKind>>

type List = keyof typeof LISTS

/** Which list each counter counts. */
const COUNTERS = {
  afterReadings: 'readings',
  afterReadBacks: 'readBacks',
  afterEvents: 'events',
  afterPrograms: 'programs',
  afterProgramChecks: 'programChecks',
} as const satisfies Readonly<Record<string, List>>

type Counter = keyof typeof COUNTERS

const count = z.int().min(0).optional()
const factSchema = z.looseObject({
  id: z.uuid(),
  by: z.string().trim().min(1).max(120),
  at: z.iso.datetime({ offset: true }),
  afterReadings: count,
  afterReadBacks: count,
  afterEvents: count,
  afterPrograms: count,
  afterProgramChecks: count,
})
const list = z.array(factSchema).max(20_000)

type Version1Fact = z.infer<typeof factSchema>

/** As much of a file of version 1 as tells the order of its facts. */
export const version1Schema = z.strictObject({
  format: z.literal('pine-compass/setup'),
  version: z.literal(1),
  id: z.uuid(),
  sheet: z.unknown().refine((sheet) => sheet !== undefined, 'the sheet is missing'),
  readings: list,
  keyIns: list,
  readBacks: list,
  events: list.optional(),
  acceptances: list.optional(),
  proofs: list.optional(),
  lifts: list.optional(),
  checkOffs: list.optional(),
  programs: list.optional(),
  programChecks: list.optional(),
})

type Version1 = z.infer<typeof version1Schema>

/** Counters that a fact of a list has where the file does not say them: it then stood before all of those. */
const UNSAID: Readonly<Partial<Record<List, readonly Counter[]>>> = {
  events: ['afterReadBacks'],
  checkOffs: ['afterPrograms', 'afterProgramChecks'],
}

/** A file of version 2, to be parsed as such, and where each of its facts stood in the file of version 1. */
export interface CarriedOver {
  readonly file: object
  readonly places: readonly string[]
}

export function carryOver(old: Version1): CarriedOver {
  const ordered = inOrder(old)
  const [first] = ordered
  const sheet = {
    // The sheet had no id and no author of its own.
    id: old.id,
    kind: 'sheet',
    by: { name: first?.fact.by ?? 'not told by the file' },
    at: first?.fact.at ?? '1970-01-01T00:00:00Z',
    via: 'typed',
    body: old.sheet,
  }
  return {
    file: {
      format: old.format,
      version: 2,
      id: old.id,
      facts: [sheet, ...ordered.map(({ list: name, fact }) => carried(old, name, fact))],
    },
    places: ['sheet', ...ordered.map(({ list: name, index }) => `${name}.${index}`)],
  }
}

function carried({ readings }: Version1, name: List, fact: Version1Fact): object {
  const { id, by, at, ...rest } = fact
  const body = Object.fromEntries(Object.entries(rest).filter(([key]) => !(key in COUNTERS)))
  // "Good until" counted readings; the last of those is named now.
  const { goodUntil, ...other } = body
  const lastGood = typeof goodUntil === 'number' ? readings[goodUntil - 1]?.id : undefined
  return {
    id,
    kind: LISTS[name],
    by: { name: by },
    at,
    via: name === 'programs' ? 'imported' : 'typed',
    body: { ...other, ...(lastGood !== undefined && { lastGood }) },
  }
}

interface Listed {
  readonly list: List
  readonly index: number
  readonly fact: Version1Fact
}

/**
 * All facts in one order that says what the counters say. Where they leave it open, the times tell: they came from one
 * server's clock.
 */
function inOrder(old: Version1): readonly Listed[] {
  const lists = Object.keys(LISTS) as List[]
  const facts = (name: List): readonly Version1Fact[] => old[name] ?? []
  const next = Object.fromEntries(lists.map((name) => [name, 0])) as Record<List, number>
  const heads = (): readonly Listed[] =>
    lists.flatMap((name) => {
      const fact = facts(name)[next[name]]
      return fact === undefined ? [] : [{ list: name, index: next[name], fact }]
    })
  const ordered: Listed[] = []
  for (let waiting = heads(); waiting.length > 0; waiting = heads()) {
    const isDue = (one: Listed) =>
      countersOf(old, one).every(([name, before]) => next[name] >= before) &&
      waiting.every((other) =>
        countersOf(old, other).every(([name, before]) => name !== one.list || before > one.index),
      )
    const due = waiting.filter(isDue)
    const earliest = (due.length > 0 ? due : waiting).reduce((first, one) =>
      Date.parse(one.fact.at) < Date.parse(first.fact.at) ? one : first,
    )
    ordered.push(earliest)
    next[earliest.list] += 1
  }
  return ordered
}

/** How many facts of which lists stood before a fact. */
function countersOf(
  { readings }: Version1,
  { list: name, fact }: Listed,
): readonly (readonly [List, number])[] {
  const zeroes = (Object.keys(COUNTERS) as Counter[]).flatMap((counter) => {
    const before = fact[counter] ?? (UNSAID[name]?.includes(counter) ? 0 : undefined)
    return before === undefined ? [] : [[COUNTERS[counter], before] as const]
  })
  if (name !== 'readBacks' || fact.afterReadings !== undefined) return zeroes
  // The first files did not say it of read-backs.
  const at = Date.parse(fact.at)
  return [...zeroes, ['readings', readings.filter((one) => Date.parse(one.at) <= at).length]]
}
