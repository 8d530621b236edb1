import type { Page } from '@playwright/test'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { visit } from '../support/visit'

/** Opens a step of the demo's focuser body by its key. */
async function atStep(page: Page, address: string, key: string): Promise<Machinist> {
  const mira = new Machinist(page, address)
  await mira.signIn('Mira Toller')
  await page.getByText('Focuser body, two fixtures').click()
  await page.waitForURL(/setups\/.{36}/)
  await mira.goTo(key)
  return mira
}

/** Opens the pages of the clamp ring's sheet. */
async function changeRingSheet(page: Page, address: string): Promise<void> {
  await new Machinist(page, address).signIn('Jory Fenn')
  await page.getByText('Clamp ring', { exact: true }).click()
  await page.waitForURL(/setups\/.{36}/)
  await visit(page, `${page.url().split('?')[0]}?step=sheet`)
  await page.getByRole('button', { name: 'Change the sheet' }).click()
}

test('a repeat is averaged, a replaced reading keeps its reason, and the number follows each', async ({
  page,
  demo,
}) => {
  const mira = await atStep(page, demo.address, 'tip-on-plane:T1')
  await expect(page.getByText('−187.594 mm')).toBeVisible()
  await page.getByRole('button', { name: 'Read it once more' }).click()
  await mira.keys('-187.596')
  await expect(page.getByTestId('implied')).toHaveText('112.405')
  await mira.next()

  await mira.goTo('tip-on-plane:T1')
  await page.getByTestId('implied').click()
  await expect(page.getByTestId('trace')).toContainText(/½ × \(?−187\.596\)? mm/)
  await page.keyboard.press('Escape')

  await page.getByRole('button', { name: 'Replace it' }).click()
  await page.getByRole('radio', { name: 'I misread it' }).click()
  await expect(page.getByText('Machine Z, in place of the last')).toBeVisible()
  await mira.keys('-187.590')
  await expect(page.getByTestId('implied')).toHaveText('112.408')
  await mira.next()
})

test('a changed sheet is another version: the number follows, what was read stays', async ({
  page,
  demo,
}) => {
  await changeRingSheet(page, demo.address)
  await page.getByTestId('go-on').click()
  await page.getByTestId('change-G54').click()
  await page.getByTestId('drawing-X').fill('0.5')
  await page.getByTestId('go-on').click()
  await page.waitForURL(/setups\/[0-9a-f-]{36}/)
  await visit(page, `${page.url().split('?')[0]}?step=${encodeURIComponent('face:G54:left')}`)
  await expect(page.getByTestId('implied')).toHaveText('−3.8253')
  await expect(page.getByText('−3.4250 in')).toBeVisible()
})

test('a sheet that drops what was used is refused, and the draft is kept', async ({
  page,
  demo,
}) => {
  await changeRingSheet(page, demo.address)
  await page.getByTestId('change-lengths').click()
  await page.getByRole('checkbox', { name: '2 in setter' }).click()
  for (let pages = 0; pages < 2; pages += 1) await page.getByTestId('go-on').click()
  await expect(page.getByRole('alert')).toContainText('is not in this set-up')
})
