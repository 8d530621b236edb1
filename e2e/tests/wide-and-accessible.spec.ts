import type { Page } from '@playwright/test'
import { barriers } from '../support/accessible'
import { Machinist, openItsProgram } from '../support/machinist'
import { v7 as uuid } from 'uuid'
import { expect, test } from '../support/product'
import { mm, SENSOR_TWO_FIXTURES } from '../support/sheets'

// They only look: both workers may share them.
test.describe.configure({ mode: 'parallel' })

const VIEWS: readonly { readonly name: string; readonly open: (page: Page) => Promise<unknown> }[] =
  [
    { name: 'set-ups', open: (page) => expect(page.getByText('Mirror cell plate')).toBeVisible() },
    {
      name: 'a length',
      open: (page) =>
        page
          .getByText('Focuser body, two fixtures')
          .click()
          .then(() => expect(page.getByTestId('reading')).toBeVisible()),
    },
    {
      name: 'a mismatch',
      open: (page) =>
        page
          .getByText('Clamp ring', { exact: true })
          .click()
          .then(() => expect(page.getByTestId('mismatch')).toBeVisible()),
    },
    {
      name: 'people',
      open: async (page) => {
        await page.goto(new URL('/people', page.url()).href)
        await page.getByRole('button', { name: 'change Jory Fenn' }).click()
        await page.getByRole('radio', { name: 'viewer' }).first().click()
        await expect(page.getByRole('button', { name: 'Show a code' })).toBeVisible()
      },
    },
    {
      name: 'put away',
      open: async (page) => {
        await page.getByTestId('put-away').click()
        await expect(page.getByRole('button', { name: 'Put away: Clamp ring' })).toBeVisible()
      },
    },
    {
      name: 'tools',
      open: async (page) => {
        await page.goto(new URL('/tools', page.url()).href)
        await expect(page.getByTestId('tools')).toBeVisible()
      },
    },
    {
      name: 'a tool',
      open: async (page) => {
        await page.goto(new URL('/tools', page.url()).href)
        await page.getByRole('link', { name: /50 mm face mill/ }).click()
        await page.getByTestId('happened').click()
        await page.getByRole('radio', { name: 'broken' }).click()
        await expect(page.getByTestId('falls')).toBeVisible()
      },
    },
    {
      name: 'what still holds',
      open: async (page) => {
        await page.getByText('Spider hub').click()
        await expect(page.getByTestId('take-over')).toBeVisible()
      },
    },
    {
      name: 'what is asked of a machine',
      open: async (page) => {
        await page.goto(new URL('/shop', page.url()).href)
        await page.getByRole('button', { name: 'what is asked of Mill 2' }).click()
        await expect(page.getByTestId('policy-reason')).toBeVisible()
      },
    },
    {
      name: 'a record',
      open: (page) =>
        page
          .getByText('Mirror cell plate')
          .click()
          .then(() => expect(page.getByTestId('frozen')).toBeVisible()),
    },
    ...(
      [
        ['home', 'Drawtube flange', undefined, /Home the machine/],
        ['holding', 'Drawtube flange', 'holding', /Seat the part/],
        ['what is needed first', 'Drawtube flange', 'tip-on-plane:T2', /First: Home/],
        ['a touch around a bore', 'Eyepiece adapter', 'circle-point:G54:2', /Touch 2 around/],
        ['a proof', 'Eyepiece adapter', undefined, /Send T3 over zero/],
        ['an air cut that waits', 'Eyepiece adapter', 'air-cut', /First: G54 with T3/],
        ['a release that waits', 'Eyepiece adapter', 'record', /steps are still open/],
        ['a program looked over', 'Drawtube flange', 'program', /Look the program over/],
        ['a first part', 'Mirror cell plate', 'first-part', /Cut the first part/],
      ] as const
    ).map(([name, setup, step, words]) => ({
      name,
      open: async (page: Page) => {
        await page.getByText(setup).click()
        await page.waitForURL(/setups\/.{36}/)
        if (step !== undefined)
          await page.goto(`${page.url().split('?')[0]}?step=${encodeURIComponent(step)}`)
        await expect(page.getByText(words).first()).toBeVisible()
      },
    })),
    {
      name: 'a program',
      open: async (page) => {
        await page.getByText('Drawtube flange').click()
        await openItsProgram(page)
        // The runs that mend it may have been before.
        await expect(page.getByTestId('verdict')).toBeVisible()
      },
    },
    {
      name: 'something changed',
      open: async (page) => {
        await page.getByText('Eyepiece adapter').click()
        await page.getByTestId('changed').click()
        await page.getByRole('radio', { name: 'A tool broke' }).click()
        await expect(page.getByTestId('it-happened')).toBeVisible()
      },
    },
    {
      name: 'where a number comes from',
      open: async (page) => {
        await page.getByText('Eyepiece adapter').click()
        await page.waitForURL(/setups\/.{36}/)
        await page.goto(`${page.url().split('?')[0]}?step=key-in%3AH3`)
        await page.getByRole('button', { name: 'where H3 comes from' }).click()
        await expect(page.getByTestId('how-good')).toBeVisible()
      },
    },
    {
      name: 'the shop',
      open: (page) =>
        page
          .getByRole('link', { name: 'Shop' })
          .click()
          .then(() => expect(page.getByText('50 mm setter')).toBeVisible()),
    },
    {
      name: 'a new set-up',
      open: (page) =>
        page
          .getByRole('button', { name: 'New set-up' })
          .click()
          .then(() => expect(page.getByTestId('job-name')).toBeVisible()),
    },
    {
      name: 'the part of a new set-up',
      open: async (page) => {
        await page.getByRole('button', { name: 'New set-up' }).click()
        await page.getByTestId('job-name').fill('Plate')
        await page.getByRole('radio', { name: 'Mill 2' }).click()
        await new Machinist(page, '').sameTools()
        await page.getByTestId('go-on').click()
        await expect(page.getByTestId('stock-X')).toBeVisible()
      },
    },
  ]

