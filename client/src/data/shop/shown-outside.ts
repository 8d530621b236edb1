import { mutate, SWRConfig } from 'swr'
import type { StreamKind } from '@pine/core/journal'

export type OutsideStream = Exclude<StreamKind, 'setup'>

/** How SWR keeps pages of a list. */
const PAGES_OF_TOOLS = '$inf$@"tools"'

/** Under which the checks of a gauge are kept on this device. */
export const checksKey = (gaugeId: string): string => `gauge-checks:${gaugeId}`

/** What is kept here of a machine, a gauge or a tool, and is asked for anew once one of its facts is written. */
const isOf: { readonly [Kind in OutsideStream]: (key: unknown, id: string) => boolean } = {
  // What is asked of a machine, and what happened to it, changes what its tools rest on.
  machine: (key, id) =>
    key === 'machines' ||
    isList(key, 'machine-history', id) ||
    isOfTools(key) ||
    isList(key, 'tool'),
  gauge: (key, id) =>
    key === 'gauges' ||
    key === 'gauge-standings' ||
    (typeof key === 'string' && key.startsWith(checksKey(id))),
  tool: (key, id) => isOfTools(key) || isList(key, 'tool', id),
}

/** A fact of a machine, a gauge or a tool is written: what follows from it is asked for anew. */
export async function showOutside({
  kind,
  id,
}: {
  readonly kind: OutsideStream
  readonly id: string
}): Promise<void> {
  // A list of pages is asked for by its own key: a question over all keys passes it by.
  const pages = [...SWRConfig.defaultValue.cache.keys()].filter(
    (key) => key.startsWith(PAGES_OF_TOOLS) && isOf[kind](key, id),
  )
  await Promise.all([mutate((key) => isOf[kind](key, id)), ...pages.map((key) => mutate(key))])
}

const isList = (key: unknown, name: string, id?: string): boolean =>
  Array.isArray(key) && key[0] === name && (id === undefined || key[1] === id)

const isOfTools = (key: unknown): boolean =>
  isList(key, 'tools') ||
  isList(key, 'pockets') ||
  (typeof key === 'string' && key.startsWith(PAGES_OF_TOOLS))
