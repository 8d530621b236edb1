import { expect, type Page } from '@playwright/test'
import { v7 as uuid } from 'uuid'

/** A stream of the shop: what it is of, and which. */
type Stream = readonly [kind: 'setup' | 'machine' | 'gauge' | 'tool', id: string]

/** Enters a fact through the API as who is signed in: what a test needs to be there, and is not about. */
export async function enterFact(
  page: Page,
  address: string,
  [stream, of]: Stream,
  {
    id = uuid(),
    kind,
    body,
  }: { readonly id?: string; readonly kind: string; readonly body: object },
): Promise<void> {
  const answer = await page.request.post(`${address}/api/streams/${stream}/${of}/facts`, {
    data: { id, kind, body },
  })
  expect(answer.status(), await answer.text()).toBe(201)
}

/** Declares a machine, a gauge or a tool: its first fact, or anew. */
export const declare = (page: Page, address: string, stream: Stream, body: object): Promise<void> =>
  enterFact(page, address, stream, { kind: stream[0], body })

/** A control that is typed into, and overwrites what stood there. */
export const PLAIN_CONTROL = {
  decimals: { mm: 3, in: 4 },
  lengthKey: 'set',
  workOffsetKey: 'set',
} as const
