import type { Locator, Page } from '@playwright/test'
import { barriers } from '../support/accessible'
import { Machinist, openItsProgram } from '../support/machinist'
import { v7 as uuid } from 'uuid'
import { expect, test } from '../support/product'
import { mm, SENSOR_TWO_FIXTURES } from '../support/sheets'

// They only look: both workers may share them.
test.describe.configure({ mode: 'parallel' })

interface View {
  readonly name: string
  readonly open?: (page: Page) => Promise<unknown>
  /** What is to be seen of it: by that it is known when it is there. */
  readonly shows: (page: Page) => Locator
}

const text = (words: string | RegExp) => (page: Page) => page.getByText(words).first()
const field = (testId: string) => (page: Page) => page.getByTestId(testId)
const press = (words: string) => (page: Page) => page.getByText(words, { exact: true }).click()

/** A page beside the list. */
const at = async (page: Page, path: string) => page.goto(new URL(path, page.url()).href)

/** A set-up of the list, at one of its steps. */
async function stepOf(page: Page, setup: string, step: string): Promise<void> {
  await page.getByText(setup).click()
  await page.waitForURL(/setups\/.{36}/)
  await at(page, `${page.url().split('?')[0]}?step=${encodeURIComponent(step)}`)
}

const VIEWS: readonly View[] = [
  { name: 'set-ups', shows: text('Mirror cell plate') },
  { name: 'a length', open: press('Focuser body, two fixtures'), shows: field('reading') },
  { name: 'a mismatch', open: press('Clamp ring'), shows: field('mismatch') },
  {
    name: 'people',
    open: async (page) => {
      await at(page, '/people')
      await page.getByRole('button', { name: 'change Jory Fenn' }).click()
      await page.getByRole('radio', { name: 'viewer' }).first().click()
    },
    shows: (page) => page.getByRole('button', { name: 'Show a code' }),
  },
  {
    name: 'put away',
    open: (page) => page.getByTestId('put-away').click(),
    shows: (page) => page.getByRole('button', { name: 'Put away: Clamp ring' }),
  },
  { name: 'tools', open: (page) => at(page, '/tools'), shows: field('tools') },
  {
    name: 'a tool',
    open: async (page) => {
      await at(page, '/tools')
      await page.getByRole('link', { name: /50 mm face mill/ }).click()
      await page.getByTestId('happened').click()
      await page.getByRole('radio', { name: 'broken' }).click()
    },
    shows: field('falls'),
  },
  { name: 'what still holds', open: press('Spider hub'), shows: field('take-over') },
  {
    name: 'what is asked of a machine',
    open: async (page) => {
      await at(page, '/shop')
      await page.getByRole('button', { name: 'what is asked of Mill 2' }).click()
    },
    shows: field('policy-reason'),
  },
  { name: 'a record', open: press('Mirror cell plate'), shows: field('frozen') },
  { name: 'home', open: press('Drawtube flange'), shows: text(/Home the machine/) },
  { name: 'a proof', open: press('Eyepiece adapter'), shows: text(/Send T3 over zero/) },
  ...(
    [
      ['holding', 'Drawtube flange', 'holding', /Seat the part/],
      ['what is needed first', 'Drawtube flange', 'tip-on-plane:T2', /First: Home/],
      ['a touch around a bore', 'Eyepiece adapter', 'circle-point:G54:2', /Touch 2 around/],
      ['an air cut that waits', 'Eyepiece adapter', 'air-cut', /First: G54 with T3/],
      ['a release that waits', 'Eyepiece adapter', 'record', /steps are still open/],
      ['a program looked over', 'Drawtube flange', 'program', /Look the program over/],
      ['a first part', 'Mirror cell plate', 'first-part', /Cut the first part/],
    ] as const
  ).map(([name, setup, step, words]) => ({
    name,
    open: (page: Page) => stepOf(page, setup, step),
    shows: text(words),
  })),
  {
    name: 'a program',
    open: async (page) => {
      await page.getByText('Drawtube flange').click()
      await openItsProgram(page)
    },
    // The runs that mend it may have been before.
    shows: field('verdict'),
  },
  {
    name: 'something changed',
    open: async (page) => {
      await page.getByText('Eyepiece adapter').click()
      await page.getByTestId('changed').click()
      await page.getByRole('radio', { name: 'A tool broke' }).click()
    },
    shows: field('it-happened'),
  },
  {
    name: 'where a number comes from',
    open: async (page) => {
      await stepOf(page, 'Eyepiece adapter', 'key-in:H3')
      await page.getByRole('button', { name: 'where H3 comes from' }).click()
    },
    shows: field('how-good'),
  },
  {
    name: 'the shop',
    open: (page) => page.getByRole('link', { name: 'Shop' }).click(),
    shows: text('50 mm setter'),
  },
  {
    name: 'a new set-up',
    open: (page) => page.getByRole('button', { name: 'New set-up' }).click(),
    shows: field('job-name'),
  },
  {
    name: 'the part of a new set-up',
    open: async (page) => {
      await page.getByRole('button', { name: 'New set-up' }).click()
      await page.getByTestId('job-name').fill('Plate')
      await page.getByRole('radio', { name: 'Mill 2' }).click()
      await new Machinist(page, '').sameTools()
      await page.getByTestId('go-on').click()
    },
    shows: field('stock-X'),
  },
]

