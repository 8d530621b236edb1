import { v7 as uuid } from 'uuid'
import { declare } from '../support/declare'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { visit } from '../support/visit'

test('a gauge is corrected and taken out of use, and never deleted from what used it', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  const id = uuid()
  const gauge = { id, kind: 'gauge-block', name: 'Block 17', size: { text: '17.000', unit: 'mm' } }
  await declare(page, demo.address, ['gauge', id], gauge)
  const { machine } = (await (await page.request.get(`${demo.address}/api/machines`)).json())[0]
  await mira.begin({
    name: 'Counts with block 17',
    unit: 'mm',
    machine,
    school: 'setting-plane',
    zero: '',
    plane: 'table',
    stock: { X: mm('50'), Y: mm('50'), Z: mm('20') },
    gauges: [gauge],
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
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Home the machine/)
  await expect(page.getByText(/The external offset.* shows X 0 mm, Y 0 mm, Z 0 mm/)).toBeVisible()

  // Corrected: with a reason, from now on.
  await visit(page, demo.address)
  await page.getByRole('link', { name: 'Shop' }).click()
  await page.getByRole('button', { name: 'change Block 17' }).click()
  await page.getByRole('button', { name: 'correct Block 17' }).click()
  await page.getByTestId('gauge-size').fill('17.004')
  await page.getByRole('button', { name: 'It is this from now on' }).click()
  await expect(page.getByText('Say why: it stays with the change')).toBeVisible()
  await page.getByTestId('gauge-reason').fill('measured')
  await page.getByRole('button', { name: 'It is this from now on' }).click()
  await expect(page.getByText('17.004 mm')).toBeVisible()
  await mira.look('shop-corrected')

  // The set-up tells it, counts as it was until that is taken over, and then no more.
  await visit(page, `${setup}?step=gauges`)
  const told = page.getByTestId('gauge-elsewise')
  await expect(told).toContainText('The Block 17 is 17.004 mm in the shop now')
  await mira.look('gauge-elsewise')
  await page.getByRole('button', { name: 'Count with 17.004 mm from now on' }).click()
  await expect(told).toBeHidden()
  await mira.sent()

  // Out of use: offered to no new set-up, and back again.
  await visit(page, demo.address)
  await page.getByRole('link', { name: 'Shop' }).click()
  const card = page
    .getByText('Block 17', { exact: true })
    .locator('xpath=ancestor::*[.//button][1]')
  await page.getByRole('button', { name: 'change Block 17' }).click()
  await card.getByRole('button', { name: 'Take out of use' }).click()
  await card.getByTestId('reason').fill('dropped')
  await card.getByRole('button', { name: 'Take it out of use' }).click()
  await expect(page.getByText('Block 17, out of use')).toBeVisible()
  await visit(page, `${demo.address}/setups/new`)
  await expect(page.getByRole('checkbox', { name: /^10 mm edge finder/ })).toBeVisible()
  await expect(page.getByRole('checkbox', { name: /Block 17/ })).toBeHidden()
  await visit(page, `${setup}?step=gauges`)
  await expect(page.getByText('Block 17', { exact: true })).toBeVisible()
  await visit(page, demo.address)
  await page.getByRole('link', { name: 'Shop' }).click()
  await page.getByRole('button', { name: 'take Block 17 into use again' }).click()
  await expect(page.getByRole('button', { name: 'change Block 17' })).toBeVisible()
})

const mm = (text: string) => ({ text, unit: 'mm' })

test('a gauge that is added where nothing is received is kept, shown, and arrives later', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await visit(page, `${demo.address}/shop`)
  await expect(page.getByText('50 mm setter').first()).toBeVisible()
  await page.context().setOffline(true)
  await page.getByRole('button', { name: 'Add a gauge' }).click()
  await page.getByTestId('gauge-size').fill('31.007')
  await page.getByRole('button', { name: 'Keep this gauge' }).click()
  await expect(page.getByText('31.007 mm height setter')).toBeVisible()
  await expect(page.getByText('No connection. 1 entry is kept on this device')).toBeVisible()
  await mira.look('gauge-offline')
  await page.context().setOffline(false)
  await mira.sent()
  const gauges = await page.request.get(`${demo.address}/api/gauges`)
  expect(
    ((await gauges.json()) as { gauge: { size: { text: string } } }[]).map(
      ({ gauge }) => gauge.size.text,
    ),
  ).toContain('31.007')
})

test('a tool that is added where nothing is received is told on the list, and stands in it once it arrives', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await visit(page, `${demo.address}/tools`)
  await expect(page.getByText('M6 tap')).toBeVisible()
  await page.context().setOffline(true)
  await page.getByRole('button', { name: 'Add a tool' }).click()
  await page.getByTestId('tool-is').fill('12 mm reamer')
  await page.getByRole('button', { name: 'Keep this tool' }).click()
  await expect(page.getByTestId('waiting-tools')).toContainText('12 mm reamer')
  await page.context().setOffline(false)
  await expect(page.getByTestId('waiting-tools')).toBeHidden()
  await expect(page.getByRole('link', { name: /12 mm reamer/ })).toBeVisible()
})
