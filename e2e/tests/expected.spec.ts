import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'

test('a rule held to a tool: what should be read stands there, and a lost minus is told before it is entered', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await page.getByRole('link', { name: /Focuser body/ }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Lower T\d onto/)
  await mira.look('expect-vague')
  await page.getByTestId('hold-rule').click()
  await mira.look('expect-rule')
  await page.getByTestId('rule').fill('0')
  await page.getByTestId('rule-taken').click()
  await expect(page.getByRole('alert')).toBeVisible()
  await page.getByTestId('rule').fill('132')
  await page.getByTestId('rule-taken').click()
  await expect(page.getByText(/^Expected −\d+\.\d ± 2\.0 mm \(rule held to T\d\)/)).toBeVisible()
  await mira.look('expect-ruled')
  const expected = await page.getByText(/^Expected /).innerText()
  const [, place] = /−(\d+)\.\d ±/.exec(expected)!
  // A number that is half typed is held against nothing yet; entered so, it is. What it means is worked out on the device.
  await mira.sent()
  const asked: string[] = []
  page.on('request', (request) => asked.push(request.url()))
  await page.getByTestId('reading').fill('-1')
  await expect(page.getByTestId('implied')).toBeVisible()
  await expect(page.getByTestId('surprise')).toBeHidden()
  // What others enter comes meanwhile, typing or not.
  expect(asked.filter((url) => !/\/facts\?from=/.test(url))).toEqual([])
  await mira.next()
  await expect(page.getByTestId('surprise')).toBeVisible()
  await page.getByTestId('reading').fill(`${place}.250`)
  await expect(page.getByTestId('surprise')).toContainText(
    `The sign of a reading was lost? With a minus it is −${place}.250 mm.`,
  )
  await mira.look('expect-surprise')
  await mira.next()
  await expect(page.getByText('To enter it all the same, press Next once more')).toBeVisible()
  await page.getByTestId('reading').fill(`-${place}.250`)
  await expect(page.getByTestId('surprise')).toBeHidden()
})