const PHONE = { width: 390, height: 844 }
const WIDE = { width: 1280, height: 800 }

/** As it is looked at for what keeps somebody from using it. */
const LOOKS = [
  { scheme: 'light', size: PHONE },
  { scheme: 'dark', size: PHONE },
  { scheme: 'dark', size: WIDE },
  { scheme: 'light', size: WIDE },
] as const

/** Twice the text on a phone and on a wide screen is half the room in CSS pixels. */
const TWICE_THE_TEXT = [
  { width: 320, height: 422 },
  { width: 640, height: 400 },
]

/** What is cut off, or cannot be reached. */
async function outOfReach(page: Page): Promise<readonly string[]> {
  const { scroll, width } = await page.evaluate(() => ({
    scroll: document.documentElement.scrollWidth,
    width: window.innerWidth,
  }))
  const wider = scroll > width ? [`${scroll} px wide, on ${width} px`] : []
  const next = page.getByTestId('next').first()
  if ((await next.count()) === 0) return wider
  await next.scrollIntoViewIfNeeded()
  await expect(next).toBeInViewport()
  return wider
}

// Each view is opened once and looked at in every way; in parts, one for whoever of the two has time.
const PARTS = 4

for (let part = 0; part < PARTS; part += 1)
  test(`every main view is accessible, in light and dark, on a phone, wide, and at twice the text: part ${part + 1}`, async ({
    browser,
    demo,
  }) => {
    // axe wants a context of its own.
    const context = await browser.newContext({ viewport: PHONE, reducedMotion: 'reduce' })
    const page = await context.newPage()
    const mira = new Machinist(page, demo.address)
    await mira.signIn('Mira Toller')
    const found: string[] = []
    for (const { name, open, shows } of VIEWS.filter((_, index) => index % PARTS === part)) {
      const show = async () => {
        await page.goto(demo.address)
        await open?.(page)
        await expect(shows(page)).toBeVisible()
      }
      // What another size draws anew may have forgotten what was opened.
      const resize = async (size: { width: number; height: number }) => {
        await page.setViewportSize(size)
        await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(drawn)))
        if (!(await shows(page).isVisible())) await show()
      }
      await page.setViewportSize(PHONE)
      await show()
      for (const { scheme, size } of LOOKS) {
        await page.emulateMedia({ colorScheme: scheme })
        await resize(size)
        for (const barrier of await barriers(page))
          found.push(`${name}, ${scheme}, ${size.width} px: ${barrier}`)
      }
      for (const size of TWICE_THE_TEXT) {
        await resize(size)
        for (const what of await outOfReach(page)) found.push(`${name}, twice the text: ${what}`)
      }
      const moving = await page.evaluate(
        () => document.getAnimations().filter(({ playState }) => playState === 'running').length,
      )
      if (moving > 0) found.push(`${name}: ${moving} things move, and less motion was asked for`)
    }
    expect(found).toEqual([])
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