for (const scheme of ['light', 'dark'] as const)
  for (const [size, viewport] of [
    ['phone', { width: 390, height: 844 }],
    ['wide', { width: 1280, height: 800 }],
  ] as const)
    test(`every main view is accessible: ${scheme}, ${size}`, async ({ browser, demo }) => {
      // axe wants a context of its own.
      const context = await browser.newContext({ viewport, colorScheme: scheme })
      const page = await context.newPage()
      const mira = new Machinist(page, demo.address)
      await mira.signIn('Mira Toller')
      const found: string[] = []
      for (const { name, open } of VIEWS) {
        await page.goto(demo.address)
        await open(page)
        found.push(...(await barriers(page)).map((barrier) => `${name}: ${barrier}`))
      }
      expect(found).toEqual([])
      await context.close()
    })

// Twice the text on a phone and on a wide screen is half the room in CSS pixels.
for (const viewport of [
  { width: 320, height: 422 },
  { width: 640, height: 400 },
])
  test(`text at twice its size, a phone lying down, ${viewport.width} px: nothing is cut off, all can be reached`, async ({
    browser,
    demo,
  }) => {
    const context = await browser.newContext({ viewport, reducedMotion: 'reduce' })
    const page = await context.newPage()
    const mira = new Machinist(page, demo.address)
    await mira.signIn('Mira Toller')
    for (const { name, open } of VIEWS) {
      await page.goto(demo.address)
      await open(page)
      const { scroll, width } = await page.evaluate(() => ({
        scroll: document.documentElement.scrollWidth,
        width: window.innerWidth,
      }))
      expect(scroll, `${name} at ${viewport.width} px`).toBeLessThanOrEqual(width)
      const next = page.getByTestId('next')
      if ((await next.count()) > 0) {
        await next.first().scrollIntoViewIfNeeded()
        await expect(next.first(), `${name} at ${viewport.width} px`).toBeInViewport()
      }
    }
    const moving = await page.evaluate(
      () => document.getAnimations().filter(({ playState }) => playState === 'running').length,
    )
    expect(moving).toBe(0)
    await context.close()
  })

const TYPED = '-218.462'
/** Each key of the number, and each that takes one away again. */
const KEYS_A_ROUND = 2 * TYPED.length
const ROUNDS = 8

test('from a key to the redrawn ladder at a fourth of the speed: measured, and told in the report', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await page.getByText('Focuser body, two fixtures').click()
  await expect(page.getByTestId('reading')).toBeVisible()
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 })
  const requests: string[] = []
  page.on('request', (request) => requests.push(request.url()))
  const ours = await typedInto(page, 'reading', () =>
    expect(page.getByRole('img', { name: /nose -218.462 mm/ })).toBeVisible(),
  )
  // The computation is on the device: typing asks the server for nothing.
  expect(requests).toEqual([])

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
  test.info().annotations.push({
    type: 'typing at 4x throttle',
    description: `drawn ${told(ours.map((key) => key.drawn))}; painted ${told(ours.map((key) => key.painted))}; beside sixty tools: drawn ${told(sixty.map((key) => key.drawn))}; painted ${told(sixty.map((key) => key.painted))}; a bare field: drawn ${told(bare.map((key) => key.drawn))}; painted ${told(bare.map((key) => key.painted))}`,
  })
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
  const made = await post(`/api/setups`, { id, sheetFactId: uuid(), sheet })
  expect(made.ok(), await made.text()).toBe(true)
  const enter = async (kind: string, body: object) => {
    const fact = await post(`/api/setups/${id}/facts`, { id: uuid(), kind, body })
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
