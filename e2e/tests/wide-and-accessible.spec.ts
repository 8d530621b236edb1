import type { Locator, Page } from '@playwright/test'
import { barriers } from '../support/accessible'
import { Machinist, openItsProgram } from '../support/machinist'
import { expect, test } from '../support/product'
import { visit } from '../support/visit'

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
const at = async (page: Page, path: string) => visit(page, new URL(path, page.url()).href)

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
  {
    name: 'print or share',
    open: async (page) => {
      await page.getByText('Focuser body, two fixtures').click()
      await page.waitForURL(/setups\/.{36}/)
      await at(page, page.url().replace(/setups\/([0-9a-f-]+).*/, 'setups/share?id=$1'))
    },
    shows: field('sheet-A4'),
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
      await page.getByRole('button', { name: 'change Mill 2' }).click()
      await page.getByRole('button', { name: 'change the release rules of Mill 2' }).click()
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
      ['a dry run that waits', 'Eyepiece adapter', 'air-cut', /First: G54 with T3/],
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
  { scheme: 'light', size: PHONE, of: 'all' },
  { scheme: 'dark', size: PHONE, of: 'colours' },
  { scheme: 'dark', size: WIDE, of: 'colours' },
  { scheme: 'light', size: WIDE, of: 'all' },
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
const PARTS = 2

for (let part = 0; part < PARTS; part += 1)
  test(`every main view is accessible, in light and dark, on a phone, wide, and at twice the text: part ${part + 1}`, async ({
    browser,
    demo,
  }) => {
    const context = await browser.newContext({ viewport: PHONE, reducedMotion: 'reduce' })
    const page = await context.newPage()
    const mira = new Machinist(page, demo.address)
    await mira.signIn('Mira Toller')
    const found: string[] = []
    for (const { name, open, shows } of VIEWS.filter((_, index) => index % PARTS === part)) {
      const show = async () => {
        await visit(page, demo.address)
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
      for (const { scheme, size, of } of LOOKS) {
        await page.emulateMedia({ colorScheme: scheme })
        await resize(size)
        for (const barrier of await barriers(page, of))
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
