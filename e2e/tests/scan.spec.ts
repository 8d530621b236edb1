import { rmSync } from 'node:fs'
import { v7 as uuid } from 'uuid'
import { barriers } from '../support/accessible'
import { filmOfLabel } from '../support/camera'
import { CHROMIUM } from '../support/chromium'
import { declare } from '../support/declare'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'

const id = uuid()
const film = filmOfLabel(`https://bench.example/tools/${id}`)

test.use({
  permissions: ['camera'],
  launchOptions: {
    ...CHROMIUM,
    args: [
      ...CHROMIUM.args,
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-video-capture=${film}`,
    ],
  },
})
test.afterAll(() => rmSync(film, { force: true }))

test('a label that is held before the camera opens its tool', async ({ page, demo }) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await declare(page, demo.address, ['tool', id], { name: 'Scanned reamer' })
  await page.getByRole('link', { name: 'Tools' }).click()
  await page.getByTestId('scan').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Scanned reamer')
  await expect(page).toHaveURL(new RegExp(`/tools/${id}$`))
})

test('without a camera it says so, and the code is typed', async ({ page, demo }) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await page.addInitScript(() => {
    Object.defineProperty(navigator, 'mediaDevices', { value: undefined })
  })
  await page.goto(`${demo.address}/tools/scan`)
  await expect(page.getByRole('status').filter({ hasText: 'No camera is at hand' })).toBeVisible()
  await mira.look('scan-none')
  expect(await barriers(page)).toEqual([])
  await page.getByTestId('type-code').click()
  await expect(page.getByTestId('find')).toBeVisible()
})
