import { v7 as uuid } from 'uuid'
import { barriers } from '../support/accessible'
import { declare, PLAIN_CONTROL } from '../support/declare'
import { Machinist } from '../support/machinist'
import { expect, Product, test } from '../support/product'
import { Simulated } from '../support/simulated'
import { mm, ONE_VISE } from '../support/sheets'
import { visit } from '../support/visit'

// A machine tells where it stands: a lead says where it answers, a touch is taken by one press, and what speaks against it is told.

test('touches are taken from the machine by one press; what speaks against one is told; cut off, it is typed', async ({
  page,
}) => {
  test.slow()
  const mill = await Simulated.start()
  const product = await Product.start(false, undefined, mill.host)
  try {
    const mira = new Machinist(page, product.address)
    await mira.introduce('Mira Toller', '135790')
    const machineId = uuid()
    const machine = { name: 'Mill 2', kind: 'mill', control: PLAIN_CONTROL }
    await declare(page, product.address, ['machine', machineId], machine)

    // A lead says where it answers: only what the server lists is asked.
    await visit(page, `${product.address}/machines/${machineId}`)
    await page.getByTestId('change-agent').click()
    await page.getByTestId('agent-address').fill('http://127.0.0.1:1')
    await page.getByTestId('agent-reason').fill('it is on the network now')
    await page.getByRole('button', { name: 'Use this address' }).click()
    await page.getByTestId('ask-machine').click()
    await expect(page.getByText('This server may not ask http://127.0.0.1:1')).toBeVisible()
    await page.getByTestId('change-agent').click()
    await page.getByTestId('agent-address').fill(`http://${mill.host}`)
    await page.getByTestId('agent-reason').fill('another port')
    await page.getByRole('button', { name: 'Use this address' }).click()
    await page.getByTestId('ask-machine').click()
    await expect(page.getByTestId('machine-report')).toContainText('Machine Z, not homed')
    await mira.look('machine-tells')
    expect(await barriers(page)).toEqual([])

    const [id, setter] = [uuid(), uuid()]
    const gauge = { id: setter, kind: 'height-setter', name: '50 mm setter', size: mm('50.000') }
    const finder = { id: uuid(), kind: 'edge-finder', name: '10 mm finder', size: mm('10.000') }
    await page.request.post(`${product.address}/api/setups`, {
      data: {
        ...{ id, sheetFactId: uuid() },
        sheet: {
          ...{ name: 'By capture', unit: 'mm', machineId, machine, school: 'setting-plane' },
          ...{ zero: '', plane: 'fixed jaw', gauges: [gauge, finder], ...ONE_VISE },
          tools: [
            { number: 2, name: '16 mm end mill', lengthRegister: 2 },
            { number: 3, name: '8 mm end mill', lengthRegister: 3 },
          ],
        },
      },
    })
    await visit(page, `${product.address}/setups/${id}`)
    await mira.ready()
    const title = page.getByRole('heading', { level: 1 })
    await expect(title).toHaveText(/Lower T2 onto the 50 mm setter/)

    // Nothing is homed, and the wrong tool is in the spindle: both are told, and nothing is entered.
    await mill.hand('load', { tool: 3 })
    await page.getByTestId('take-it').click()
    await expect(page.getByTestId('against')).toHaveText([
      'The axis is not homed: its position means nothing yet. Home it first.',
      'Its control has T3 in the spindle.',
    ])
    await mira.look('take-it-against')
    await expect(title).toHaveText(/Lower T2/)
    // It is not entered by one press either.
    await mira.next()
    await expect(page.getByTestId('against-again')).toContainText('press Next once more')
    await expect(title).toHaveText(/Lower T2/)

    // As it should be: one press reads it, and the next step is there.
    await mill.hand('home')
    await mill.hand('load', { tool: 2 })
    await mill.hand('drive', { X: -400, Y: -160 })
    await mill.hand('drive', { Z: -273.88 })
    await page.getByTestId('take-it').click()
    await expect(title).toHaveText(/Lower T3 onto the 50 mm setter/)
    await mira.look('take-it')

    // Cut off: it says so, and the number is typed.
    await mill.cut()
    await page.getByTestId('take-it').click()
    await expect(page.getByTestId('not-taken')).toContainText('The machine does not answer.')
    await mira.look('take-it-cut')
    await mira.read(/Lower T3/, '-288.750')
    await mira.sent()

    // Back as another instance, it is taken again.
    await mill.on()
    await mill.hand('home')
    await mill.hand('load', { tool: 2 })
    await mill.hand('drive', { Z: -273.9 })
    await visit(page, `${product.address}/machines/${machineId}`)
    await page.getByTestId('ask-machine').click()
    await expect(page.getByTestId('machine-report')).toContainText('−273.900 mm')
    await visit(page, `${product.address}/setups/log?id=${id}`)
    await expect(page.getByText(/Taken from Mill 2 over the network, sequence \d+/)).toHaveCount(1)
    const answer = await page.request.get(`${product.address}/api/setups/${id}`)
    const { file } = await answer.json()
    const [first, second] = file.facts.filter(({ kind }: { kind: string }) => kind === 'reading')
    expect(first).toMatchObject({
      via: 'captured',
      body: { read: mm('-273.880'), captured: { agent: 'Mill 2', tool: 2, spindle: 0 } },
    })
    expect([second.via, second.body.captured]).toEqual(['typed', undefined])
  } finally {
    await product.close()
    await mill.cut()
  }
})
