import type { Page } from '@playwright/test'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { PART_TOP_SHIM } from '../support/sheets'
import { visit } from '../support/visit'

/** Opens the demo's focuser body at the length of T4. */
async function atToolFour(page: Page, address: string): Promise<Machinist> {
  const mira = new Machinist(page, address)
  await mira.signIn('Mira Toller')
  await page.getByText('Focuser body, two fixtures').click()
  await page.waitForURL(/setups\/.{36}/)
  // Whichever tool is next here: others read in this demonstration too.
  await mira.goTo('tip-on-plane:T4')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'Lower T4 onto the 50 mm setter.',
  )
  return mira
}

test('each kind of bad number gets its own words, and stays in the field', async ({
  page,
  demo,
}) => {
  const mira = await atToolFour(page, demo.address)
  for (const [typed, words] of [
    ['', 'There is no number yet'],
    ['words', '“words” is not a number'],
    ['1.2.3', 'two decimal points'],
    ['1e9', 'exponent'],
    ['218,462', 'Write 218.462 if the comma is a decimal'],
    ['5 cm', 'mm or in'],
    ['999999999', 'lost decimal point'],
  ] as const) {
    await page.getByTestId('reading').fill(typed)
    await mira.next()
    await expect(page.getByRole('alert')).toContainText(words)
    await expect(page.getByTestId('reading')).toHaveValue(typed)
  }
})

test('what is half typed survives a reload, with its unit and its gauge', async ({
  page,
  demo,
}) => {
  const mira = await atToolFour(page, demo.address)
  await page.getByTestId('reading').fill('')
  await mira.keys('-218.4')
  await page.getByRole('button', { name: 'change the unit of this number' }).click()
  // Another gauge takes the place of the first, until it is said that it lies on top of it.
  await page.getByTestId('with').click()
  await page.getByRole('checkbox', { name: 'paper' }).click()
  const setter = page.getByRole('checkbox', { name: /^50 mm setter/ })
  await expect(setter).toHaveAttribute('aria-checked', 'false')
  await setter.click()
  await page.getByTestId('stacking').click()
  await page.getByRole('checkbox', { name: 'paper' }).click()
  await page.getByRole('button', { name: 'Done' }).click()
  await page.reload()
  await expect(page.getByTestId('reading')).toHaveValue('-218.4')
  await expect(page.getByTestId('with')).toHaveText('50 mm setter on paper')
  await expect(page.getByText('in', { exact: true })).toBeVisible()
})

test('the drawing follows every key, and a number tells where it comes from', async ({
  page,
  demo,
}) => {
  await atToolFour(page, demo.address)
  await page.getByTestId('reading').fill('-218.462mm')
  const ladder = page.getByRole('img', { name: /Heights from the top/ })
  await page.getByTestId('with').click()
  const paper = page.getByRole('checkbox', { name: 'paper' })
  if ((await paper.getAttribute('aria-checked')) === 'true') await paper.click()
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(ladder).toHaveAccessibleName(/nose -218.462 mm, tip -300.000 mm, plane -350.000 mm/)
  await page.getByTestId('reading').fill('-208.462mm')
  await expect(ladder).toHaveAccessibleName(/nose -208.462 mm/)
  await page.getByTestId('implied').click()
  await expect(page.getByTestId('trace')).toContainText('machine Z, bare nose at the touch')
  await expect(page.getByTestId('trace')).toContainText('− (−300.000) mm')
  await expect(page.getByTestId('trace')).toContainText('91.538 mm')
  await page.keyboard.press('Escape')
  await expect(page.getByTestId('trace')).toBeHidden()
})

test('a reading taken while the server is down is kept, and arrives by itself', async ({
  page,
  demo,
}) => {
  const mira = await atToolFour(page, demo.address)
  await page.getByTestId('reading').fill('')
  await demo.halt()
  await page.getByTestId('reading').fill('-218.462mm')
  await mira.next()
  await expect(page.getByText('1 entry is kept on this device')).toBeVisible()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Lower T5/)
  await demo.run()
  await mira.sent()
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Lower T5/)
})

