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
  {
    file: 'height-phone',
    size: PHONE,
    way: [
      open('Focuser body, two fixtures'),
      step('carried-difference:G54'),
      (page) => page.getByRole('radio', { name: 'on the stock top' }).click(),
      type('28.500'),
    ],
  },
  { file: 'mismatch-phone', size: PHONE, way: [open('Clamp ring'), shows('The sign is turned')] },
  {
    file: 'bore-phone',
    size: PHONE,
    way: [
      open('Eyepiece adapter'),
      step('circle-point:G54:2'),
      (page) => page.getByRole('button', { name: 'Replace it' }).click(),
      (page) => page.getByRole('radio', { name: 'touched it again' }).click(),
      (page) => page.getByTestId('number-read').fill('-300.004'),
      (page) => page.getByTestId('number-readY').fill('-185.008'),
    ],
  },
  {
    file: 'proof-phone',
    size: PHONE,
    way: [open('Eyepiece adapter'), shows('Send T3 over zero')],
  },
  {
    file: 'changed-phone',
    size: PHONE,
    way: [
      open('Eyepiece adapter'),
      (page) => page.getByTestId('changed').click(),
      (page) => page.getByRole('radio', { name: 'A tool broke' }).click(),
      (page) => page.getByTestId('it-happened').waitFor(),
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
  } finally {
    await browser.close()
    await server.stop()
  }
})
