import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { v7 as uuid } from 'uuid'
import { barriers } from '../support/accessible'
import { declare, PLAIN_CONTROL } from '../support/declare'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { visit } from '../support/visit'

// A set-up file from another shop comes in: looked at, set up again on a machine of this shop, and what it held stands beside it.

const EXAMPLE = fileURLToPath(new URL('../../docs/examples/whole-run.json', import.meta.url))

test('a set-up file of another shop is looked at, set up again from, and compared with', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  const machine = { name: 'Mill of this shop', kind: 'mill', control: PLAIN_CONTROL }
  await declare(page, demo.address, ['machine', uuid()], machine)
  await visit(page, demo.address)
  await page.getByTestId('from-file').click()
  // What is no set-up file is told, and the next one may be picked.
  const text = readFileSync(EXAMPLE, 'utf8')
  const pick = (name: string, content: string) =>
    page
      .getByTestId('set-up-file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) })
  await mira.look('from-file-empty')
  await pick('cut.json', text.slice(0, 500))
  await expect(page.getByTestId('file-problems')).toContainText('This is not JSON')
  await mira.look('from-file-cut')
  await pick('plate.json', text)
  await expect(page.getByTestId('file-standing')).toContainText('Nothing of it counts here')
  await mira.look('from-file')
  expect(await barriers(page)).toEqual([])
  const numbers = page.getByTestId('file-numbers')
  await expect(numbers).toContainText('H1')
  await page.getByTestId('again-from-file').click()
  await page.getByRole('radio', { name: 'Mill of this shop' }).click()
  await mira.look('from-file-sheet')
  await page.getByRole('button', { name: 'Next' }).click()
  await page.getByRole('button', { name: 'Start measuring' }).click()
  await mira.ready()
  // It stood at −300 in the file; today everything is a tenth lower.
  await mira.read(/Lower T1 onto the 50 mm setter/, '-220.100')
  await mira.look('from-file-read')
  await mira.sent()
  const id = /setups\/([0-9a-f-]{36})/.exec(page.url())?.[1]
  await visit(page, `${demo.address}/setups/compare?id=${id}`)
  await expect(page.getByRole('radio', { name: 'The file plate.json' })).toBeChecked()
  const h1 = page.getByTestId('differences').getByRole('listitem').filter({ hasText: 'H1' })
  await expect(h1).toContainText('−271.350 → −270.100 mm')
  await mira.look('from-file-compared')
  await visit(page, `${demo.address}/setups/log?id=${id}`)
  await expect(page.getByText('was begun from the file plate.json')).toBeVisible()
})