test('what is on its way for a moment moves nothing under the thumb; what stays away is told', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await mira.begin(PART_TOP_SHIM)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Home the machine/)
  let answer = () => {}
  const answered = new Promise<void>((resolve) => (answer = resolve))
  await page.route('**/api/streams/setup/*/facts*', async (route) => {
    await answered
    await route.continue()
  })
  const topOfTrail = async () => (await page.getByRole('navigation').boundingBox())?.y
  const before = await topOfTrail()
  await page.getByTestId('next').click()
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(/Home the machine/)
  expect(await topOfTrail()).toBe(before)
  await expect(page.getByText('1 entry is kept on this device and on the way')).toBeVisible()
  answer()
  await expect(page.getByText('on the way')).toBeHidden()
})

test('what one person entered is never sent as another: it waits on the device until they sign in', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signInByKeys('Mira Toller')
  await openFocuser(page)
  await expect(page.getByTestId('reading')).toBeVisible()
  // The server is busy for whatever is entered now.
  const facts = '**/api/streams/setup/*/facts*'
  await page.route(facts, (route) =>
    route.fulfill({
      status: 503,
      json: {
        error: {
          code: 'busy',
          place: '',
          message: 'Busy.',
          expected: '',
          received: '',
          remedy: '',
          problems: [],
        },
      },
    }),
  )
  await page.getByTestId('reading').fill('-218.463')
  await mira.next()
  await expect(page.getByText('1 entry is kept on this device')).toBeVisible()
  await mira.signOut()
  await page.unroute(facts)
  await mira.signInByKeys('Jory Fenn')
  await expect(page.getByText('1 entry is kept here until Mira Toller signs in.')).toBeVisible()
  await mira.look('outbox-of-another')
  await mira.signOut()
  await mira.signInByKeys('Mira Toller')
  await expect(page.getByText('kept here until')).toBeHidden()
  await mira.sent()
  const id = await openFocuser(page)
  const file = await (await page.request.get(`${demo.address}/api/setups/${id}`)).json()
  const entered = file.file.facts.filter(
    (one: { body: { read?: { text: string } } }) => one.body.read?.text === '-218.463',
  )
  expect(entered.map((one: { by: { name: string } }) => one.by.name)).toEqual(['Mira Toller'])
})

/** Opens the demo's first set-up; its id. */
async function openFocuser(page: Page): Promise<string> {
  await page.getByText('Focuser body, two fixtures').click()
  await page.waitForURL(/setups\/[0-9a-f-]{36}/)
  return /setups\/([0-9a-f-]{36})/.exec(page.url())?.[1] ?? ''
}

