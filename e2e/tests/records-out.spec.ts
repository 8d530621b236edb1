import { readFileSync, writeFileSync } from 'node:fs'
import { v7 as uuid } from 'uuid'
import { readOffsetText } from '@pine/core/offset-text'
import { barriers } from '../support/accessible'
import { declare, enterFact, PLAIN_CONTROL } from '../support/declare'
import { Machinist } from '../support/machinist'
import { expect, Product, test } from '../support/product'
import { mm, ONE_VISE } from '../support/sheets'
import { visit } from '../support/visit'

// What is recorded leaves as a program, a table and a sheet on paper, and a control's whole table comes back in one go.

test('offsets leave as a program, come back as a table in one go, and print; a wrong row is named', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  const [machineId, id] = [uuid(), uuid()]
  const control = { ...PLAIN_CONTROL, offsetProgram: { offsets: 'L2', tools: 'L10' } }
  const machine = { name: 'Handing mill', kind: 'mill', control }
  await declare(page, demo.address, ['machine', machineId], machine)
  const setter = { id: uuid(), kind: 'height-setter', name: '50 mm setter', size: mm('50.000') }
  const tools = [1, 2, 3].map((number) => ({
    number,
    name: `tool ${number}`,
    lengthRegister: number,
  }))
  const say = (kind: string, body: object) =>
    enterFact(page, demo.address, ['setup', id], { kind, body })
  await say('sheet', {
    ...{ name: 'Handed over', unit: 'mm', machineId, machine, school: 'setting-plane', zero: '' },
    ...{ plane: 'block on the table', gauges: [setter], tools, ...ONE_VISE },
  })
  for (const [tool, at] of [
    [1, '-220.000'],
    [2, '-231.500'],
    [3, '-198.250'],
  ] as const)
    await say('reading', { of: 'tip-on-plane', tool, read: mm(at), with: [setter.id] })

  // Out: the program says what it leaves out, and holds what is to be keyed.
  await visit(page, `${demo.address}/setups/share?id=${id}`)
  await expect(page.getByTestId('program-writes')).toHaveText('It writes nothing yet.')
  await page.getByRole('radio', { name: 'in it, marked' }).click()
  await expect(page.getByTestId('program-writes')).toHaveText('It writes H1, H2, H3.')
  await mira.look('share')
  expect(await barriers(page)).toEqual([])
  const saved = async (press: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByTestId(press).click(),
    ])
    return { name: download.suggestedFilename(), text: readFileSync(await download.path(), 'utf8') }
  }
  const program = await saved('share-offset-program')
  expect(program.name).toBe('handed-over-offsets.nc')
  expect(program.text).toContain('(WRITTEN FOR MIRA TOLLER')
  const { rows } = readOffsetText(program.text, 'mm', { control: PLAIN_CONTROL } as never)
  expect(rows.map(({ address, shown }) => `${address} ${shown.text}`)).toEqual([
    'H1 -270.000',
    'H2 -281.500',
    'H3 -248.250',
  ])
  const table = await saved('share-registers-table')
  expect(table.name).toBe('handed-over-registers.csv')
  expect(table.text).toContain('\r\nH2,T2,-281.500,read,')
  const sheet = await page.request.get(`${demo.address}/api/setups/${id}/set-up-sheet.pdf?paper=A4`)
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-')

  // In: the control's table, with one row whose sign was lost. What is half pasted survives a reload.
  for (const [register, typed] of [
    ['H1', '-270.000'],
    ['H2', '-281.500'],
    ['H3', '-248.250'],
  ])
    await say('key-in', { address: register, mode: 'set', typed: mm(typed!) })
  await visit(page, `${demo.address}/setups/table?id=${id}`)
  await page.getByTestId('table-text').fill('H1 -270.000\nH2 281.500\nH3 -248.250\nhello\n')
  await expect(page.getByTestId('row-H1')).toContainText('as it should be')
  await expect(page.getByTestId('row-H2')).toContainText('differs')
  await expect(page.getByTestId('row-H2')).toContainText('sign')
  await expect(page.getByTestId('table-problems')).toContainText('Line 4, “hello”: Not understood')
  await mira.look('table')
  expect(await barriers(page)).toEqual([])
  await page.reload()
  await expect(page.getByTestId('row-H2')).toContainText('differs')
  await page.getByTestId('enter-table').click()
  await page.waitForURL(new RegExp(`/setups/${id}`))
  await mira.sent()
  const { registers } = (await (
    await page.request.get(`${demo.address}/api/setups/${id}/solution`)
  ).json()) as {
    registers: { address: string; state: string; readBack: { equal: boolean } | null }[]
  }
  const found = registers
    .filter(({ address }) => address.startsWith('H'))
    .map(({ address, state, readBack }) => [address, state, readBack?.equal])
  expect(found).toEqual([
    ['H1', 'keyed', true],
    ['H2', 'read', false],
    ['H3', 'keyed', true],
  ])
  // The next shift reads it on one screen, and takes it along as text.
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write'])
  await visit(page, `${demo.address}/setups/hand-over?id=${id}`)
  await expect(page.getByRole('alert')).toContainText(
    'H2: the control does not show what it should',
  )
  await mira.look('hand-over')
  expect(await barriers(page)).toEqual([])
  await page.getByTestId('copy-hand-over').click()
  await expect(page.getByTestId('copied')).toContainText('Copied')
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain(
    'Suspect:\n- H2: the control does not show what it should',
  )
  // What happened is told in words, and found by them.
  await visit(page, `${demo.address}/setups/log?id=${id}`)
  await expect(page.getByText('The set-up “Handed over” was begun.')).toBeVisible()
  await mira.look('log')
  expect(await barriers(page)).toEqual([])
  await page.getByTestId('find-in-log').fill('H2 shows')
  await expect(page.getByRole('listitem')).toHaveCount(1)
  await expect(page.getByRole('listitem')).toContainText('H2 shows 281.500 mm.')
  await visit(page, `${demo.address}/setups/${id}?step=key-in:H2`)
  await expect(page.getByTestId('mismatch')).toBeVisible()
})

