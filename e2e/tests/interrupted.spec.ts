import type { Page } from '@playwright/test'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { PART_TOP_SHIM } from '../support/sheets'

/** Goes on by the keyboard alone: what has the keyboard is pressed, once it has it. */
async function enter(page: Page): Promise<void> {
  await page.waitForFunction(() => document.activeElement !== document.body)
  await page.keyboard.press('Enter')
}

const heading = (page: Page, words: RegExp) =>
  expect(page.getByRole('heading', { level: 1 })).toHaveText(words)

/** Walks the page with Tab until something of this name has the keyboard. */
async function tabTo(page: Page, name: string): Promise<void> {
  const target = page
    .getByRole('radio', { name, exact: true })
    .or(page.getByRole('button', { name, exact: true }))
  for (let steps = 0; steps < 60; steps += 1) {
    if (await target.evaluate((element) => element === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`Tab never reaches ${name}`)
}

test('begun on a phone, interrupted, and finished on a wide screen by the keyboard alone', async ({
  browser,
  demo,
}) => {
  const phone = await browser.newPage({ viewport: { width: 390, height: 844 } })
  const mira = new Machinist(phone, demo.address)
  await mira.signInByKeys('Mira Toller')
  await mira.begin({ ...PART_TOP_SHIM, name: 'Interrupted flange' })

  // X and Y before the lengths: both orders are allowed. Home comes before either.
  await mira.goTo('face:G54:left')
  await heading(phone, /First: Home/)
  await mira.look('first-home')
  await phone.getByTestId('to-needed').click()
  await mira.ready()
  await mira.goTo('holding')
  await mira.seeTo(/Seat the part/)
  await mira.goTo('face:G54:left')
  await mira.read(/Left face/, '-412.300', '−407.300')
  await mira.read(/Front face/, '-255.000', '−250.000')

  // Half a number, then the phone is locked; it is there again after the reload.
  await heading(phone, /Lower T1 onto the stock top/)
  await mira.keys('-300.0')
  await phone.reload()
  await expect(phone.getByTestId('reading')).toHaveValue('-300.0')
  await mira.keys('00')
  await mira.next()
  const address = phone.url().split('?')[0]
  await mira.sent()
  await phone.close()

  // Next morning, on the desk: everything that was entered is there, and the next step is open.
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
  const page = await context.newPage()
  const jory = new Machinist(page, demo.address)
  await page.goto(demo.address)
  await page.getByRole('button', { name: 'Jory Fenn' }).press('Enter')
  await expect(page.getByRole('status')).toHaveText('····')
  await page.keyboard.type('24680')
  await page.keyboard.press('Backspace')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Set-ups' })).toBeVisible()
  await page.goto(address ?? '')
  await heading(page, /Lower T2 onto the stock top/)
  await page.keyboard.type('-280.000')
  await expect(page.getByTestId('implied')).toHaveText('−280.100')
  await enter(page)
  // The sign and the last digits of a number that goes down into metal; one press where it is enough to have looked.
  // Both end in 0.100: as many digits as tell them apart.
  for (const [value, typed] of [
    ['−300.100', '-00100'],
    ['−280.100', '-80100'],
  ] as const) {
    await expect(page.getByTestId('to-type')).toHaveText(value)
    await page.keyboard.type(typed)
  }
  await expect(page.getByTestId('to-type')).toHaveText('−407.300')
  await enter(page)
  await expect(page.getByTestId('to-type')).toHaveText('−250.000')
  await tabTo(page, 'It shows something else')
  await enter(page)
  await page.keyboard.type('-25.000')
  await enter(page)
  // A digit went missing: it is named, and mended without leaving the keyboard.
  await expect(page.getByTestId('mismatch')).toContainText('A digit is missing')
  await jory.look('wide-mismatch')
  await enter(page)
  await page.keyboard.type('-250.000')
  await enter(page)
  await expect(page.getByTestId('to-type')).toHaveText('−0.500')
  await page.keyboard.type('-500')
  for (const tool of [1, 2]) {
    await heading(page, new RegExp(`Send T${tool} over zero`))
    if (tool === 2) {
      await enter(page)
      continue
    }
    await tabTo(page, 'It stands otherwise')
    await enter(page)
    await heading(page, new RegExp(`passes under T${tool}`))
    await tabTo(page, 'yes')
    await page.keyboard.press('Space')
    await tabTo(page, `T${tool} in the spindle, and the control says T${tool}`)
    await enter(page)
    await page.getByTestId('number-gap').focus()
    await page.keyboard.type('25.0')
    await jory.look('wide-proof')
    await enter(page)
  }
  await heading(page, /Run the program above/)
  await page.keyboard.type('-12')
  await page.getByTestId('number-margin').fill('8')
  await expect(page.getByTestId('lift')).toHaveText('20.000')
  await jory.look('wide-air-cut')
  await enter(page)
  // Raised by its sign and last digits; let down, it is enough to have looked.
  await heading(page, /Raise external offset Z/)
  await page.keyboard.type('+000')
  await expect(page.getByTestId('lift-active')).toBeVisible()
  await heading(page, /Run it in air/)
  await enter(page)
  await heading(page, /Let down external offset Z/)
  await enter(page)
  await heading(page, /Cut the first part/)
  await jory.look('wide-first-part')
  await page.getByTestId('first-part-done').focus()
  await enter(page)
  await heading(page, /Release it/)
  await enter(page)
  await expect(page.getByTestId('frozen')).toContainText('by Jory Fenn')
  await expect(page.getByTestId('frozen')).toContainText('4 readings')
  // The rail of steps has followed to its end.
  await expect(page.getByRole('navigation').locator('[aria-current=step]')).toBeInViewport()
  await jory.look('wide-released')
  await context.close()
})

test('a machine that asks for a second look waits for another person', async ({
  browser,
  demo,
}) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } })
  const mira = new Machinist(page, demo.address, true)
  await mira.signInByKeys('Mira Toller')
  const machine = { ...PART_TOP_SHIM.machine, policy: { secondLook: true } }
  await mira.begin({ ...PART_TOP_SHIM, machine, tools: PART_TOP_SHIM.tools.slice(0, 1) })
  await mira.ready()
  await mira.seeTo(/Seat the part/)
  await mira.read(/Lower T1/, '-300.000', '−300.100')
  await mira.read(/Left face/, '-412.300')
  await mira.read(/Front face/, '-255.000')
  for (const [register, value] of [
    ['H1', '−300.100'],
    ['G54 X', '−407.300'],
    ['G54 Y', '−250.000'],
    ['G54 Z', '−0.500'],
  ] as const)
    await mira.keyIn(register, value)
  await mira.prove(/Send T1/, '25.00')
  await page.getByRole('button', { name: 'Seen in graphics instead' }).click()
  await page.getByTestId('first-part-done').click()
  await heading(page, /Another person looks over it/)
  await expect(page.getByText('Mira Toller read or keyed numbers in here')).toBeVisible()
  await mira.look('second-look')
  const address = page.url().split('?')[0]

  const other = await browser.newContext({ viewport: { width: 390, height: 844 } })
  const jory = new Machinist(await other.newPage(), demo.address, true)
  await jory.signInByKeys('Jory Fenn')
  await jory.page.goto(address ?? '')
  await jory.seeTo(/Another person looks over it/)
  await jory.page.getByTestId('record').click()
  await expect(jory.page.getByTestId('frozen')).toContainText('Released')
  await other.close()
})
