import type { Locator } from '@playwright/test'
import { barriers } from '../support/accessible'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { mm, ROUTER_PLATE, ROUTER_SETTER, ROUTER_WITHOUT_LENGTHS } from '../support/sheets'

test('router with a plate and a tapered bit, then another bit: Z only', async ({ page, demo }) => {
  const ansel = new Machinist(page, demo.address, true)
  await ansel.signIn('Ansel Okoro')
  await ansel.begin(ROUTER_PLATE)
  await ansel.ready()
  await ansel.seeTo(/Seat the part/)

  // A tapered bit would meet the wall elsewhere: a pin stands in for it, the plate's wall counts too.
  await page.getByTestId('with').click()
  await page.getByRole('checkbox', { name: /contact plate/ }).click()
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByText('Clip on, and the circuit shown')).toBeVisible()
  await ansel.look('plate-face')
  await ansel.read(/Left face/, '92.000', '100.000')
  await ansel.read(/Front face/, '42.000', '50.000')
  await ansel.spindle(/T1/, /T1/)
  await ansel.look('plate-top')
  await ansel.read(/Lower T1 onto the stock top, contact plate between/, '-37.300', '−50.000')

  await ansel.keyIn('H1', '0.000')
  await ansel.keyIn('G54 X', '100.000')
  await ansel.keyIn('G54 Y', '50.000')
  await ansel.keyIn('G54 Z', '−50.000', '-37.300')
  await expect(page.getByTestId('mismatch')).toContainText('What lay between was forgotten')
  await page.getByTestId('keyed-again').click()
  await ansel.keyIn('G54 Z', '−50.000')
  await ansel.prove(/Send T1 over zero/, '25.00')

  // Another bit in mid-job: Z and its proof again, never X and Y.
  await page.getByTestId('changed').click()
  await page.getByRole('radio', { name: 'A tool broke' }).click()
  await expect(page.getByTestId('to-do-again')).toHaveText(
    'To do again: G54 Z · T1 on the top, G54 Z, G54 with T1.',
  )
  await expect(page.getByText('As they are: H1, G54 X, G54 Y.')).toBeVisible()
  await ansel.look('bit-changed')
  await page.getByTestId('it-happened').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Lower T1 onto the stock top/)
  await expect(page.getByText('The earlier reading no longer holds')).toBeVisible()
  await ansel.spindle(/T1/, /T1/)
  await ansel.read(/Lower T1 onto the stock top/, '-41.300', '−54.000')
  await ansel.keyIn('G54 Z', '−54.000')
  await ansel.prove(/Send T1 over zero/, '25.00')
  await page.getByRole('button', { name: 'Seen in graphics instead' }).click()
  await ansel.release()
  await expect(page.getByTestId('frozen-G54.X')).toHaveText('100.000 mm')
  await expect(page.getByTestId('frozen-G54.Z')).toHaveText('−54.000 mm')

  // And once more after the release: it is no longer what was released, until it is released anew.
  await page.getByTestId('changed').click()
  await page.getByRole('radio', { name: 'A tool broke' }).click()
  await page.getByTestId('it-happened').click()
  await ansel.spindle(/T1/, /T1/)
  await ansel.read(/Lower T1 onto the stock top/, '-40.300', '−53.000')
  await ansel.keyIn('G54 Z', '−53.000')
  await ansel.prove(/Send T1 over zero/, '25.00')
  await expect(page.getByText('it is to be released anew')).toBeVisible()
  await page.getByTestId('record').click()
  await expect(page.getByTestId('frozen-G54.Z')).toHaveText('−53.000 mm')
})

