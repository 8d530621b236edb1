import useSWR, { mutate } from 'swr'
import useSWRInfinite from 'swr/infinite'
import { v7 as uuid } from 'uuid'
import {
  doneSchema,
  pocketsSchema,
  toolAssemblySchema,
  toolHistorySchema,
  toolPageSchema,
  type NewMachineEvent,
  type NewToolEvent,
  type ToolLine,
} from '@pine/contract'
import type { ToolAssembly } from '@pine/core/shop'
import { api, ask, sendable } from '../server/api'

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
  const tools = data?.flatMap((page) => page.tools)
  const total = data?.[0]?.total ?? 0
  return {
    tools,
    total,
    error: error as unknown,
    isLoading,
    /** Asks for the next page; undefined where all are there. */
    more: tools !== undefined && tools.length < total ? () => void setSize(size + 1) : undefined,
  }
}

/** As many as the server gives at once. */
const A_PAGE = 50

/** A tool with all that is known of it. */
export function useTool(id: string) {
  const { data, error } = useSWR(['tool', id], () =>
    ask(api.tools[':id'].$get({ param: { id } }), toolHistorySchema),
  )
  const again = () => Promise.all([mutate(['tool', id]), mutate(isOfTools)])
  return {
    tool: data,
    error: error as unknown,
    async change(
      tool: ToolAssembly,
      { reason, retired }: { readonly reason: string; readonly retired?: boolean },
    ) {
      const json = sendable({ tool, reason, ...(retired && { retired: true as const }) })
      await ask(api.tools[':id'].$put({ param: { id }, json }), toolAssemblySchema)
      await again()
    },
    async happened(event: Omit<NewToolEvent, 'id'>) {
      const json = sendable({ id: uuid(), ...event })
      await ask(api.tools[':id'].events.$post({ param: { id }, json }), toolHistorySchema)
      await again()
    },
  }
}

/** A tool that was never in a set-up. */
export async function addTool(tool: ToolAssembly): Promise<string> {
  const id = uuid()
  await ask(api.tools.$post({ json: sendable({ id, tool }) }), toolAssemblySchema)
  await mutate(isOfTools)
  return id
}

/** Something happened to a machine between two set-ups. */
export async function machineHappened(
  machine: string,
  event: Omit<NewMachineEvent, 'id'>,
): Promise<void> {
  const json = sendable({ id: uuid(), ...event })
  const answer = api.machines[':id'].events.$post({ param: { id: machine }, json })
  await ask(answer, doneSchema)
  await Promise.all([mutate(isOfTools), mutate((key) => Array.isArray(key) && key[0] === 'tool')])
}

const isOfTools = (key: unknown): boolean =>
  (Array.isArray(key) && (key[0] === 'tools' || key[0] === 'pockets')) ||
  (typeof key === 'string' && key.startsWith('$inf$@"tools"'))
