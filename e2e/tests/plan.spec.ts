import { v7 as uuid } from 'uuid'
import type { Page } from '@playwright/test'
import { barriers } from '../support/accessible'
import { Machinist } from '../support/machinist'
import { declare, enterFact, PLAIN_CONTROL } from '../support/declare'
import { mm, ONE_VISE } from '../support/sheets'
import { expect, test } from '../support/product'
import { visit } from '../support/visit'

// What is left to touch of a job is planned, moved about, and worked so. A mill of the test's own, with a changer of 24 pockets.

const TOOLS = [
  { number: 3, name: 'face mill', length: 62 },
  { number: 21, name: 'roughing mill', length: 118.5 },
  { number: 11, name: 'chamfer mill', length: 71.25 },
  { number: 1, name: '10 mm drill', length: 131.5 },
]

const meets = (length: number) => (-450 + length).toFixed(3)

async function shop(page: Page, address: string) {
  const mira = new Machinist(page, address, true)
  await mira.signIn('Mira Toller')
  const machine = {
    name: 'Carousel mill',
    kind: 'mill',
    control: PLAIN_CONTROL,
    pockets: 24,
  }
  const machineId = uuid()
  await declare(page, address, ['machine', machineId], machine)
  const gauges = [
    { id: uuid(), kind: 'height-setter', name: '50 mm setter', size: mm('50.000') },
    { id: uuid(), kind: 'paper', name: 'paper', size: mm('0.09') },
  ]
  const tools = TOOLS.map((tool) => ({ ...tool, assembly: uuid() }))
  const job = async (name: string) => {
    await mira.begin({
      ...{ name, unit: 'mm', machineId, machine, school: 'setting-plane', zero: '' },
      ...{ plane: 'block on the table', needs: { depth: mm('0.05') } },
      ...ONE_VISE,
      gauges,
      tools: tools.map(({ number, name: called, assembly }) => ({
        ...{ number, name: called, assembly, lengthRegister: number },
      })),
    })
    const id = /setups\/([0-9a-f-]+)/.exec(page.url())![1]!
    const say = (kind: string, body: object) =>
      enterFact(page, address, ['setup', id], { kind, body })
    for (const of of ['home', 'clean', 'gauges']) await say('check-off', { of })
    return { id, say }
  }
  return { mira, job, setter: gauges[0]!.id }
}

const planned = (page: Page) =>
  page
    .getByRole('list', { name: 'what is touched, in this order' })
    .getByTestId(/^planned-/)
    .evaluateAll((all) => all.map((one) => one.getAttribute('data-testid')!.slice(8)))

async function opened(page: Page, tool: string): Promise<void> {
  const line = page.getByTestId(`planned-${tool}`)
  if ((await line.getAttribute('aria-expanded')) !== 'true') await line.click()
}

