import { v7 as uuid } from 'uuid'
import { barriers } from '../support/accessible'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'

test('checks of a setter: its drift and when it is due, one that is off, and what that makes suspect', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await page.getByRole('link', { name: 'Shop' }).click()
  await expect(page.getByText(/good, to be checked by/)).toBeVisible()
  const saving = page.waitForEvent('download')
  await page.getByTestId('due-dates').click()
  const calendar = await (await saving).createReadStream()
  const lines = (await calendar.toArray()).join('').split('\r\n')
  expect(lines).toContain('SUMMARY:Check the 50 mm setter')
  await page.getByRole('link', { name: 'checks of 50 mm setter' }).click()
  await expect(page.getByTestId('stands')).toContainText('Good. To be checked by')
  await expect(page.getByTestId('interval')).toContainText('it drifts by 0.000')
  await expect(page.getByTestId('chart-says')).toContainText('10 checks, on average +0.002 mm')
  await expect(page.getByRole('img', { name: /10 checks/ }).locator('svg')).toBeVisible()
  await mira.look('gauge-checks')
  expect(await barriers(page)).toEqual([])

  // Half typed and not a number: told, with what to do.
  await page.getByTestId('check-it').click()
  await page.getByTestId('check-read').fill('5o.015')
  await page.getByRole('button', { name: 'Keep this check' }).click()
  await expect(page.getByText('is not a number')).toBeVisible()
  await page.getByTestId('check-read').fill('50.015')
  await expect(page.getByTestId('check-against')).toHaveValue('50 mm gauge block')
  await page.getByRole('button', { name: 'Keep this check' }).click()

  await expect(page.getByTestId('stands')).toContainText('Its last check was not good.')
  await expect(page.getByText('+0.015 mm')).toBeVisible()
  const suspect = page.getByTestId('suspect')
  await expect(suspect.getByRole('link', { name: 'Focuser body, two fixtures' })).toBeVisible()
  await expect(suspect.getByText('Clamp ring')).toBeHidden()
  await mira.look('gauge-suspect')
  await page.setViewportSize({ width: 1280, height: 800 })
  await mira.look('gauge-wide')
  expect(await barriers(page)).toEqual([])
  await page.setViewportSize({ width: 360, height: 560 })
  await mira.look('gauge-small')
  expect(await barriers(page)).toEqual([])
  // Told in those that are open: their lengths say why they do not hold any more.
  await page.setViewportSize({ width: 390, height: 844 })
  await page.getByTestId('tell-suspects').click()
  await expect(page.getByTestId('untold')).toContainText('Those that are open know of it')
  await mira.look('gauge-told')
  await suspect.getByRole('link', { name: 'Focuser body, two fixtures' }).click()
  await expect(page.getByText('Focuser body, two fixtures').first()).toBeVisible()
  await page.waitForURL(/setups\/.{36}/)
  await mira.goTo('key-in:H1')
  await expect(page.getByTestId('stale')).toContainText('The 50 mm setter failed its check')

  // Who comes to work sees it first of all.
  await mira.leaveFor(demo.address)
  await expect(page.getByTestId('gauges-call')).toHaveText('One gauge is not to be trusted')
  await mira.look('gauges-call')
  await page.getByTestId('gauges-call').click()
  await page.getByRole('link', { name: 'checks of 50 mm setter' }).click()

  // Good again: nothing is suspect by it any more.
  await page.getByTestId('check-it').click()
  await page.getByTestId('check-read').fill('50.002')
  await page.getByRole('button', { name: 'Keep this check' }).click()
  await expect(page.getByTestId('suspect')).toBeHidden()

  // And measured anew in the set-ups that were told: what was read with it holds again.
  const api = `${demo.address}/api`
  const gauges = await (await page.request.get(`${api}/gauges`)).json()
  const { id: gauge } = gauges.find((one: any) => one.gauge.name === '50 mm setter')
  const setups = await (await page.request.get(`${api}/setups`)).json()
  for (const { id } of setups) {
    const { file } = await (await page.request.get(`${api}/setups/${id}`)).json()
    if (!file.facts.some(({ body }: any) => body.kind === 'check-failed')) continue
    const size = { text: '50.000', unit: 'mm' }
    const body = { kind: 'gauge-measured', gauge, size, since: 'last-good' }
    const said = await page.request.post(`${api}/setups/${id}/facts`, {
      data: { id: uuid(), kind: 'event', body },
    })
    expect(said.status(), await said.text()).toBe(201)
    const { registers } = await (await page.request.get(`${api}/setups/${id}/solution`)).json()
    expect(registers.filter(({ stale }: any) => /failed its check/.test(stale))).toEqual([])
  }
})

test('a gauge that nobody watches says so; a lead says what it may be off, a setter may not', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await page.getByRole('link', { name: 'Shop' }).click()
  await page.getByRole('link', { name: 'checks of 25 mm block' }).click()
  await expect(page.getByText('Nobody has said what it may be off.')).toBeVisible()
  await page.getByTestId('watch-it').click()
  await page.getByTestId('watch-limit').fill('0.002')
  await page.getByRole('button', { name: 'Hold its checks to this' }).click()
  await expect(page.getByText('Say why')).toBeVisible()
  await page.getByTestId('watch-reason').fill('every length of the router hangs on it')
  await page.getByRole('button', { name: 'Hold its checks to this' }).click()
  await expect(page.getByTestId('stands')).toContainText('Never checked')
  await mira.look('gauge-never')
  // Corrected later, it is watched as before.
  await page.getByRole('button', { name: 'Back to the gauges' }).click()
  await expect(page.getByText('never checked')).toBeVisible()
})
