import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { barriers } from '../support/accessible'
import { Machinist } from '../support/machinist'
import { BUILT, expect, Product, test } from '../support/product'

// The page is kept for where there is no network.
test.use({ serviceWorkers: 'allow' })

const FACTS = '**/api/streams/setup/*/facts*'
const LOOKS = [
  ['light', { width: 390, height: 844 }],
  ['dark', { width: 1280, height: 800 }],
] as const

/** Answers every fact with a refusal. */
const refuse = (page: Page, status: number, code: string, message: string) =>
  page.route(FACTS, (route) => {
    const problem = { code, place: '', message, expected: '', received: '', remedy: '' }
    return route.fulfill({ status, json: { error: { ...problem, problems: [problem] } } })
  })

test('no network, waiting, refused, of another, another version, altered: each is told, and keeps nobody from using it', async ({
  browser,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'pine-page-'))
  cpSync(BUILT, folder, { recursive: true })
  const product = await Product.start(true, folder)
  const context = await browser.newContext()
  const page = await context.newPage()
  const mira = new Machinist(page, product.address)
  const found: string[] = []
  const look = async (state: string) => {
    for (const [colorScheme, size] of LOOKS) {
      await page.emulateMedia({ colorScheme })
      await page.setViewportSize(size)
      await mira.look(`state-${state}-${size.width}`)
      found.push(...(await barriers(page)).map((one) => `${state}, ${colorScheme}: ${one}`))
    }
    await page.emulateMedia({ colorScheme: 'light' })
    await page.setViewportSize(LOOKS[0][1])
  }
  await page.setViewportSize(LOOKS[0][1])
  await mira.signInByKeys('Mira Toller')
  await page.waitForFunction(() => navigator.serviceWorker.controller?.state === 'activated')
  await page.getByRole('link', { name: /Focuser body/ }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/T4/)
  const focuser = page.url()

  await product.halt()
  await page.getByTestId('reading').fill('-167.5')
  await mira.next()
  await expect(page.getByText('No connection. 1 entry is kept on this device')).toBeVisible()
  await look('no-network')
  await product.run()
  await mira.sent()

  await refuse(page, 503, 'busy', 'Busy.')
  await page.getByTestId('reading').fill('-151.2')
  await mira.next()
  await expect(page.getByText('1 entry is kept on this device')).toBeVisible()
  await look('waiting')
  await mira.signOut()
  await page.unroute(FACTS)
  await mira.signInByKeys('Jory Fenn')
  await expect(page.getByText('1 entry is kept here until Mira Toller signs in.')).toBeVisible()
  await page.goto(focuser)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await look('of-another')

  await refuse(page, 422, 'input-wrong', 'T6 is not on the sheet any more.')
  await page.getByTestId('reading').fill('-151.3')
  await mira.next()
  await expect(page.getByRole('alert')).toContainText(
    'The reading −151.3 mm was not accepted: T6 is not on the sheet any more.',
  )
  await look('refused')
  await page.unroute(FACTS)
  await page.getByRole('button', { name: 'Seen' }).click()

  const worker = join(folder, 'service-worker.js')
  writeFileSync(worker, `${readFileSync(worker, 'utf8')}\n// another version`)
  for (const packed of ['br', 'gz']) rmSync(`${worker}.${packed}`)
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update())
  await expect(page.getByTestId('new-version')).toBeVisible()
  await look('another-version')

  await product.asOwner(`ALTER TABLE frozen DISABLE TRIGGER USER;
    UPDATE frozen SET content = jsonb_set(content, '{version}', '3');
    ALTER TABLE frozen ENABLE TRIGGER USER`)
  await page.goto(product.address)
  await page.getByRole('link', { name: /Mirror cell plate/ }).click()
  await expect(page.getByTestId('altered')).toBeVisible()
  await look('altered')

  expect(found).toEqual([])
  await context.close()
  await product.close()
  rmSync(folder, { recursive: true, force: true })
})