test('a job is planned: the changer turns the shorter way, one is left out, another gauge for one, moved by the keyboard', async ({
  page,
  demo,
}) => {
  const { mira, job, setter } = await shop(page, demo.address)
  const first = await job('Rack plate')
  await visit(page, `${demo.address}/setups/${first.id}?step=sheet`)
  await page.getByTestId('plan').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('4 touches, about 7 minutes.')
  await expect(page.getByTestId('plan-about')).toHaveText(
    'On half of the days between 4 and 13 minutes.',
  )
  await expect(page.getByTestId('planned-T1')).toBeVisible()
  // 21, 1, 3, 11 or the other way: between 11 and 21 the gap is the widest.
  expect([
    ['T21', 'T1', 'T3', 'T11'],
    ['T11', 'T3', 'T1', 'T21'],
  ]).toContainEqual(await planned(page))
  await mira.look('plan')
  expect(await barriers(page)).toEqual([])
  await page.getByTestId('planned-T1').click()
  await expect(
    page.getByRole('radio', { name: /paper: 0\.5 min slower.*barely enough/ }),
  ).toBeVisible()
  await mira.look('plan-open')
  expect(await barriers(page)).toEqual([])
  await page.getByRole('radio', { name: /^paper/ }).click()
  await expect(page.getByTestId('planned-T1')).toContainText('paper')
  await expect(page.getByTestId('plan-about')).toContainText('longer than what was proposed')
  await page.getByRole('button', { name: 'Leave it out for now' }).click()
  await page.getByTestId('reason').fill('on order, the second side needs it')
  await page.getByRole('button', { name: 'Leave it out', exact: true }).click()
  await expect(page.getByTestId('left-out')).toContainText('T1 10 mm drill')
  await page.getByTestId('as-proposed').click()
  await expect(page.getByTestId('left-out')).toBeHidden()
  expect(await planned(page)).toHaveLength(4)

  // What is kept is worked: by the keyboard the last is put first, one is left out, one by paper.
  const [, , third, last] = await planned(page)
  await opened(page, third!)
  await page.getByRole('radio', { name: /^paper/ }).click()
  await page.getByTestId(`planned-${third}`).click()
  await page.getByTestId(`handle-${last!.slice(1)}`).focus()
  // Each place is told to a screen reader; the arrow is pressed until the first is, as a person does on a machine that is busy.
  const told = (words: string, timeout?: number) =>
    expect(page.getByText(`${last} ${words}`)).toBeAttached({ timeout })
  await page.keyboard.press('Space')
  await told('would be number 4.')
  await expect(async () => {
    await page.keyboard.press('ArrowUp')
    await told('would be number 1.', 1_000)
  }).toPass({ timeout: 60_000 })
  await page.keyboard.press('Space')
  await expect.poll(async () => (await planned(page))[0]).toBe(last)
  const order = await planned(page)
  await opened(page, order[1]!)
  await page.getByRole('button', { name: 'Leave it out for now' }).click()
  await page.getByTestId('reason').fill('second side')
  await page.getByRole('button', { name: 'Leave it out', exact: true }).click()
  await mira.look('plan-mine')
  await page.setViewportSize({ width: 1280, height: 800 })
  await mira.look('plan-wide')
  expect(await barriers(page)).toEqual([])
  await page.setViewportSize({ width: 390, height: 844 })
  await page.getByTestId('keep-plan').click()
  await expect(page).toHaveURL(new RegExp(`/setups/${first.id}`))
  await mira.sent()
  await visit(page, `${demo.address}/setups/${first.id}`)
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    `${last} onto the 50 mm setter`,
  )
  const { registers } = (await (
    await page.request.get(`${demo.address}/api/setups/${first.id}/solution`)
  ).json()) as { registers: { address: string }[] }
  const lengths = registers.map(({ address }) => address).filter((one) => one.startsWith('H'))
  expect(lengths).toEqual([last, order[2], order[3]].map((one) => `H${one!.slice(1)}`))
  const third3 = TOOLS.find(({ number }) => `T${number}` === last)!
  await mira.keys(meets(third3.length))
  await mira.next()
  // The one by paper comes when its turn does.
  const paperAt = order.indexOf(third!)
  expect(paperAt).toBeGreaterThan(1)

  // The next job on this mill: two are checked, and what need not be touched says why.
  for (const { number, length } of TOOLS)
    if (`T${number}` !== last && lengths.includes(`H${number}`))
      await first.say('reading', {
        ...{ of: 'tip-on-plane', tool: number, with: [setter] },
        read: mm(meets(length)),
      })
  const second = await job('Rack cover')
  await visit(page, `${demo.address}/setups/plan?id=${second.id}`)
  await expect(page.getByTestId('kept')).toContainText('Length still good: touched')
  // Two checks and the one that was never measured.
  await expect(page.getByRole('heading', { level: 1 })).toContainText('3 touches')
  await mira.look('plan-second')
  expect(await barriers(page)).toEqual([])
})