test('router with a fixed setter: repeats that spread, a turned sign, the setter moved and carried over', async ({
  page,
  demo,
}) => {
  const ansel = new Machinist(page, demo.address, true)
  await ansel.signIn('Ansel Okoro')
  await ansel.begin(ROUTER_SETTER)
  await expect(page.getByText('The first tool touched on the setter after homing')).toBeVisible()
  await expect(page.getByText('tools up to 132.0 mm clear it by 20 mm')).toBeVisible()
  await expect(page.getByText('Tools are changed at Y −20 mm, Z 0 mm')).toBeVisible()
  await ansel.ready()
  // The cycle moves by itself: its contact is asked for before each touch, and a dead one stops it.
  await expect(page.getByTestId('setter-cycle')).toContainText('hold a rule to it first')
  await page.getByRole('radio', { name: 'nothing' }).click()
  await expect(page.getByRole('alert')).toContainText('Do not start the cycle')
  await ansel.keys('-120.000')
  await expect(page.getByTestId('implied')).toHaveText('0.000')
  await ansel.next()
  await ansel.look('setter-dead')
  expect(await barriers(page)).toEqual([])
  await page.getByRole('radio', { name: 'it shows' }).click()
  await ansel.next()
  await expect(page.getByTestId('setter-cycle')).toContainText('T2 is about 62 mm')
  await expect(page.getByRole('radio', { name: 'it shows' })).not.toBeChecked()
  await page.getByRole('radio', { name: 'it shows' }).click()
  await ansel.look('setter-cycle')
  await ansel.read(/Let the cycle lower T2 onto the fixed setter/, '-110.000', '10.000')

  // A repeat with two digits swapped is told, with what it may be, before it is entered.
  await ansel.goTo('tip-on-plane:T2')
  await page.getByRole('button', { name: 'Read it once more' }).click()
  await ansel.keys('-101.000')
  await expect(page.getByTestId('step-warning')).toContainText('the repeats differ by 9.000 mm')
  await expect(page.getByTestId('step-warning')).toContainText('digits')
  await ansel.look('repeat')
  await page.getByTestId('reading').fill('')
  await ansel.keys('-110.004')
  await expect(page.getByTestId('implied')).toHaveText('9.998')
  await page.getByRole('radio', { name: 'it shows' }).click()
  await ansel.next()

  await ansel.seeTo(/Seat the part/)
  await ansel.read(/Left face/, '97.000', '100.000')
  await ansel.read(/Front face/, '47.000', '50.000')
  await ansel.spindle(/T1/, /T1/)
  await ansel.read(/Lower T1 onto the stock top, paper between/, '-150.000', '−150.100')
  await ansel.keyIn('H1', '0.000')
  await ansel.keyIn('H2', '9.998', '-9.998')
  await expect(page.getByTestId('mismatch')).toContainText('The sign is turned')
  await page.getByTestId('keyed-again').click()
  await ansel.keyIn('H2', '9.998')

  // The setter is moved in mid-job. Lengths are compared with the master on it: both ends move alike.
  await page.getByTestId('changed').click()
  await page.getByRole('radio', { name: 'The setter or the setting plane was moved' }).click()
  await expect(page.getByTestId('to-do-again')).toHaveText('Nothing has to be done again.')
  // A tool that was changed past the control: what its cycle told counts from another one, and it is homed anew.
  const changed = page.getByTestId('something-changed')
  await changed.getByRole('button', { name: 'Something else' }).click()
  await page
    .getByRole('radio', { name: 'A tool was changed by hand, without the control’s tool change' })
    .click()
  await expect(page.getByTestId('to-do-again')).toContainText('To do again: Home')
  await ansel.look('cycle-broken')
  await page.getByRole('button', { name: 'Nothing', exact: true }).click()
  await ansel.keyIn('G54 X', '100.000')
  await ansel.keyIn('G54 Y', '50.000')
  await ansel.keyIn('G54 Z', '−150.100')
  await ansel.prove(/Send T1 over zero/, '25.00')
  await ansel.prove(/Send T2 over zero/, '25.00')
  await ansel.airCut('-18.5', '5', '23.500')
  await ansel.release()
})

