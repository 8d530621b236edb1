import { expect, type Page } from '@playwright/test'

/** Sends something to the API as who is signed in: what a test needs to be there, and is not about. */
export async function declare(
  page: Page,
  address: string,
  path: string,
  data: object,
): Promise<void> {
  const answer = await page.request.post(`${address}/api${path}`, { data })
  expect(answer.status(), await answer.text()).toBe(201)
}

/** A control that is typed into, and overwrites what stood there. */
export const PLAIN_CONTROL = {
  decimals: { mm: 3, in: 4 },
  lengthKey: 'set',
  workOffsetKey: 'set',
} as const
