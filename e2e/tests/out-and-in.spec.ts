import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { Page } from '@playwright/test'
import { v7 as uuid } from 'uuid'
import { declare, PLAIN_CONTROL } from '../support/declare'
import { Machinist } from '../support/machinist'
import { expect, Product, test } from '../support/product'
import { mm, ONE_VISE } from '../support/sheets'
import { visit } from '../support/visit'

// A set-up is made by hand, printed and handed out; its product is wiped; put into an empty one, every number of it is equal.

const READER = fileURLToPath(new URL('../../formats/test/read-pdf.mjs', import.meta.url))

/** The texts of a PDF, by pdf.js. */
const textsOf = (pdf: Buffer): readonly string[] =>
  (
    JSON.parse(execFileSync(process.execPath, [READER], { input: pdf, encoding: 'utf8' })) as {
      texts: { text: string }[]
    }[]
  ).flatMap(({ texts }) => texts.map(({ text }) => text))

/** Numbers as they stand on paper, with the sign that paper has. */
const numbersIn = (texts: readonly string[]) =>
  texts.flatMap((text) => text.match(/[−+±]?\d+\.\d{3}\b/g) ?? [])

/** All that leaves of a set-up, as a person saves it. */
async function handedOut(page: Page, address: string, id: string) {
  await visit(page, `${address}/setups/share?id=${id}`)
  await page.getByRole('radio', { name: 'in it, marked' }).click()
  const saved = async (what: string) => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByTestId(`share-${what}`).click(),
    ])
    return readFileSync(await download.path())
  }
  const text = async (what: string) => (await saved(what)).toString('utf8')
  const pdf = await page.request.get(`${address}/api/setups/${id}/set-up-sheet.pdf`)
  const print = await page.request.get(`${address}/api/setups/${id}/set-up-sheet.html`)
  return {
    tables: [
      await text('registers-table'),
      await text('readings-table'),
      await text('keyed-table'),
      await text('facts-table'),
    ],
    file: JSON.parse(await text('setup-file')) as unknown,
    // Its head says when and for whom it was written.
    program: (await text('offset-program')).split('\n').filter((line) => line.startsWith('G10')),
    picture: (await saved('ladder-picture')).toString('base64'),
    paper: numbersIn(textsOf(await pdf.body())),
    printView: numbersIn([await print.text()]),
  }
}

test('made, printed, handed out, wiped and put back, every number of a set-up is equal', async ({
  page,
}, about) => {
  const first = await Product.start(false)
  const id = uuid()
  const archive = about.outputPath('shop.pine.zip')
  const out = await (async () => {
    try {
      const mira = new Machinist(page, first.address)
      await mira.introduce('Mira Toller', '135790')
      const machineId = uuid()
      const control = { ...PLAIN_CONTROL, offsetProgram: { offsets: 'L2', tools: 'L10' } }
      const machine = { name: 'Mill that goes', kind: 'mill', control }
      await declare(page, first.address, ['machine', machineId], machine)
      const setter = { id: uuid(), kind: 'height-setter', name: '50 mm setter', size: mm('50.000') }
      await page.request.post(`${first.address}/api/setups`, {
        data: {
          ...{ id, sheetFactId: uuid() },
          sheet: {
            ...{ name: 'Out and in', unit: 'mm', machineId, machine, school: 'setting-plane' },
            ...{ zero: '', plane: 'block on the table', gauges: [setter], ...ONE_VISE },
            tools: [{ number: 1, name: 'end mill', lengthRegister: 1 }],
          },
        },
      })
      await visit(page, `${first.address}/setups/${id}`)
      await mira.ready()
      await mira.read(/Lower T1 onto the 50 mm setter/, '-220.000')
      await mira.goTo('key-in:H1')
      await mira.keyIn('H1', '−270.000')
      await mira.sent()
      const all = await handedOut(page, first.address, id)
      writeFileSync(archive, await (await page.request.get(`${first.address}/api/archive`)).body())
      return all
    } finally {
      await first.close()
    }
  })()
  // What left holds the numbers that were made, each in its own writing.
  expect(out.tables[0]).toContain('\r\nH1,T1,-270.000,')
  expect(out.program).toEqual([expect.stringMatching(/^G10 L10 P1 R-270\.000$/)])
  expect(out.paper).toContain('−270.000')
  expect(out.printView).toContain('−270.000')

  const second = await Product.start(false)
  try {
    await page.context().clearCookies()
    await new Machinist(page, second.address).introduce('Nora Vale', '135790')
    await second.restore(archive)
    expect(await handedOut(page, second.address, id)).toEqual(out)
  } finally {
    await second.close()
  }
})
