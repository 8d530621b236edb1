import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { SENSOR_TWO_FIXTURES } from '../support/sheets'

test('every step in two presses, the last touch once more, a number to its reading, and the way back', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signInByKeys('Mira Toller')
  await page.getByText('Focuser body, two fixtures').click()
  // Which tool is next depends on what other tests read in this demonstration.
  const heading = page.getByRole('heading', { level: 1 })
  await expect(heading).toHaveText(/^Lower T\d onto/)
  const next = await heading.innerText()
  await page.getByTestId('menu').click()
  await mira.look('menu')
  await page
    .getByRole('navigation', { name: 'every step' })
    .getByText('T1 · 50 mm face mill')
    .click()
  await expect(page.getByText('−187.594 mm')).toBeVisible()
  // From a number to the touch that it was read at.
  await page.getByTestId('implied').click()
  await page
    .getByTestId('trace')
    .getByRole('button', { name: /to the touch nose-on-plane/ })
    .click()
  await expect(heading).toHaveText(/nose/)
  await mira.look('back-to')
  await page.getByTestId('back-to').click()
  await expect(heading).toHaveText(next)
  // The touch before, made once more: what is done there leads back.
  await page.getByTestId('menu').click()
  await page.getByTestId('last-touch').click()
  await expect(page.getByTestId('reading')).toBeVisible()
  await expect(page.getByText(/once more/).first()).toBeVisible()
  await page.getByTestId('back-to').click()
  await expect(heading).toHaveText(next)
})

test('a note to the next shift stands above every step until somebody else has read it', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signInByKeys('Mira Toller')
  await page.getByText('Focuser body, two fixtures').click()
  await page.getByTestId('menu').click()
  await page.getByTestId('leave-note').click()
  await page.getByTestId('note-left').click()
  await expect(page.getByRole('alert')).toHaveText('Type a few words.')
  await page.getByTestId('note-text').fill('T5 is the short drill today')
  await page.getByTestId('note-left').click()
  await expect(page.getByTestId('note')).toContainText('T5 is the short drill today')
  await expect(page.getByTestId('note-seen')).toBeHidden()
  await mira.look('note')
  await mira.signOut()
  await mira.signInByKeys('Jory Fenn')
  await page.getByText('Focuser body, two fixtures').click()
  await expect(page.getByTestId('note')).toContainText('Mira Toller')
  await page.getByTestId('note-seen').click()
  await expect(page.getByTestId('note')).toBeHidden()
})

test('the number of the display is said where it is read: a counter zeroed with the nose shows a length', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  // A set-up of its own: others read in those of this demonstration.
  await mira.begin({ ...SENSOR_TWO_FIXTURES, name: 'By the display' })
  await mira.ready()
  await mira.goTo('tip-on-plane:T1')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Lower T1/)
  await page.getByTestId('which-number').click()
  await page.getByRole('radio', { name: 'relative counter' }).click()
  await page.getByTestId('position-done').click()
  await expect(page.getByTestId('which-number')).toContainText('Relative Z')
  // Where it was zeroed is asked, not assumed.
  await mira.keys('98.214')
  await page.getByTestId('next').click()
  await expect(page.getByRole('alert')).toHaveText(/Say where the relative counter was zeroed/)
  await page.getByTestId('which-number').click()
  await mira.look('which-number')
  await page.getByRole('radio', { name: 'with the bare nose, on this same surface' }).click()
  await page.getByTestId('position-done').click()
  await expect(page.getByTestId('implied')).toHaveText('98.214')
  await mira.look('relative-counter')
})
