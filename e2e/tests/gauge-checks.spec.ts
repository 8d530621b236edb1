import { v7 as uuid } from 'uuid'
import { barriers } from '../support/accessible'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { declare, enterFact } from '../support/declare'
import { mm } from '../support/sheets'
import { visit } from '../support/visit'

test('checks of a setter: its drift and when it is due, one that is off, and what that makes suspect', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await page.getByRole('link', { name: 'Shop' }).click()
  await expect(page.getByText(/in tolerance, next check/)).toBeVisible()
  const saving = page.waitForEvent('download')
  await page.getByTestId('due-dates').click()
  const calendar = await (await saving).createReadStream()
  const lines = (await calendar.toArray()).join('').split('\r\n')
  expect(lines).toContain('SUMMARY:Check the 50 mm setter')
  await page.getByRole('link', { name: 'checks of 50 mm setter' }).click()
  await expect(page.getByTestId('stands')).toContainText('In tolerance. Next check')
  await expect(page.getByTestId('interval')).toContainText('it drifts by 0.000')
  await expect(page.getByTestId('chart-says')).toContainText('10 checks, on average +0.002 mm')
  await expect(page.getByRole('img', { name: /10 checks/ }).locator('svg')).toBeVisible()
  await mira.look('gauge-checks')
  const used = page.getByTestId('used-in')
  await expect(used.getByRole('link', { name: 'Focuser body, two fixtures' })).toBeVisible()
  await used.scrollIntoViewIfNeeded()
  await mira.look('gauge-used')
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
  await suspect.getByRole('link', { name: 'Focuser body, two fixtures' }).click()
  await expect(page.getByText('Focuser body, two fixtures').first()).toBeVisible()

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
})

test('a gauge that nobody watches says so; a lead says what it may be off, a setter may not', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await page.getByRole('link', { name: 'Shop' }).click()
  await page.getByRole('link', { name: 'checks of 25 mm block' }).click()
  await expect(page.getByText('Its tolerance is not set.')).toBeVisible()
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

test('a gauge that failed is told in the set-ups that are open: what leans on it says so there', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  // A setter of its own: what others of this workshop measured is none of its business.
  const id = uuid()
  const gauge = { id, kind: 'height-setter', name: 'Lent setter', size: mm('80.000') }
  await declare(page, demo.address, ['gauge', id], { ...gauge, watch: { limit: mm('0.010') } })
  const check = (read: string) =>
    enterFact(page, demo.address, ['gauge', id], {
      kind: 'gauge-check',
      body: { read: mm(read), against: 'block', master: mm('80.000') },
    })
  await check('80.001')
  const { machine } = (await (await page.request.get(`${demo.address}/api/machines`)).json())[0]
  await mira.begin({
    ...{ name: 'With a lent setter', unit: 'mm', machine, school: 'setting-plane', zero: '' },
    ...{ plane: 'table', stock: { X: mm('50'), Y: mm('50'), Z: mm('20') }, gauges: [gauge] },
    tools: [{ number: 1, name: 'end mill', lengthRegister: 1 }],
    offsets: [
      {
        row: 'G54',
        X: { by: 'one-face', face: 'left', side: 'outside', drawing: mm('0') },
        Y: { by: 'one-face', face: 'front', side: 'outside', drawing: mm('0') },
        Z: { by: 'carried-difference', facing: mm('0') },
      },
    ],
  })
  const setup = page.url()
  await enterFact(page, demo.address, ['setup', /setups\/([0-9a-f-]+)/.exec(setup)![1]!], {
    kind: 'reading',
    body: { of: 'tip-on-plane', tool: 1, read: mm('-220.000'), with: [id] },
  })
  await check('80.030')
  await visit(page, `${demo.address}/gauges/${id}`)
  await expect(page.getByTestId('untold')).toContainText('One is open')
  await mira.look('gauge-untold')
  await page.getByTestId('tell-suspects').click()
  await expect(page.getByTestId('untold')).toContainText('Those that are open know of it')
  expect(await barriers(page)).toEqual([])
  await visit(page, `${setup}?step=key-in%3AH1`)
  await expect(page.getByTestId('stale')).toContainText('The Lent setter failed its check')
})

test('a check that is made where nothing is received stands at once, and arrives later as of then', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  const id = uuid()
  const gauge = { id, kind: 'ball', name: '20 mm ball', size: mm('20.000') }
  const watch = { limit: mm('0.010') }
  await declare(page, demo.address, ['gauge', id], { ...gauge, watch })
  await visit(page, `${demo.address}/gauges/${id}`)
  await expect(page.getByTestId('stands')).toContainText('Never checked')
  await page.context().setOffline(true)
  await page.getByTestId('check-it').click()
  await page.getByTestId('check-read').fill('20.004')
  await page.getByTestId('check-against').fill('20 mm block')
  await page.getByRole('button', { name: 'Keep this check' }).click()
  await expect(page.getByText('No connection. 1 entry is kept on this device')).toBeVisible()
  await expect(page.getByTestId('stands')).toContainText('In tolerance. Next check')
  await expect(page.getByText('+0.004 mm')).toBeVisible()
  await mira.look('gauge-offline')
  expect(await barriers(page)).toEqual([])
  await page.context().setOffline(false)
  await mira.sent()
  const checks = await page.request.get(`${demo.address}/api/gauges/${id}/checks`)
  expect((await checks.json()).checks).toMatchObject([{ read: mm('20.004'), by: 'Mira Toller' }])
  await expect(page.getByText('+0.004 mm')).toBeVisible()
})
