import { z } from 'zod'
import { NEW_FACTS, parseSetupFile, type FactKind, type ShopStream } from '@pine/contract'
import { STREAM_KINDS, type StreamKind } from '@pine/core/journal'
import { BadArchive, openArchive, type ArchiveEntry, type OpenArchive } from '@pine/formats/archive'
import type { Clock } from '../../clock'
import type { ArchivedPerson, Restoring } from '../../store/archive-store'
import type { NewFactRow } from '../../store/rows/fact-row'
import type { Store } from '../../store/store'
import { contentHash } from '../canonical'
import { rebuildAll } from '../setups/summaries'
import { createHash } from 'node:crypto'

/** What a restore came to. */
export interface Restored {
  readonly facts: number
  readonly streams: number
  readonly records: number
  readonly programs: number
  readonly people: number
}

/**
 * Puts an archive into an empty shop. Everything in it is checked before anything counts: hashes, every fact by its schema, each
 * set-up as a whole, each release against its own hash. One thing that is wrong, and nothing is written.
 *
 * @throws BadArchive with what is wrong and where.
 */
export async function restoreShop(store: Store, clock: Clock, path: string): Promise<Restored> {
  const archive = await openArchive(path)
  try {
    const counts = { facts: 0, streams: 0, records: 0, programs: 0, people: 0 }
    const done = await store.restoreInto((into) => restoreAll(archive, into, counts))
    if (done === 'known-here')
      throw new BadArchive(
        'This shop is in the database already, as another one: put the archive into a database of its own.',
      )
    if (done === 'not-empty')
      throw new BadArchive(
        'This shop is not empty. An archive goes into an empty one: begin with --fresh, or add a shop.',
      )
    await rebuildAll(store, clock)
    return counts
  } finally {
    archive.close()
  }
}

async function restoreAll(
  archive: OpenArchive,
  into: Restoring,
  counts: { -readonly [Key in keyof Restored]: number },
): Promise<void> {
  const { entries } = archive.manifest
  const people = entries.find(({ name }) => name === 'people.json')
  if (people === undefined)
    throw new BadArchive('people.json is missing: nobody would have entered its facts.')
  const known = new Set<string>()
  for (const person of readPeople(await archive.read(people))) {
    await into.person(person)
    known.add(person.id)
    counts.people += 1
  }
  const records = new Map<string, string>()
  const ids = new Set<string>()
  // Streams before what a release of theirs froze.
  for (const entry of entries.toSorted((one, other) => rank(one) - rank(other))) {
    const content = entry === people ? undefined : await archive.read(entry)
    if (content === undefined) continue
    const stream = streamOf(entry)
    if (stream !== undefined) {
      const facts = readStream(entry.name, stream, content, known)
      for (const { id, kind, body } of facts) {
        if (ids.has(id)) throw new BadArchive(`${entry.name}: the fact ${id} is in it twice.`)
        ids.add(id)
        if (kind === 'record') records.set(id, (body as { readonly hash: string }).hash)
      }
      await into.stream(stream, facts)
      counts.streams += 1
      counts.facts += facts.length
    } else if (entry.name.startsWith('records/')) {
      const id = entry.name.slice('records/'.length, -'.json'.length)
      const frozen = asJson(entry.name, content) as object
      if (records.get(id) !== contentHash(frozen))
        throw new BadArchive(
          `${entry.name} is not what its release froze: it does not give the hash.`,
        )
      await into.frozen(id, frozen)
      counts.records += 1
    } else if (entry.name.startsWith('programs/')) {
      const sha256 = entry.name.slice('programs/'.length, -'.nc'.length)
      if (createHash('sha256').update(content).digest('hex') !== sha256)
        throw new BadArchive(`${entry.name} is another text than its name says.`)
      await into.program(sha256, content)
      counts.programs += 1
    } else throw new BadArchive(`${entry.name} is nothing that this product knows.`)
  }
}

const rank = ({ name }: ArchiveEntry): number => (name.startsWith('streams/') ? 0 : 1)

