import { barriers } from '../support/accessible'
import { Machinist } from '../support/machinist'
import { expect, Product, test } from '../support/product'
import { visit } from '../support/visit'

// A tool is measured again with no job in hand. The demonstration’s T3 is 88.952 mm long; the nose is at −300 on the 50 mm setter here.

interface Listed {
  readonly id: string
  readonly tool: { readonly place?: { readonly pocket: number } }
}

test('a tool is measured again: kept, another corrected, and whoever works with it is told', async ({
  page,
}) => {
  // A demo of its own: what others set up last on this mill is counted otherwise.
  const demo = await Product.start(true)
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  const { tools } = (await (await page.request.get(`${demo.address}/api/tools`)).json()) as {
    tools: readonly Listed[]
  }
  const third = tools.find(({ tool }) => tool.place?.pocket === 3)!
  await visit(page, `${demo.address}/tools/${third.id}`)
  await page.getByTestId('measure-again').click()
  await page.getByTestId('recheck-begin').click()
  await page.getByRole('button', { name: 'It is home' }).click()
  await mira.keys('-300.000')
  await mira.next()
  await mira.keys('-211.040')
  await expect(page.getByText('last time 88.952 mm')).toBeVisible()
  await mira.next()
  await expect(page.getByText('What does H3 show now?')).toBeVisible()
  await mira.keys('88.952')
  await mira.next()
  await expect(page.getByText('T3 is 0.008 mm longer than H3 says.')).toBeVisible()
  expect(await barriers(page)).toEqual([])
  await page.getByTestId('recheck-keep').click()
  await expect(page.getByTestId('rechecked')).toContainText('88.952 mm holds')

  // The next one slipped: its row is keyed anew, and read back.
  await page.getByTestId('recheck-T4').click()
  await mira.keys('-180.000')
  await mira.next()
  if (await page.getByTestId('surprise').isVisible()) await mira.next()
  await expect(page.getByText('What does H4 show now?')).toBeVisible()
  await mira.keys('120.300')
  await mira.next()
  await expect(page.getByText('T4 is 0.300 mm shorter than H4 says.')).toBeVisible()
  await expect(page.getByTestId('recheck-keep')).toBeHidden()
  await page.getByTestId('recheck-correct').click()
  await expect(page.getByTestId('to-type')).toBeVisible()

  const told = async () => {
    const { measured } = (await (
      await page.request.get(`${demo.address}/api/tools/${third.id}`)
    ).json()) as { measured: readonly { setup: string; name: string; open: boolean }[] }
    const others = measured.filter(({ name, open }) => open && !name.startsWith('T3 again'))
    expect(others.length).toBeGreaterThan(0)
    const answer = await page.request.get(`${demo.address}/api/setups/${others[0]!.setup}`)
    const { file } = (await answer.json()) as { file: { facts: readonly unknown[] } }
    return JSON.stringify(file.facts.slice(-4))
  }
  await expect.poll(told).toContain('T3 was measured again: its row held 88.952 mm')
  await demo.close()
})
