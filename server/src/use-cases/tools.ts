import { isDeepStrictEqual } from 'node:util'
import {
  type Member,
  type ToolHistory,
  type ToolLine,
  type ToolMeasured,
  type ToolPage,
  type ToolQuery,
} from '@pine/contract'
import {
  type ShopEvent,
  type ToolEventFact,
  type ToolUse,
  holderRepeatsMm,
  toolTrust,
} from '@pine/core/shop'
import type { MachinePolicy, SetupSheet } from '@pine/core/sheet'
import type { AssemblyUse } from '@pine/core/running'
import { describeToolTrust } from '@pine/core/words'
import { v7 as uuid, validate as isUuid } from 'uuid'
import type { Clock } from '../clock'
import { accept, type Outcome } from '../refusal'
import type { Store } from '../store/store'
import type { OutsideRow, ToolRow } from '../store/tool-store'
import { appendToShop } from './facts/append-to-shop'
import { noStream } from './facts/stream-refusals'
import type { Shop } from './facts/notify-setups'
import { wordsOf } from './setups/search'
import { machinesOf } from './shop'

/** So many stand on a page of the list. */
const A_PAGE = 50
/** So many set-ups of a tool are told; the older ones are in their own records. */
const MOST_USES = 100
/** What a tool rests on now lies in its last few set-ups. */
export const LATEST_USES = 5

/** A page of the tools with how far each is to be trusted. */
export async function toolPage(store: Store, clock: Clock, query: ToolQuery): Promise<ToolPage> {
  const { rows, total } = await store.toolPage({
    find: wordsOf(query.find ?? ''),
    machine: query.machine,
    retired: query.retired === '1',
    from: query.from ?? 0,
    most: A_PAGE,
  })
  const known = await knownOf(
    store,
    rows.map(({ id }) => id),
    LATEST_USES,
  )
  return { tools: rows.map((row) => lineOf(row, known, clock())), total }
}

/** What is known of some tools, asked once for all of them. */
async function knownOf(store: Store, ids: readonly string[], most: number) {
  const [uses, events, machines] = await Promise.all([
    store.toolUses(ids, most),
    store.toolEvents(ids),
    machinesOf(store),
  ])
  const last = [...uses.values()].flatMap(([use]) => use ?? [])
  const happened = await store.happenedTo(
    machines
      .filter(({ id }) => last.some(({ machine }) => machine === id))
      .map(({ id, machine: { name } }) => ({ id, name })),
    oldestTouch(last),
  )
  return { uses, events, machines, happened }
}

/** A tool as the list has it. */
function lineOf(
  { id, tool, retired, displaced }: ToolRow,
  { uses, events, machines, happened }: Awaited<ReturnType<typeof knownOf>>,
  now: Date,
): ToolLine {
  const of = uses.get(id) ?? []
  const machine = of[0]?.machine
  const policy = machines.find((one) => one.id === machine)?.machine.policy
  const trust = toolTrust(
    { uses: of, events: eventsOf(events, id) },
    happened.filter((one) => one.machine === machine),
    policy as MachinePolicy | undefined,
    now.toISOString(),
  )
  return {
    id,
    tool,
    ...(retired && { retired: true as const }),
    ...(displaced && { displaced: true as const }),
    trust: { state: trust.state, words: describeToolTrust(trust) },
  }
}

/** Since when what happened to machines matters to these uses. */
export const oldestTouch = (uses: readonly ToolUse[]): Date =>
  new Date(
    uses
      .flatMap(({ touches }) => touches.map(({ kept }) => Date.parse(kept.at)))
      .reduce((first, at) => Math.min(first, at), Date.now()),
  )

/** What happened to a tool outside of set-ups, as core asks for it. */
export const eventsOf = (rows: readonly OutsideRow[], id: string): readonly ShopEvent[] =>
  rows
    .filter(({ streamId }) => streamId === id)
    .map(({ fact }) => {
      const { what, note } = fact.body as ToolEventFact
      const name = note === '' ? what.replace(/-/g, ' ') : note
      return { what: 'tool-changed', at: fact.recordedAt.toISOString(), name }
    })