/** `streams/setup/ID.jsonl`; undefined for what is no stream. */
function streamOf({
  name,
}: ArchiveEntry): { readonly kind: StreamKind; readonly id: string } | undefined {
  const [, asked, id = ''] = /^streams\/([a-z]+)\/([0-9a-f-]{36})\.jsonl$/.exec(name) ?? []
  const kind = STREAM_KINDS.find((one) => one === asked)
  return kind && { kind, id }
}

const personSchema = z.object({
  id: z.uuid(),
  name: z.string().min(1).max(80),
  role: z.enum(['setter', 'lead', 'viewer']),
  isProgram: z.boolean(),
  createdAt: z.iso.datetime(),
  leftAt: z.iso.datetime().nullable(),
})

function readPeople(content: Buffer): readonly ArchivedPerson[] {
  const read = z.array(personSchema).safeParse(asJson('people.json', content))
  if (!read.success) throw new BadArchive(`people.json: ${read.error.issues[0]?.message}.`)
  return read.data
}

/** What every fact of an archive says beside its kind and body. */
const entered = z.object({
  id: z.uuid(),
  kind: z.string(),
  by: z.object({ id: z.uuid(), name: z.string() }),
  at: z.iso.datetime(),
  via: z.enum(['typed', 'captured', 'live', 'imported', 'simulated']),
  seen: z.number().int().min(0).optional(),
  device: z.uuid().optional(),
  body: z.looseObject({}),
})

/** The facts of a stream, each checked, and a set-up as a whole. */
function readStream(
  name: string,
  { kind: stream, id }: { readonly kind: StreamKind; readonly id: string },
  content: Buffer,
  people: ReadonlySet<string>,
): readonly NewFactRow[] {
  const lines = content.toString('utf8').split('\n')
  const facts = lines.flatMap((line, index) => {
    if (line === '') return []
    // PostgreSQL keeps no NUL in a text, however it is written.
    if (/\\u0000|\0/.test(line)) throw new BadArchive(`${name}, line ${index + 1} holds a NUL.`)
    const read = entered.safeParse(asJson(`${name}, line ${index + 1}`, line))
    if (!read.success)
      throw new BadArchive(
        `${name}, line ${index + 1}: ${read.error.issues[0]?.path.join('.')} ${read.error.issues[0]?.message}.`,
      )
    if (!people.has(read.data.by.id))
      throw new BadArchive(
        `${name}, line ${index + 1} was entered by somebody who is not in people.json.`,
      )
    return [read.data]
  })
  if (stream === 'setup') checkSetup(name, id, facts)
  else checkShopFacts(name, stream, facts)
  return facts.map(({ id: factId, kind, by, at, via, seen, device, body }) => ({
    ...{ id: factId, kind: kind as FactKind, body, via, personId: by.id, seen, device },
    recordedAt: new Date(at),
  }))
}

function checkSetup(name: string, id: string, facts: readonly z.infer<typeof entered>[]): void {
  const parsed = parseSetupFile({ format: 'pine-compass/setup', version: 2, id, facts })
  if (parsed.ok) return
  const [first] = parsed.problems
  throw new BadArchive(`${name}, ${first?.place}: ${first?.message}`)
}

function checkShopFacts(
  name: string,
  stream: ShopStream,
  facts: readonly z.infer<typeof entered>[],
): void {
  facts.forEach(({ id, kind, via, body }, index) => {
    const read = NEW_FACTS[stream].safeParse({ id, kind, via, body })
    if (!read.success)
      throw new BadArchive(
        `${name}, line ${index + 1}: ${read.error.issues[0]?.path.join('.')} ${read.error.issues[0]?.message}.`,
      )
  })
  if (facts[0]?.kind !== stream)
    throw new BadArchive(`${name} does not begin with what its ${stream} is declared to be.`)
}

function asJson(where: string, content: Buffer | string): unknown {
  try {
    return JSON.parse(content.toString())
  } catch {
    throw new BadArchive(`${where} is no JSON.`)
  }
}
