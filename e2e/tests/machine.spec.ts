import { v7 as uuid } from 'uuid'
import { barriers } from '../support/accessible'
import { declare, PLAIN_CONTROL } from '../support/declare'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'

// A machine over time: the demonstration's router, and one of which nobody has said what its screws lose.

test('what a control holds is told with who keyed it; a screw is tested and counted with', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await page.getByRole('link', { name: 'Shop' }).click()
  await page.getByRole('link', { name: 'Router', exact: true }).click()
  await expect(page.getByTestId('offsets')).toContainText('G54 X')
  await expect(page.getByTestId('offsets')).toContainText('shown · ')
  await mira.look('machine')
  expect(await barriers(page)).toEqual([])
  await page.setViewportSize({ width: 1280, height: 800 })
  await mira.look('machine-wide')
  await page.setViewportSize({ width: 390, height: 844 })

  // A machine of the test's own: what others begin on those of the demonstration stays as it was.
  const machine = {
    ...{ name: 'Worn mill', kind: 'mill' },
    control: PLAIN_CONTROL,
  }
  const id = uuid()
  await declare(page, demo.address, ['machine', id], machine)
  await page.getByRole('button', { name: 'The shop' }).click()
  await page.getByRole('link', { name: 'Worn mill' }).click()
  await expect(page.getByTestId('screws')).toContainText('Y Not measured')
  await page.getByTestId('test-screw').click()
  await page.getByRole('radio', { name: 'Y', exact: true }).click()
  await page.getByRole('button', { name: /mm/ }).first().click()
  const read = [
    ['1.0012', '1.0000'],
    ['2.0013', '2.0001'],
    ['3.0012', '2.9999'],
  ] as const
  for (const [index, [plus, minus]] of read.entries()) {
    await page.getByTestId(`plus-${index}`).fill(plus)
    if (index === 1) {
      // Read from one side only: told, and nothing is lost.
      await page.getByRole('button', { name: 'Keep this test' }).click()
      await expect(page.getByText('This place was read from one side only')).toBeVisible()
    }
    await page.getByTestId(`minus-${index}`).fill(minus)
  }
  await expect(page.getByTestId('reversal-told')).toContainText('The screw loses 0.0012 in')
  await page.getByTestId('reversal-told').scrollIntoViewIfNeeded()
  await mira.look('machine-test')
  expect(await barriers(page)).toEqual([])
  await page.getByRole('button', { name: 'Keep this test' }).click()
  await expect(page.getByTestId('screws')).toContainText('by 3 pairs')
  await page.getByTestId('count-Y').click()
  await expect(page.getByTestId('screws')).toContainText('Counted with 0.0012 in')
  await expect(page.getByTestId('count-Y')).toBeHidden()
  await page.getByTestId('screws').scrollIntoViewIfNeeded()
  await mira.look('machine-screws')
  expect(await barriers(page)).toEqual([])
})
