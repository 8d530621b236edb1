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
] as const

const STEPS: readonly (readonly [step: string, heading: RegExp])[] = [
  ['tip-on-plane:T4', /Lower T4/],
  ['face:G54:left', /Left face/],
  ['key-in:H1', /H1/],
]

/** Holds a page at every size: what is shown and typed stays, the room around it changes. */
async function atEverySize(page: Page, look: () => Promise<void>): Promise<void> {
  for (const size of SIZES) {
    await page.setViewportSize(size)
    await test.step(`${size.width} × ${size.height}`, look)
  }
  await page.setViewportSize(SIZES[0])
}

const inView = (page: Page, ...testIds: readonly string[]) =>
  Promise.all(testIds.map((id) => expect(page.getByTestId(id)).toBeInViewport({ ratio: 1 })))

const keysInView = (page: Page) =>
  Promise.all(
    [...'7890'].map((name) =>
      expect(page.getByRole('button', { name, exact: true })).toBeInViewport({ ratio: 1 }),
    ),
  )

/** Nothing is wider than the screen. */
const fitsAcross = async (page: Page) =>
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(
    page.viewportSize()?.width,
  )

test.use({ viewport: SIZES[0] })

test('the number, its keys and Next are in view on whatever a hand holds', async ({ page }) => {
  // A demo of its own: what others read and keyed in theirs are other steps.
  const product = await Product.start(true)
  const mira = new Machinist(page, product.address)
  const heading = page.getByRole('heading', { level: 1 })
  await mira.signIn('Mira Toller')
  await page.getByRole('link', { name: /Focuser body/ }).click()
  await page.waitForURL(/setups\/.{36}/)
  for (const [step, words] of STEPS) {
    await mira.goTo(step)
    await expect(heading).toHaveText(words)
    await atEverySize(page, async () => {
      await expect(heading).toBeInViewport({ ratio: 1 })
      await inView(page, 'reading', 'next')
      await keysInView(page)
      await fitsAcross(page)
    })
  }
  // A turned sign or wrong last digits: what can be pressed about it is in view, wherever the rest has scrolled to.
  await page.getByRole('button', { name: 'minus' }).click()
  await expect(page.getByRole('alert')).toContainText('It should be plus')
  await atEverySize(page, async () => void (await inView(page, 'shows-else')))
  await page.getByRole('button', { name: 'plus' }).click()
  await mira.keys('46000'.slice(0, await mira.lastDigits()))
  await expect(page.getByRole('alert')).toContainText('It should not end in 46')
  await atEverySize(page, async () => void (await inView(page, 'shows-else')))
  // Every step by its name, the program and what the marks mean are one press away.
  await page.getByTestId('menu').click()
  const menu = page.getByRole('navigation', { name: 'every step' })
  await expect(menu.getByText('Lengths', { exact: true })).toBeVisible()
  await expect(page.getByRole('group', { name: 'what the marks mean' })).toContainText('proven')
  await atEverySize(page, async () => expect(await barriers(page)).toEqual([]))
  await menu.getByText('Hold the part').click()
  await expect(heading).toHaveText(/Seat the part/)
  // What is said of a step that reads nothing stays in view as well.
  await visit(page, product.address)
  await page.getByRole('link', { name: /Eyepiece adapter/ }).click()
  await page.waitForURL(/setups\/.{36}/)
  await mira.goTo('prove:G54:T3')
  await atEverySize(page, async () => void (await inView(page, 'passes', 'not-so')))
  // A row that is captured: what to type, what it shows then, and where the axis must stand.
  await mira.begin(CAPTURING)
  await mira.ready()
  for (const [step, shown] of [
    ['tip-on-plane:T1', '-270.000'],
    ['face:G54:left', '-347.300'],
  ] as const) {
    await mira.goTo(step)
    await atEverySize(page, async () => void (await inView(page, 'to-type')))
    await mira.keys(shown)
    await atEverySize(page, async () => {
      await inView(page, 'to-type', 'reading', 'stands', 'stands-else', 'next')
      await keysInView(page)
      await fitsAcross(page)
      expect(await barriers(page)).toEqual([])
      await mira.look(`fits-${page.viewportSize()?.width}-${step.split(':')[0]}`)
    })
  }
  await product.close()
})
