import { request } from '@playwright/test'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { visit } from '../support/visit'

test.describe.configure({ mode: 'serial' })

test('a lead lets a viewer in by a code, who looks on, and becomes a setter', async ({
  page,
  demo,
  browser,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signInByKeys('Mira Toller')
  await page.getByRole('link', { name: 'Mira', exact: true }).click()
  await page.getByRole('button', { name: 'People of the shop' }).click()
  await page.getByRole('radio', { name: 'viewer' }).click()
  await page.getByRole('button', { name: 'Show a code' }).click()
  const code = (await page.getByTestId('join-code').innerText()).replace(/\s/g, '')
  await mira.look('people-code')

  const phone = await browser.newPage({ viewport: { width: 390, height: 844 } })
  const vera = new Machinist(phone, demo.address)
  await visit(phone, demo.address)
  await phone.getByRole('button', { name: 'I am not in this list' }).click()
  await phone.getByTestId('name').fill('Vera Viewer')
  await phone.getByTestId('pin').fill('1357')
  await phone.getByRole('button', { name: 'Add me' }).click()
  await expect(phone.getByText('A code has eight letters and digits')).toBeVisible()
  await phone.getByTestId('code').fill('ABCD EFGH')
  await phone.getByRole('button', { name: 'Add me' }).click()
  await expect(phone.getByText('This code lets nobody in')).toBeVisible()
  await phone.getByTestId('code').fill(code)
  await vera.look('people-join')
  await phone.getByRole('button', { name: 'Add me' }).click()
  await expect(phone.getByRole('heading', { name: 'Set-ups' })).toBeVisible()

  // Looks, and is offered nothing to enter.
  await expect(phone.getByRole('button', { name: 'New set-up' })).toBeHidden()
  await phone.getByRole('link', { name: /Focuser body/ }).click()
  await expect(phone.getByTestId('looking-on')).toBeVisible()
  await expect(phone.getByText('Tool lengths')).toBeVisible()
  await expect(phone.getByTestId('next')).toBeHidden()
  await expect(phone.getByTestId('changed')).toBeHidden()
  await vera.look('people-viewer')
  await visit(phone, `${demo.address}/shop`)
  await expect(phone.getByText('A lead adds machines.')).toBeVisible()

  // A lead makes a setter of her; nothing but a new look at the page is needed.
  await page.getByRole('button', { name: 'Done' }).click()
  await page.reload()
  await page.getByRole('button', { name: 'change Vera Viewer' }).click()
  await page.getByRole('radio', { name: 'setter' }).last().click()
  await expect(page.getByText(/became setter, by Mira Toller/)).toBeVisible()
  await mira.look('people-lead')
  await visit(phone, demo.address)
  await expect(phone.getByRole('button', { name: 'New set-up' })).toBeVisible()

  // A forgotten PIN: the lead gives another, and the old one is worth nothing.
  await page.getByRole('button', { name: 'New PIN' }).click()
  await page.getByTestId('new-pin').fill('8642')
  await page.getByRole('button', { name: 'Take this PIN' }).click()
  await expect(page.getByText(/got a new PIN/)).toBeVisible()
  await visit(phone, demo.address)
  await phone.getByRole('button', { name: 'Vera Viewer' }).click()
  await vera.keys('1357')
  await vera.next()
  await expect(phone.getByRole('alert')).toContainText('A lead can give you a new one')
  await vera.keys('8642')
  await vera.next()
  await expect(phone.getByRole('heading', { name: 'Set-ups' })).toBeVisible()

  // She leaves by herself; what the list of names shows is who is here.
  await phone.getByRole('link', { name: 'Vera', exact: true }).click()
  await phone.getByRole('button', { name: 'My PIN, my place' }).click()
  await phone.getByRole('button', { name: 'I work here no more' }).click()
  await phone.getByRole('button', { name: 'Leave this shop' }).click()
  await expect(phone.getByRole('heading', { name: 'Who is at the machine?' })).toBeVisible()
  await expect(phone.getByRole('button', { name: 'Vera Viewer' })).toBeHidden()
  await phone.close()

  // Nobody is left without a lead.
  await page.reload()
  await page.getByRole('button', { name: 'change Mira Toller' }).click()
  await page.getByRole('button', { name: 'Works here no more' }).click()
  await expect(page.getByRole('alert')).toContainText('Make somebody else a lead first')

  // A program gets a token, which is shown once, and is nothing once it was ended.
  await page.getByRole('button', { name: 'Let a program in' }).click()
  await page.getByTestId('program-name').fill('Planning board')
  await mira.look('people-program')
  await page.getByRole('button', { name: 'Show a token' }).click()
  const token = await page.getByTestId('token').innerText()
  await mira.look('people-token')
  const outside = await request.newContext({
    extraHTTPHeaders: { Authorization: `Bearer ${token}` },
  })
  const status = async () => (await outside.get(`${demo.address}/api/setups`)).status()
  expect(await status()).toBe(200)
  await page.getByRole('button', { name: 'Done' }).click()
  await page.getByRole('button', { name: 'change Planning board' }).click()
  await expect(page.getByText(/^program · viewer until/)).toBeVisible()
  await mira.look('people-program-card')
  await page.getByRole('button', { name: 'end the token of Planning board' }).click()
  await expect(page.getByText('program · its token was ended')).toBeVisible()
  expect(await status()).toBe(401)
  await outside.dispose()
})

test('a lead keeps the list to what is worked on: away, and out again', async ({ page, demo }) => {
  const mira = new Machinist(page, demo.address)
  await mira.signInByKeys('Mira Toller')
  const listed = page.getByRole('link', { name: /Eyepiece adapter/ })
  await page.getByTestId('put-away').click()
  await mira.look('put-away-none')
  await page.getByRole('button', { name: 'Put away: Eyepiece adapter' }).click()
  await expect(page.getByRole('button', { name: 'Take out: Eyepiece adapter' })).toBeVisible()
  await expect(listed.getByText(/by Mira Toller, today/)).toBeVisible()
  await mira.look('put-away')
  await visit(page, demo.address)
  await expect(page.getByRole('link', { name: /Focuser body/ })).toBeVisible()
  await expect(listed).toBeHidden()
  await page.getByTestId('put-away').click()
  const takeOut = page.getByRole('button', { name: 'Take out: Eyepiece adapter' })
  await takeOut.click()
  await expect(takeOut).toBeHidden()
  await visit(page, demo.address)
  await expect(listed).toBeVisible()
})
