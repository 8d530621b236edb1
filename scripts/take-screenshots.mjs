#!/usr/bin/env node
// Takes docs/screenshots/ from the demo: node scripts/with-database.mjs node scripts/take-screenshots.mjs
import { chromium } from '@playwright/test'
import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { CHROMIUM_FLAGS } from './lib/chromium.mjs'
import { chromiumPath, postgresFolder } from './lib/packages.mjs'
import { ROOT } from './lib/paths.mjs'
import { freePort } from './lib/ports.mjs'
import { runScript, Trouble } from './lib/say.mjs'
import { startServer } from './lib/serve.mjs'

const PHONE = { width: 390, height: 844 }
const WIDE = { width: 1280, height: 800 }

const open = (name) => (page) => page.getByText(name).first().click()
const step = (key) => async (page) => {
  await page.waitForURL(/setups\/.{36}/)
  await page.goto(`${page.url().split('?')[0]}?step=${encodeURIComponent(key)}`)
}
const type = (text) => (page) => page.getByTestId('reading').fill(text)
const shows = (text) => (page) => page.getByText(text).first().waitFor()

/** The table of a control that holds what it should, but for the sign of Y. */
async function fillTable(page) {
  const [, id] = /id=([0-9a-f-]{36})/.exec(page.url())
  const answer = await page.request.get(new URL(`/api/setups/${id}/solution`, page.url()).href)
  const value = new Map(
    (await answer.json()).registers.map(({ address, value: holds }) => [address, holds]),
  )
  const [X, Y, Z] = ['X', 'Y', 'Z'].map((axis) => value.get(`G54.${axis}`))
  await page
    .getByTestId('table-text')
    .fill(`H1 ${value.get('H1')}\nH2 ${value.get('H2')}\nG54 X${X} Y${Y.replace('-', '')} Z${Z}`)
}

/** Each view: where it is kept, its size and theme, and the way to it from the list of set-ups. */
const VIEWS = [
  { file: 'setups-phone', size: PHONE, way: [shows('Mirror cell plate')] },
  {
    file: 'length-phone',
    size: PHONE,
    way: [open('Focuser body, two fixtures'), type('-218.462')],
  },
  { file: 'length-wide', size: WIDE, way: [open('Focuser body, two fixtures'), type('-218.462')] },
  {
    file: 'face-phone',
    size: PHONE,
    way: [open('Focuser body, two fixtures'), step('face:G54:left'), type('-412.300')],
  },
  { file: 'kept-phone', size: PHONE, way: [open('Spider hub'), shows('still good')] },
  {
    file: 'tool-phone',
    size: PHONE,
    way: [
      (page) => page.getByRole('link', { name: 'Tools' }).click(),
      (page) => page.getByRole('link', { name: /16 mm end mill/ }).click(),
      shows('Measured'),
    ],
  },
  {
    file: 'gauge-phone',
    size: PHONE,
    way: [
      (page) => page.getByRole('link', { name: 'Shop' }).click(),
      (page) => page.getByRole('link', { name: 'checks of 50 mm setter' }).click(),
      (page) =>
        page
          .getByRole('img', { name: /10 checks/ })
          .locator('svg')
          .waitFor(),
    ],
  },
  {
    file: 'program-wide',
    size: WIDE,
    way: [
      open('Drawtube flange'),
      (page) => page.getByTestId('program').click(),
      shows('What it reaches'),
    ],
  },
  { file: 'mismatch-phone', size: PHONE, way: [open('Clamp ring'), shows('The sign is turned')] },
  {
    file: 'table-phone',
    size: PHONE,
    way: [
      open('Clamp ring'),
      (page) => page.getByRole('button', { name: /^menu/ }).click(),
      (page) => page.getByTestId('table').click(),
      fillTable,
      shows('differs'),
    ],
  },
  {
    file: 'proof-phone',
    size: PHONE,
    way: [open('Eyepiece adapter'), shows('Send T3 over zero')],
  },
  {
    file: 'share-phone',
    size: PHONE,
    way: [
      open('Focuser body, two fixtures'),
      (page) => page.getByRole('button', { name: /^menu/ }).click(),
      (page) => page.getByTestId('share').click(),
      (page) => page.getByRole('radio', { name: 'in it, marked' }).click(),
    ],
  },
  {
    file: 'plan-phone',
    size: PHONE,
    way: [
      open('Spider hub'),
      (page) => page.getByRole('button', { name: /^menu/ }).click(),
      (page) => page.getByTestId('plan').click(),
      shows('Need not be touched'),
    ],
  },
  {
    file: 'machine-phone',
    size: PHONE,
    way: [
      (page) => page.getByRole('link', { name: 'Shop' }).click(),
      (page) => page.getByRole('link', { name: 'Router', exact: true }).click(),
      shows('What its control holds'),
    ],
  },
  {
    file: 'trace-phone',
    size: PHONE,
    way: [
      open('Focuser body, two fixtures'),
      step('tip-on-plane:T1'),
      (page) => page.getByTestId('implied').click(),
    ],
  },
  {
    file: 'record-wide-dark',
    size: WIDE,
    scheme: 'dark',
    way: [open('Mirror cell plate'), shows('Released')],
  },
  {
    file: 'new-setup-phone',
    size: PHONE,
    way: [
      open('New set-up'),
      async (page) => {
        await page.getByTestId('job-name').fill('Focuser body, second side')
        await page.getByRole('radio', { name: 'Mill 2' }).click()
        await page.getByText('the last set-up on it').waitFor()
        await page.getByTestId('tool-name-0').fill('10 mm end mill')
        await page.getByTestId('go-on').click()
        for (const [axis, size] of Object.entries({ X: '120', Y: '80', Z: '40' }))
          await page.getByTestId(`stock-${axis}`).fill(size)
        await page.getByRole('radio', { name: 'middle of the front side' }).click()
        await page.evaluate(() => globalThis.scrollTo(0, 0))
      },
    ],
  },
  { file: 'shop-wide', size: WIDE, way: [open('Shop'), shows('50 mm setter')] },
]