test('a shop leaves as one file and comes into an empty one, its release as it was frozen', async ({
  page,
  demo,
}, about) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await visit(page, `${demo.address}/shop`)
  await expect(page.getByTestId('archive')).toBeVisible()
  const zip = await page.request.get(`${demo.address}/api/archive`)
  const file = about.outputPath('shop.pine.zip')
  writeFileSync(file, await zip.body())
  const answered = async (address: string, path: string) =>
    (await page.request.get(`${address}/api${path}`)).json()
  const { setups } = (await answered(demo.address, '/setups')) as {
    setups: { id: string; name: string; recorded: boolean }[]
  }
  const released = setups.find(({ recorded }) => recorded)!
  const facts = async (address: string) =>
    (
      (await answered(address, `/setups/${released.id}`)) as {
        file: { facts: { id: string; kind: string }[] }
      }
    ).file.facts
  const record = (await facts(demo.address)).find(({ kind }) => kind === 'record')!
  const frozen = (address: string) =>
    answered(address, `/setups/${released.id}/records/${record.id}`)
  const [before, factsBefore] = [await frozen(demo.address), await facts(demo.address)]

  const other = await Product.start(false)
  try {
    await page.context().clearCookies()
    await new Machinist(page, other.address).introduce('Nora Vale', '135790')
    expect(await other.restore(file)).toMatch(
      /\d+ facts of \d+ set-ups, machines, gauges and tools, \d+ releases/,
    )
    await page.goto(other.address)
    for (const { name } of setups.slice(0, 3))
      await expect(page.getByText(name).first()).toBeVisible()
    expect(await frozen(other.address)).toEqual(before)
    expect(await facts(other.address)).toEqual(factsBefore)
  } finally {
    await other.close()
  }
})
