import useSWR from 'swr'
import useSWRInfinite from 'swr/infinite'
import { v7 as uuid } from 'uuid'
import { pocketsSchema, toolHistorySchema, toolPageSchema, type ToolLine } from '@pine/contract'
import type { MachineEventFact, ToolAssembly, ToolEventFact } from '@pine/core/shop'
import { isOfStream, type OutboxEntry } from '../outbox/outbox-entry'
import { useOutbox } from '../outbox/outbox-store'
import { api, ask } from '../server/api'
import { useSession } from '../server/session'
import { enterOutside } from './enter-outside'

/** The tools in the pockets of a machine; undefined until that is known. */
export function usePockets(machine: string | undefined) {
  const { data } = useSWR(machine === undefined ? null : ['pockets', machine], () =>
    ask(api.machines[':id'].tools.$get({ param: { id: machine ?? '' } }), pocketsSchema),
  )
  return data
}

/** The tools whose names hold what is looked for, page after page. */
export function useTools(find: string, retired = false) {
  const { data, error, size, setSize, isLoading } = useSWRInfinite(
    (page: number, before: { readonly tools: readonly ToolLine[] } | null) =>
      before !== null && before.tools.length === 0 ? null : ['tools', find, retired, page],
    ([, , , page]: readonly [string, string, boolean, number]) =>
      ask(
        api.tools.$get({
          query: { find, from: String(page * A_PAGE), retired: retired ? '1' : '0' },
        }),
        toolPageSchema,
      ),
    { revalidateFirstPage: true },
  )
  const outbox = useOutbox()
  const tools = data?.flatMap((page) => page.tools)
  const total = data?.[0]?.total ?? 0
  return {
    tools,
    /** Names of those that were declared here and are still on their way. */
    waiting: waitingTools(outbox),
    total,
    error: error as unknown,
    isLoading,
    /** Asks for the next page; undefined where all are there. */
    more: tools !== undefined && tools.length < total ? () => void setSize(size + 1) : undefined,
  }
}

/** Names of the tools that are declared on this device and not with the server yet. */
export const waitingTools = (outbox: readonly OutboxEntry[]): readonly string[] =>
  outbox
    .filter(isOfStream('tool'))
    .flatMap(({ fact, refused }) =>
      fact.kind === 'tool' && refused === undefined ? [fact.body.name] : [],
    )

/** As many as the server gives at once. */
const A_PAGE = 50

/** A tool with all that is known of it. */
export function useTool(id: string) {
  const { person } = useSession()
  const { data, error } = useSWR(['tool', id], () =>
    ask(api.tools[':id'].$get({ param: { id } }), toolHistorySchema),
  )
  return {
    tool: data,
    error: error as unknown,
    change: (
      tool: ToolAssembly,
      { reason, retired }: { readonly reason: string; readonly retired?: boolean },
    ): Promise<unknown> =>
      enterOutside(
        { kind: 'tool', id },
        { kind: 'tool', body: { ...tool, reason, ...(retired && { retired: true as const }) } },
        person,
      ),
    happened: (event: ToolEventFact): Promise<unknown> =>
      enterOutside({ kind: 'tool', id }, { kind: 'tool-event', body: event }, person),
  }
}

/** Declares a tool that was never in a set-up; gives its id, once the server tells of it. */
export function useAddTool(): (tool: ToolAssembly) => Promise<string | undefined> {
  const { person } = useSession()
  return async (tool) => {
    const id = uuid()
    const isThere = await enterOutside({ kind: 'tool', id }, { kind: 'tool', body: tool }, person)
    return isThere ? id : undefined
  }
}

/** Enters what happened to a machine between two set-ups. */
export function useMachineHappened(machine: string): (event: MachineEventFact) => Promise<unknown> {
  const { person } = useSession()
  return (event) =>
    enterOutside({ kind: 'machine', id: machine }, { kind: 'machine-event', body: event }, person)
}