async function signIn(page, address) {
  await page.goto(address)
  await page.getByRole('button', { name: 'Mira Toller' }).click()
  for (const key of '2468') await page.getByRole('button', { name: key, exact: true }).click()
  await page.getByTestId('next').click()
  await page.getByRole('heading', { name: 'Set-ups' }).waitFor()
}

/** The set-up sheet of a released job as it comes out of a printer, drawn by Debian's poppler-utils where it is installed. */
async function paper(browser, address, file) {
  const context = await browser.newContext()
  const page = await context.newPage()
  await signIn(page, address)
  await open('Mirror cell plate')(page)
  await page.waitForURL(/setups\/.{36}/)
  const [, id] = /setups\/([0-9a-f-]{36})/.exec(page.url())
  const answer = await page.request.get(`${address}/api/setups/${id}/set-up-sheet.pdf`)
  const args = ['-png', '-r', '90', '-singlefile', '-', file.replace(/\.png$/, '')]
  execFileSync('pdftoppm', args, { input: await answer.body() })
  await context.close()
}

await runScript(async () => {
  const url = process.env['DATABASE_URL']
  if (!url)
    throw new Trouble(
      'DATABASE_URL is not set: run node scripts/with-database.mjs node scripts/take-screenshots.mjs',
    )
  const wanted = process.argv.slice(2)
  execFileSync(
    join(postgresFolder(), 'psql'),
    [url, '-qc', 'DROP DATABASE IF EXISTS pine_pictures', '-c', 'CREATE DATABASE pine_pictures'],
    { stdio: ['ignore', 'ignore', 'inherit'] },
  )
  const databaseUrl = Object.assign(new URL(url), { pathname: '/pine_pictures' }).href
  const server = await startServer({ databaseUrl, port: await freePort(), demo: true })
  const browser = await chromium.launch({
    executablePath: chromiumPath(),
    args: CHROMIUM_FLAGS,
  })
  const picture = (file) => join(ROOT, 'docs/screenshots', `${file}.png`)
  try {
    for (const { file, size, scheme = 'light', way } of VIEWS.filter(
      (view) => wanted.length === 0 || wanted.includes(view.file),
    )) {
      const context = await browser.newContext({ viewport: size, colorScheme: scheme })
      const page = await context.newPage()
      await signIn(page, server.address)
      for (const go of way) await go(page)
      await page.waitForTimeout(700)
      await page.screenshot({ path: picture(file) })
      await context.close()
    }
    if (wanted.length === 0 || wanted.includes('set-up-sheet'))
      await paper(browser, server.address, picture('set-up-sheet'))
  } finally {
    await browser.close()
    await server.stop()
  }
})
