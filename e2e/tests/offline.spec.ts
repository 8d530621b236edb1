import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Page } from '@playwright/test'
import { Machinist } from '../support/machinist'
import { BUILT, expect, Product, test } from '../support/product'

// The page is kept for where there is no network.
test.use({ serviceWorkers: 'allow' })

/** The page is kept once its worker stands behind it. */
const keptPage = (page: Page) =>
  page.waitForFunction(() => navigator.serviceWorker.controller?.state === 'activated')

/** An answer is kept a moment after it is shown: who leaves the page in that moment has not seen it yet. */
const keptAnswers = (page: Page, ...parts: readonly string[]) =>
  expect
    .poll(() =>
      page.evaluate(
        () =>
          new Promise<string>((resolve) => {
            const opening = indexedDB.open('pine-compass-seen')
            opening.onsuccess = () => {
              const asking = opening.result
                .transaction('answers')
                .objectStore('answers')
                .getAllKeys()
              asking.onsuccess = () => {
                opening.result.close()
                resolve(asking.result.join(' '))
              }
            }
          }),
      ),
    )
    .toMatch(new RegExp(parts.map((part) => `(?=.*${part})`).join('')))

test('without a network the page opens with what was seen, a new set-up begins, and all of it arrives in order', async ({
  page,
}) => {
  const product = await Product.start(true)
  const mira = new Machinist(page, product.address)
  await mira.signInByKeys('Mira Toller')
  await keptPage(page)
  // Seen before: the list, and one set-up. What a new one is made of is kept without being looked at.
  await keptAnswers(page, 'machines', 'gauges')
  await page.getByRole('link', { name: /Focuser body/ }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/T4/)
  const focuser = page.url()
  await keptAnswers(page, 'session', 'setups', focuser.split('/').at(-1) ?? '')
  await product.halt()

  await page.goto(focuser)
  await expect(page.getByText('No connection')).toBeVisible()
  await mira.keys('-167.5')
  await mira.look('offline-reading')
  await mira.next()
  await expect(page.getByText('No connection. 1 entry is kept on this device')).toBeVisible()
  await page.reload()
  await expect(page.getByText('No connection. 1 entry is kept on this device')).toBeVisible()

  await page.goto(product.address)
  await expect(page.getByRole('link', { name: /Clamp ring/ })).toBeVisible()
  // What is shown is looked through without asking anybody.
  await page.getByTestId('find').fill('focus')
  await expect(page.getByRole('link', { name: /Clamp ring/ })).toBeHidden()
  await expect(page.getByRole('link', { name: /Focuser body/ }).first()).toBeVisible()
  await page.getByTestId('find').fill('')
  await expect(page.getByRole('link', { name: /Clamp ring/ })).toBeVisible()
  await page.getByRole('button', { name: 'New set-up' }).click()
  await page.getByTestId('job-name').fill('Begun in the cellar')
  await page.getByRole('radio', { name: 'Mill 2' }).click()
  for (const name of ['50 mm setter', '10 mm edge finder'])
    await page.getByRole('checkbox', { name }).click()
  await page.getByRole('button', { name: 'Another tool' }).click()
  await page.getByTestId('go-on').click()
  for (const axis of ['X', 'Y', 'Z']) await page.getByTestId(`stock-${axis}`).fill('80')
  await page.getByTestId('go-on').click()
  await mira.ready()
  await mira.read(/Lower T1 onto the 50 mm setter/, '-220.000')
  const begun = page.url().split('?')[0]!
  // The focuser's reading, and all of the new one.
  await mira.keeps(6)
  await page.goto(product.address)
  await expect(page.getByText('Begun on this device, waits for a connection')).toBeVisible()
  await mira.look('offline-list')

  await product.run()
  await mira.sent()
  await expect(page.getByText('Begun on this device')).toBeHidden()
  const id = begun.split('/').at(-1)
  const { file } = await (await page.request.get(`${product.address}/api/setups/${id}`)).json()
  expect(file.facts.map(({ kind }: { kind: string }) => kind)).toEqual([
    'sheet',
    'check-off',
    'check-off',
    'check-off',
    'reading',
  ])
  expect(file.facts.every(({ by }: { by: { name: string } }) => by.name === 'Mira Toller')).toBe(
    true,
  )
  await product.close()
})

test('who signs out leaves nothing to be looked at without a network', async ({ page }) => {
  const product = await Product.start(true)
  const mira = new Machinist(page, product.address)
  await mira.signInByKeys('Mira Toller')
  await keptPage(page)
  await page.getByRole('link', { name: 'Mira', exact: true }).click()
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Who is at the machine?' })).toBeVisible()
  await product.halt()
  await page.goto(product.address)
  await expect(page.getByText('The server does not answer')).toBeVisible()
  await expect(page.getByText('Focuser body')).toBeHidden()
  await product.close()
})

test('a newer page is offered and waits until it is taken; what is half typed stays', async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'pine-page-'))
  cpSync(BUILT, folder, { recursive: true })
  const product = await Product.start(true, folder)
  const mira = new Machinist(page, product.address)
  await mira.signInByKeys('Mira Toller')
  await keptPage(page)
  await page.getByRole('link', { name: /Focuser body/ }).click()
  await mira.keys('12.5')
  const worker = join(folder, 'service-worker.js')
  writeFileSync(worker, `${readFileSync(worker, 'utf8')}\n// another version`)
  for (const packed of ['br', 'gz']) rmSync(`${worker}.${packed}`)
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update())
  await expect(page.getByTestId('new-version')).toBeVisible()
  await expect(page.getByTestId('reading')).toHaveValue('12.5')
  await mira.look('new-version')
  const reloaded = page.waitForEvent('load')
  await page.getByRole('button', { name: 'Take it' }).click()
  await reloaded
  await expect(page.getByTestId('reading')).toHaveValue('12.5')
  await expect(page.getByTestId('new-version')).toBeHidden()
  await product.close()
  rmSync(folder, { recursive: true })
})

test('the page can be installed: its manifest names icons that are there', async ({
  page,
  demo,
}) => {
  await page.goto(demo.address)
  const href = await page.locator('link[rel=manifest]').getAttribute('href')
  const manifest = await (await page.request.get(demo.address + href)).json()
  expect(manifest).toMatchObject({ display: 'fullscreen', start_url: '/', name: 'Pine Compass' })
  for (const { src, sizes, type } of manifest.icons) {
    const icon = await page.request.get(demo.address + src)
    expect(icon.headers()['content-type']).toContain(type)
    if (sizes === 'any') continue
    // A PNG tells its width after sixteen bytes.
    expect((await icon.body()).readUInt32BE(16)).toBe(Number(sizes.split('x')[0]))
  }
  const script = await page.locator('script[src*=entry]').getAttribute('src')
  const packed = await page.request.get(demo.address + script, {
    headers: { 'Accept-Encoding': 'br' },
  })
  expect(packed.headers()['content-encoding']).toBe('br')
})