/** A tool with every set-up that measured it, and what happened to it. */
export async function toolHistory(
  store: Store,
  clock: Clock,
  id: string,
): Promise<Outcome<ToolHistory>> {
  if (!isUuid(id)) return noTool(id)
  const [[row], known, openUses] = await Promise.all([
    store.toolsById([id]),
    knownOf(store, [id], MOST_USES),
    store.openUsesOf(id),
  ])
  if (row === undefined) return noTool(id)
  const { uses, events, machines } = known
  const of = uses.get(id) ?? []
  const repeatsMm = holderRepeatsMm(of, eventsOf(events, id))
  const open = new Set(openUses.map(({ setup }) => setup))
  return accept({
    ...lineOf(row, known, clock()),
    measured: of.flatMap((use) =>
      measuredIn(use, {
        machine: machines.find((one) => one.id === use.machine)?.machine.name ?? '',
        open: open.has(use.setup),
      }),
    ),
    events: events
      .map(({ fact }) => ({
        ...(fact.body as ToolEventFact),
        by: fact.by.name,
        at: fact.recordedAt.toISOString(),
      }))
      .reverse(),
    ...(repeatsMm !== undefined && { repeatsMm }),
  })
}

function measuredIn(
  use: AssemblyUse,
  { machine, open }: Pick<ToolMeasured, 'machine' | 'open'>,
): readonly ToolMeasured[] {
  const kept = use.touches.findLast(({ of }) => of === 'tip-on-plane')?.kept
  const { setup, name, number, plane, touched, length, lengthWithinMm } = use
  const { at, by } = touched ?? kept ?? {}
  if (at === undefined || by === undefined) return []
  return [
    {
      ...{ setup, name, machine, number, plane, at, by },
      with: [...(touched?.with ?? [])],
      touched: touched !== undefined,
      open,
      ...(length && { length: { ...length } }),
      ...(lengthWithinMm !== undefined && { lengthWithinMm }),
    },
  ]
}

/**
 * The tools of a sheet as the shop's own: one that it names for the first time begins there, and one that it has in another pocket is
 * in that from now on.
 */
export async function keepTools(
  shop: Shop,
  person: Member,
  { tools, machineId, name }: SetupSheet,
): Promise<void> {
  const { store, clock } = shop
  const named = tools.flatMap((tool) => (tool.assembly === undefined ? [] : [tool.assembly]))
  if (named.length === 0) return
  const known = new Map((await store.toolsById(named)).map((row) => [row.id, row]))
  const placed = tools.flatMap(({ number, assembly, name: called, diameter }) => {
    if (assembly === undefined) return []
    const place = machineId === undefined ? undefined : { machine: machineId, pocket: number }
    const { tool: before, displaced = false } = known.get(assembly) ?? {}
    return [{ id: assembly, place, called, diameter, before, displaced }]
  })
  const begun = placed.flatMap(({ id, place, called, diameter, before }) =>
    before !== undefined
      ? []
      : [
          {
            id,
            factId: uuid(),
            tool: {
              name: called,
              ...(diameter && { properties: { DC: { ...diameter } } }),
              ...(place && { place }),
            },
          },
        ],
  )
  if (begun.length > 0) await store.beginTools(begun, person.id, clock())
  for (const { id, place, before, displaced } of placed) {
    if (before === undefined || place === undefined) continue
    // Where another was put since, it is said anew that this one is there.
    if (isDeepStrictEqual(before.place, place) && !displaced) continue
    const body = { ...before, place, reason: `set up for ${name}` }
    await appendToShop(shop, person, { kind: 'tool', id }, { id: uuid(), kind: 'tool', body })
  }
}

export const noTool = (id: string) => noStream('tool', id)
