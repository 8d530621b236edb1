import type { Page } from '@playwright/test'
import { v7 as uuid } from 'uuid'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { mm, SENSOR_TWO_FIXTURES } from '../support/sheets'

const TYPED = '-218.462'
/** Each key of the number, and each that takes one away again. */
const KEYS_A_ROUND = 2 * TYPED.length
const ROUNDS = 8

test('from a key to the redrawn ladder, at a fourth of the speed', async ({ page, demo }) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await page.getByText('Focuser body, two fixtures').click()
  await expect(page.getByTestId('reading')).toBeVisible()
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 })
  const ours = await typedInto(page, 'reading', () =>
    expect(page.getByRole('img', { name: /nose -218.462 mm/ })).toBeVisible(),
  )

  // The same beside sixty tools, all of them touched: the whole set-up is worked out with each key.
  const id = await withManyTools(page, 60)
  await page.goto(`${demo.address}/setups/${id}?step=tip-on-plane:T60`)
  await expect(page.getByTestId('reading')).toBeVisible()
  const sixty = await typedInto(page, 'reading', () =>
    expect(page.getByTestId('implied')).toHaveText('−268.462'),
  )

  // The same keys into a bare field that draws nothing: what the browser and this machine take alone.
  await page.setContent('<input data-testid="bare">')
  const bare = await typedInto(page, 'bare', () => expect(page.getByTestId('bare')).toBeVisible())
  const lines = { ours, 'ours, beside sixty tools': sixty, 'a bare field': bare }
  for (const [name, keys] of Object.entries(lines))
    process.stdout.write(
      `${name}: drawn ${told(keys.map((key) => key.drawn))}; painted ${told(keys.map((key) => key.painted))}\n`,
    )
})

/** A set-up of many tools, each touched but the last one. */
async function withManyTools(page: Page, count: number): Promise<string> {
  const id = uuid()
  const sheet = {
    ...SENSOR_TWO_FIXTURES,
    name: 'Sixty tools',
    school: 'setting-plane',
    tools: Array.from({ length: count }, (_, index) => ({
      number: index + 1,
      name: `tool ${index + 1}`,
      lengthRegister: index + 1,
    })),
    gauges: [{ id: 'setter', kind: 'height-setter', name: 'setter', size: mm('50.000') }],
  }
  const post = (path: string, data: object) =>
    page.request.post(new URL(path, page.url()).href, { data })
  const made = await post(`/api/streams/setup/${id}/facts`, {
    ...{ id: uuid(), kind: 'sheet', body: sheet },
  })
  expect(made.ok(), await made.text()).toBe(true)
  const enter = async (kind: string, body: object) => {
    const fact = await post(`/api/streams/setup/${id}/facts`, { id: uuid(), kind, body })
    expect(fact.ok(), await fact.text()).toBe(true)
  }
  await enter('check-off', { of: 'home' })
  for (let tool = 1; tool < count; tool += 1)
    await enter('reading', {
      of: 'tip-on-plane',
      tool,
      read: mm(`-${100 + tool}`),
      with: ['setter'],
    })
  return id
}

interface KeyTime {
  /** From the key until all has been drawn anew in the document. */
  readonly drawn: number
  /** Until the frame with it has been painted. */
  readonly painted: number
}

/**
 * The number typed and deleted eight times. Other work on a machine only ever adds time, so that each
 * key of the number is told by its median over the rounds.
 */
async function typedInto(
  page: Page,
  testId: string,
  check: () => Promise<void>,
): Promise<readonly KeyTime[]> {
  const field = page.getByTestId(testId)
  await field.fill('')
  await field.focus()
  await page.evaluate(() => {
    const keys: { drawn: number; painted: number }[] = []
    Object.assign(window, { keys })
    // On the window and bubbling: what the field leads to has been drawn when this is called.
    window.addEventListener('input', (event) => {
      const from = event.timeStamp
      const drawn = performance.now() - from
      requestAnimationFrame(() => {
        const afterFrame = new MessageChannel()
        afterFrame.port1.onmessage = () => keys.push({ drawn, painted: performance.now() - from })
        afterFrame.port2.postMessage(undefined)
      })
    })
  })
  for (let round = 0; round < ROUNDS; round += 1) {
    // Eight keys a second is fast for a thumb; faster, a key would be charged for the one before it.
    await page.keyboard.type(TYPED, { delay: 120 })
    await check()
    for (let back = 0; back < TYPED.length; back += 1) {
      await page.keyboard.press('Backspace')
      await page.waitForTimeout(120)
    }
  }
  await page.waitForTimeout(500)
  const keys = await page.evaluate(() => (window as unknown as { keys: KeyTime[] }).keys)
  expect(keys).toHaveLength(ROUNDS * KEYS_A_ROUND)
  return Array.from({ length: KEYS_A_ROUND }, (_, at) => {
    const same = keys.filter((_key, index) => index % KEYS_A_ROUND === at)
    return {
      drawn: median(same.map((key) => key.drawn)),
      painted: median(same.map((key) => key.painted)),
    }
  })
}

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0

const told = (keys: readonly number[]): string =>
  `${Math.round(median(keys))} ms, slowest key ${Math.round(Math.max(...keys))} ms`