test('a negative gauge is refused in words; a wall and a speed are asked where they count', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await page.getByRole('link', { name: 'Shop' }).click()
  await page.getByRole('button', { name: 'Add a gauge' }).click()
  await page.getByTestId('gauge-size').fill('-50')
  await page.getByRole('button', { name: 'Keep this gauge' }).click()
  await expect(page.getByRole('alert')).toContainText('a size cannot be')
  await expect(page.getByTestId('gauge-size')).toHaveValue('-50')

  // What only some gauges have is asked for them alone, and kept.
  await page.getByRole('radio', { name: 'contact plate' }).click()
  await expect(page.getByTestId('gauge-speed')).toHaveCount(0)
  await page.getByTestId('gauge-size').fill('12.5')
  await page.getByTestId('gauge-wall').fill('0')
  await page.getByRole('button', { name: 'Keep this gauge' }).click()
  await expect(page.getByRole('alert')).toContainText('“0” is zero')
  // Told at its own field, and the cursor stands there.
  await expect(page.getByTestId('gauge-wall')).toHaveAttribute('aria-invalid', 'true')
  await expect(page.getByTestId('gauge-wall')).toBeFocused()
  await page.getByTestId('gauge-wall').fill('9.8')
  await page.getByRole('button', { name: 'Keep this gauge' }).click()
  await expect(page.getByText('thickness · wall 9.8 mm')).toBeVisible()
  await page.getByRole('button', { name: 'Add a gauge' }).click()
  await page.getByRole('radio', { name: 'wobbler' }).click()
  await expect(page.getByTestId('gauge-wall')).toHaveCount(0)
  await page.getByTestId('gauge-size').fill('6')
  await page.getByTestId('gauge-speed').fill('600')
  await mira.look('gauge')
  await page.getByRole('button', { name: 'Keep this gauge' }).click()
  await expect(page.getByText('bears 600 rpm')).toBeVisible()

  // A sensor is as long as its stylus makes it: each has its own, and a sheet asks which one is in.
  await page.getByRole('button', { name: 'Add a gauge' }).click()
  await page.getByRole('radio', { name: 'dial sensor' }).click()
  await page.getByTestId('gauge-size').fill('160')
  await page.getByTestId('gauge-name').fill('Sensor of two styli')
  await page.getByTestId('stylus-name-0').fill('short stylus')
  await page.getByTestId('stylus-length-0').fill('160')
  await page.getByTestId('stylus-length-1').fill('180.5')
  await page.getByRole('button', { name: 'Keep this gauge' }).click()
  await expect(page.getByRole('alert')).toHaveText('Call it what is marked on it.')
  await page.getByTestId('stylus-name-1').fill('long stylus')
  await page.getByTestId('stylus-name-1').scrollIntoViewIfNeeded()
  await mira.look('gauge-styli')
  await page.getByRole('button', { name: 'Keep this gauge' }).click()
  await expect(page.getByText('long stylus: 180.5 mm')).toBeVisible()
  await visit(page, `${demo.address}/setups/new`)
  await page.getByTestId('job-name').fill('By the long stylus')
  await page.getByRole('radio', { name: 'Mill 2', exact: true }).click()
  await page.getByTestId('change-lengths').click()
  await page.getByRole('checkbox', { name: 'Sensor of two styli' }).click()
  await page.getByTestId('tool-more-0').click()
  await page.getByRole('radio', { name: /long stylus: 180.5 mm/ }).click()
  await expect(page.getByTestId('tool-length-0')).toHaveValue('180.5')
  await mira.look('tool-stylus')
})

test('a half-written sheet survives a reload, and what is missing is told at its field', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Ansel Okoro')
  await page.getByRole('button', { name: 'New set-up' }).click()
  await page.getByTestId('go-on').click()
  await expect(page.getByText('Give the job a name')).toBeVisible()
  await expect(page.getByText('Choose the machine')).toBeVisible()
  await page.getByTestId('job-name').fill('Half a sheet')
  await page.getByRole('radio', { name: 'Router', exact: true }).click()
  await page.getByTestId('go-on').click()
  await page.getByTestId('stock-X').fill('12,5')
  await page.getByTestId('go-on').click()
  await expect(page.getByText('Write 12.5 if the comma is a decimal')).toBeVisible()
  await page.reload()
  await expect(page.getByTestId('stock-X')).toHaveValue('12,5')
})

test('a machine that is pressed before its last set-up has come brings it all the same', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await page.route(/\/api\/setups\/[0-9a-f-]{36}$/, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500))
    await route.continue()
  })
  await page.getByRole('button', { name: 'New set-up' }).click()
  await page.getByRole('radio', { name: 'Small router' }).click()
  await page.getByTestId('job-name').fill('Typed while it comes')
  await expect(page.getByText(/^As in “.*”, the last set-up on it:$/)).toBeVisible()
  await expect(page.getByTestId('job-name')).toHaveValue('Typed while it comes')
})

test('five wrong PINs slow down', async ({ page, demo }) => {
  // A name of its own: its pause must not keep the runs of the others out.
  const bryn = new Machinist(page, demo.address)
  await bryn.introduce('Bryn Aldous', '1357')
  await page.context().clearCookies()
  await page.evaluate(() => localStorage.clear())
  await page.goto(demo.address)
  await page.getByRole('button', { name: 'Bryn Aldous' }).click()
  for (const left of ['4 more', '3 more', '2 more', '1 more', 'in 30 seconds']) {
    await bryn.keys('0000')
    await bryn.next()
    await expect(page.getByRole('alert')).toContainText(left)
  }
})
