import { v7 as uuid } from 'uuid'
import { barriers } from '../support/accessible'
import { declare, PLAIN_CONTROL } from '../support/declare'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { visit } from '../support/visit'

// A list of tools as a spreadsheet saved it: looked at, its columns named by sight, imported, and found.

test('tools come in from a list: a column is named, faults are told by row, the good ones stand in the list', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  const machine = { name: 'Importing mill', kind: 'mill', control: PLAIN_CONTROL }
  await declare(page, demo.address, ['machine', uuid()], machine)
  await visit(page, `${demo.address}/tools`)
  await page.getByTestId('import-tools').click()
  // As a spreadsheet of Western Europe writes it: semicolons, decimal commas, its own encoding.
  const list = [
    'Werkzeug;Holder;Dia [mm];Pocket;Colour',
    'Fräser 10;Collet chuck 31;10,000;31;red',
    'Spot drill 6;;6,0;32;',
    'Drill 8;;acht;33;',
    'Reamer 8;;8,000;31;blue',
  ].join('\r\n')
  await page
    .getByTestId('import-file')
    .setInputFiles({ name: 'tools.csv', mimeType: 'text/csv', buffer: Buffer.from(list, 'latin1') })
  await expect(page.getByText('Which column is the name?')).toBeVisible()
  await page.getByTestId('column-0').click()
  await page.getByRole('radio', { name: 'name', exact: true }).click()
  await page.getByRole('radio', { name: 'Importing mill' }).click()
  await expect(page.getByTestId('import-summary')).toHaveText(
    '2 tools can be imported, 2 rows left out.',
  )
  const problems = page.getByTestId('import-problems')
  await expect(problems).toContainText('Row 4 · Dia [mm] · “acht”')
  await expect(problems).toContainText('Row 5 · Pocket · “31”')
  await expect(page.getByTestId('import-sample')).toContainText(
    'Collet chuck 31 · DC 10.000 mm · pocket 31 of Importing mill',
  )
  await mira.look('import')
  expect(await barriers(page)).toEqual([])
  await page.getByTestId('run-import').click()
  await expect(page.getByTestId('imported')).toHaveText('2 tools were imported.')
  await page.getByRole('button', { name: 'To the tools' }).click()
  await page.getByTestId('find').fill('Fräser 10')
  await expect(page.getByTestId('tools')).toContainText('Fräser 10')
})