test('a length from the bench counts without a touch where a face seats the holder, and not by a cone', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  const machineId = uuid()
  const machine = {
    ...{ name: 'Turning-head mill', kind: 'mill' },
    control: PLAIN_CONTROL,
  }
  await declare(page, demo.address, ['machine', machineId], machine)
  for (const [pocket, seat] of [
    [1, 'register-face'],
    [2, 'taper'],
  ] as const)
    await declare(page, demo.address, ['tool', uuid()], {
      ...{ name: `${seat} tool`, holder: { name: 'holder', seat } },
      ...{ properties: { LF: mm('80.000') }, place: { machine: machineId, pocket } },
    })
  await visit(page, `${demo.address}/setups/new`)
  await page.getByTestId('job-name').fill('By the bench')
  await page.getByRole('radio', { name: 'Turning-head mill' }).click()
  // Both are tapped out of the changer: their names and what the bench knows of them come with them.
  await page.getByRole('checkbox', { name: 'T1 register-face tool' }).click()
  await expect(page.getByText('Its face seats it there again')).toBeVisible()
  await page.getByRole('checkbox', { name: 'T2 taper tool' }).click()
  await expect(page.getByText('Its cone seats it elsewhere each time')).toBeVisible()
  await page.getByText('Its face seats it there again').scrollIntoViewIfNeeded()
  await mira.look('bench')
  expect(await barriers(page)).toEqual([])
  await expect(page.getByRole('button', { name: 'do not touch T2' })).toBeHidden()
  await page.getByRole('button', { name: 'do not touch T1' }).click()
  await expect(page.getByText('Counted with its length from the bench')).toBeVisible()
  await page.getByTestId('tool-more-0').click()
  await expect(page.getByTestId('tool-length-0')).toHaveValue('80.000')
  await page.getByRole('button', { name: 'touch T1', exact: true }).click()
  await expect(page.getByTestId('tool-length-0')).toHaveValue('')
})

test('a tool that was lent by another mill counts with its length there and what the two noses differ by', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  const gauge = { id: uuid(), kind: 'height-setter', name: '50 mm setter', size: mm('50.000') }
  const tools = [81, 82, 83].map((number) => ({
    ...{ number, name: `lent tool ${number}`, lengthRegister: number, assembly: uuid() },
  }))
  const LENGTHS = [80, 90.5, 101.2]
  const measured = async (name: string, nose: number, own: typeof tools) => {
    const machine = { name, kind: 'mill', control: PLAIN_CONTROL }
    const machineId = uuid()
    await declare(page, demo.address, ['machine', machineId], machine)
    await mira.begin({
      ...{ name: `Measured on ${name}`, unit: 'mm', machineId, machine, school: 'gauge-line' },
      ...{ zero: '', plane: 'block on the table', gauges: [gauge], tools: own, ...ONE_VISE },
    })
    const id = /setups\/([0-9a-f-]+)/.exec(page.url())![1]!
    const read = (body: object) =>
      enterFact(page, demo.address, ['setup', id], {
        kind: 'reading',
        body: { ...body, with: [gauge.id] },
      })
    await read({ of: 'nose-on-plane', read: mm('-450.000') })
    for (const [index, { number }] of own.entries())
      await read({
        ...{ of: 'tip-on-plane', tool: number },
        read: mm((-450 + LENGTHS[index]! + nose).toFixed(3)),
      })
    return machineId
  }
  await measured('Lending mill', 0, tools)
  const borrower = await measured('Borrowing mill', 0.048, tools.slice(0, 2))
  const { name, assembly } = tools[2]!
  const lent = { name, place: { machine: borrower, pocket: 83 }, reason: 'lent' }
  await declare(page, demo.address, ['tool', assembly], lent)

  await visit(page, `${demo.address}/setups/new`)
  await page.getByTestId('job-name').fill('With a lent tool')
  await page.getByRole('radio', { name: 'Borrowing mill' }).click()
  await page.getByRole('checkbox', { name: /^T83 / }).click()
  const says = page.getByText('2 tools that were measured on both are 0.048 mm longer here')
  await expect(says).toContainText('on Lending mill. Here it is 101.248 ±0.0')
  await says.scrollIntoViewIfNeeded()
  await mira.look('lent')
  expect(await barriers(page)).toEqual([])
  await page.getByRole('button', { name: 'count T83 as it was measured' }).click()
  await expect(page.getByText('Counted with its length as it was measured')).toBeVisible()
  await page.getByTestId('tool-more-0').click()
  await expect(page.getByTestId('tool-length-0')).toHaveValue('101.248')
})