test('router without length registers: one tool at a time, Z again with each, X and Y never', async ({
  page,
  demo,
}) => {
  const ansel = new Machinist(page, demo.address, true)
  await ansel.signIn('Ansel Okoro')
  await ansel.begin(ROUTER_WITHOUT_LENGTHS)
  // It homes each axis by itself: a touch waits for its own axis, and for no other.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Home the machine/)
  await page.getByRole('checkbox', { name: 'Z is home' }).click()
  await ansel.look('home-axis-by-axis')
  await ansel.next()
  await ansel.seeTo(/Clean the seats/)
  await ansel.seeTo(/Lay out the gauges/)
  await ansel.seeTo(/Seat the part/)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Lower T1 onto the stock top/)
  await ansel.goTo('face:G54:left')
  await expect(page.getByText('First: Home')).toBeVisible()
  await ansel.goTo('home')
  await page.getByRole('checkbox', { name: 'X is home' }).click()
  await page.getByRole('checkbox', { name: 'Y is home' }).click()
  await expect(page.getByTestId('next')).toHaveText('X, Y are home')
  await ansel.next()
  await ansel.read(/Left face/, '95.000', '100.000')
  await ansel.read(/Front face/, '45.000', '50.000')
  await ansel.keyIn('G54 X', '100.000')
  await ansel.keyIn('G54 Y', '50.000')

  // The first tool: touched, keyed, proven, and it cuts.
  await expect(page.getByText('With T1 · 1 of 5')).toBeVisible()
  await ansel.read(/Lower T1 onto the stock top, paper between/, '-30.000', '−30.100')
  await ansel.keyIn('G54 Z with T1', '−30.100')
  await ansel.prove(/Send T1 over zero/, '25.00')
  await ansel.look('tool-by-tool-air-cut')
  await page.getByRole('button', { name: 'Seen in graphics instead' }).click()
  await ansel.seeTo(/Run the program with T1 until it asks for the next tool/)

  // The next one waited for it; the number of the one before is still in the row, and is named.
  await ansel.read(/Lower T2 onto the stock top, paper between/, '-22.000', '−22.100')
  await ansel.keyIn('G54 Z with T2', '−22.100', '-30.100')
  await expect(page.getByTestId('mismatch')).toContainText('Not stored')
  await ansel.look('tool-by-tool-mismatch')
  await page.getByTestId('keyed-again').click()
  await ansel.keyIn('G54 Z with T2', '−22.100')

  // It breaks before it cuts: only its Z goes, X and Y and what T1 cut stay.
  await page.getByTestId('changed').click()
  await page.getByRole('radio', { name: 'A tool broke' }).click()
  await page.getByRole('radio', { name: /T2/ }).click()
  await expect(page.getByTestId('to-do-again')).toHaveText(
    'To do again: T2 · on the top, G54 Z with T2.',
  )
  await page.getByTestId('it-happened').click()
  await ansel.read(/Lower T2 onto the stock top/, '-24.000', '−24.100')
  await ansel.keyIn('G54 Z with T2', '−24.100')
  await ansel.prove(/Send T2 over zero/, '25.00')
  await ansel.seeTo(/Run the program with T2 to its end/)
  await ansel.release()
  await expect(page.getByTestId('frozen-G54.Z.T1')).toHaveText('−30.100 mm')
  await expect(page.getByTestId('frozen-G54.Z.T2')).toHaveText('−24.100 mm')
})

test('a tool that does not clear the setter is told so whole, on a phone and on a wide screen', async ({
  page,
  demo,
}) => {
  const ansel = new Machinist(page, demo.address, true)
  await ansel.signIn('Ansel Okoro')
  const tools = ROUTER_SETTER.tools.map((tool) => ({ ...tool, rough: mm('140') }))
  await ansel.begin({ ...ROUTER_SETTER, name: 'Long bits', tools })
  await ansel.ready()
  // Another gauge is offered; whoever takes the setter all the same reads why not.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Lower T1 onto the 6 mm pin.')
  await page.getByTestId('with').click()
  const pin = page.getByRole('checkbox', { name: '6 mm pin' })
  await pin.click()
  await expect(pin).toHaveAttribute('aria-checked', 'false')
  await page.getByRole('checkbox', { name: 'fixed setter' }).click()
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    'T1 does not clear the fixed setter.',
  )
  for (const [width, height] of [
    [390, 844],
    [1280, 800],
  ] as const) {
    await page.setViewportSize({ width, height })
    await ansel.look(`setter-long-${width}`)
    const right = async (at: Locator) => ((box) => box!.x + box!.width)(await at.boundingBox())
    const told = page.getByTestId('setter-cycle').getByRole('alert')
    const title = page.getByRole('heading', { level: 1 })
    // Another size is another layout: it is there once it is drawn.
    await expect(told).toBeVisible()
    await expect(title).toBeVisible()
    expect(await right(told)).toBeLessThanOrEqual((await right(title)) + 1)
  }
})
