import type { Page } from '@playwright/test'
import { Machinist } from '../support/machinist'
import { barriers } from '../support/accessible'
import { CAPTURING } from '../support/sheets'
import { expect, Product, test } from '../support/product'
import { visit } from '../support/visit'

/** What a hand holds: a phone's browser with its bars, a small one, one on its side, a tablet standing up. */
const SIZES = [
  { width: 390, height: 664 },
  { width: 360, height: 560 },
  { width: 844, height: 390 },
  { width: 768, height: 1024 },
]

const STEPS: readonly (readonly [step: string, heading: RegExp])[] = [
  ['tip-on-plane:T4', /Lower T4/],
  ['face:G54:left', /Left face/],
  ['key-in:H1', /H1/],
]

const isWhole = async (page: Page, name: string) =>
  expect(page.getByRole('button', { name, exact: true })).toBeInViewport({ ratio: 1 })

for (const size of SIZES)
  test(`the number, its keys and Next are in view at ${size.width} × ${size.height}`, async ({
    browser,
  }) => {
    // A demo of its own: what others read and keyed in theirs are other steps.
    const product = await Product.start(true)
    const context = await browser.newContext({ viewport: size })
    const page = await context.newPage()
    const mira = new Machinist(page, product.address)
    await mira.signIn('Mira Toller')
    await page.getByRole('link', { name: /Focuser body/ }).click()
    await page.waitForURL(/setups\/.{36}/)
    for (const [step, heading] of STEPS) {
      await mira.goTo(step)
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(heading)
      await expect(page.getByRole('heading', { level: 1 })).toBeInViewport({ ratio: 1 })
      await expect(page.getByTestId('reading')).toBeInViewport({ ratio: 1 })
      for (const key of '7890') await isWhole(page, key)
      await expect(page.getByTestId('next')).toBeInViewport({ ratio: 1 })
      // Nothing is wider than the screen.
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(size.width)
    }
    // A turned sign or wrong last digits: what can be pressed about it is in view, wherever the rest has scrolled to.
    await page.getByRole('button', { name: 'minus' }).click()
    await expect(page.getByRole('alert')).toContainText('It should be plus')
    await expect(page.getByTestId('shows-else')).toBeInViewport({ ratio: 1 })
    await page.getByRole('button', { name: 'plus' }).click()
    await mira.keys('46000'.slice(0, await mira.lastDigits()))
    await expect(page.getByRole('alert')).toContainText('It should not end in 46')
    await expect(page.getByTestId('shows-else')).toBeInViewport({ ratio: 1 })
    // Every step by its name, the program and what the marks mean are one press away.
    await page.getByTestId('menu').click()
    const menu = page.getByRole('navigation', { name: 'every step' })
    await expect(menu.getByText('Lengths', { exact: true })).toBeVisible()
    await expect(page.getByRole('group', { name: 'what the marks mean' })).toContainText('proven')
    expect(await barriers(page)).toEqual([])
    await menu.getByText('Hold the part').click()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Seat the part/)
    // What is said of a step that reads nothing stays in view as well.
    await visit(page, product.address)
    await page.getByRole('link', { name: /Eyepiece adapter/ }).click()
    await page.waitForURL(/setups\/.{36}/)
    await mira.goTo('prove:G54:T3')
    await expect(page.getByTestId('passes')).toBeInViewport({ ratio: 1 })
    await expect(page.getByTestId('not-so')).toBeInViewport({ ratio: 1 })
    // A row that is captured: what to type, what it shows then, and where the axis must stand.
    await mira.begin(CAPTURING)
    await mira.ready()
    for (const [step, shown] of [
      ['tip-on-plane:T1', '-270.000'],
      ['face:G54:left', '-347.300'],
    ] as const) {
      await mira.goTo(step)
      await expect(page.getByTestId('to-type')).toBeInViewport({ ratio: 1 })
      await mira.keys(shown)
      for (const part of ['to-type', 'reading', 'stands', 'stands-else', 'next'])
        await expect(page.getByTestId(part)).toBeInViewport({ ratio: 1 })
      for (const key of '7890') await isWhole(page, key)
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(size.width)
      expect(await barriers(page)).toEqual([])
      await mira.look(`fits-${size.width}-${step.split(':')[0]}`)
    }
    await context.close()
    await product.close()
  })
