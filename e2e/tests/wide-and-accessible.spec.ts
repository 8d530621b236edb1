import { AxeBuilder } from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'

test('on a wide screen the keyboard alone suffices: type, Enter, next', async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await page.getByText('Drawtube flange').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    /bare nose down onto the 50 mm setter/,
  )
  await page.keyboard.type('-300.000')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Lower T2 onto the 50 mm setter/)
  await page.keyboard.type('-203.882')
  await expect(page.getByTestId('implied')).toHaveText('96.118')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Lower T3/)
  await expect(
    page.getByRole('button', { name: 'H2: where this number comes from' }),
  ).toContainText('96.118')
  await page.close()
})

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
          .getByText('Clamp ring')
          .click()
          .then(() => expect(page.getByTestId('mismatch')).toBeVisible()),
    },
    {
      name: 'a record',
      open: (page) =>
        page
          .getByText('Mirror cell plate')
          .click()
          .then(() => expect(page.getByTestId('frozen')).toBeVisible()),
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
      for (const { name, open } of VIEWS) {
        await page.goto(demo.address)
        await open(page)
        const { violations } = await new AxeBuilder({ page })
          .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
          .analyze()
        expect(
          violations.map(
            ({ id, nodes }) => `${name}: ${id} ${nodes[0]?.target} ${nodes[0]?.failureSummary}`,
          ),
        ).toEqual([])
      }
      await context.close()
    })
