import { v7 as uuid } from 'uuid'

// What is entered, as the request that it is: method, path and fact. `send(...begins({ id, sheetFactId, sheet }))`.

type Request = [method: 'POST', path: string, body: object]

const factTo = (stream: string, id: string, fact: object, query = ''): Request => [
  'POST',
  `/streams/${stream}/${id}/facts${query}`,
  fact,
]

/** A set-up begins with its sheet. */
export const begins = (
  {
    id,
    sheetFactId,
    sheet,
  }: { readonly id: string; readonly sheetFactId: string; readonly sheet: unknown },
  query = '',
): Request => factTo('setup', id, { id: sheetFactId, kind: 'sheet', body: sheet }, query)

/** What of a machine, a gauge or a tool is said beside it. */
interface Said {
  readonly machine?: object
  readonly gauge?: object
  readonly tool?: object
  readonly watch?: unknown
  readonly reason?: unknown
  readonly retired?: unknown
}

/** A machine, a gauge or a tool is declared, for the first time or anew. */
export const declares = (
  stream: 'machine' | 'gauge' | 'tool',
  { id, ...said }: Said & { readonly id: string },
): Request => {
  const { [stream]: declared, ...beside } = said
  return factTo(stream, id, { id: uuid(), kind: stream, body: { ...declared, ...beside } })
}

/** What happened to one of them, or was measured of it. */
export const enters = (
  stream: 'machine' | 'gauge' | 'tool',
  of: string,
  kind: string,
  { id, ...body }: { readonly id: string } & Readonly<Record<string, unknown>>,
  query = '',
): Request => factTo(stream, of, { id, kind, body }, query)
