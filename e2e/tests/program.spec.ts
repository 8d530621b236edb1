import type { Page } from '@playwright/test'
import { v7 as uuid } from 'uuid'
import { pickLong } from '../support/long-program'
import { Machinist, openItsProgram } from '../support/machinist'
import { expect, test } from '../support/product'

const PROGRAMS = 'server/src/demo/programs'

const pick = (
  page: Page,
  file: string | { name: string; buffer: Buffer },
  where = 'program-file',
) =>
  page
    .getByTestId(where)
    .setInputFiles(typeof file === 'string' ? `${PROGRAMS}/${file}` : { mimeType: '', ...file })

const openProgram = async (page: Page, setup: string) => {
  await page.getByText(setup).first().click()
  await openItsProgram(page)
}

test('each planted fault of a program is found and explained; the next revision mends it', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await openProgram(page, 'Drawtube flange')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('drawtube-flange-a.ngc')
  for (const [title, why] of [
    ['T3 is used with H2', 'Another tool’s length drives this one too deep'],
    ['Z moves with T4 before any G43', 'the nose goes where the tip should'],
    ['G55 is used, but not on the sheet', 'whatever that row holds'],
    ['G54 goes 2.000 mm below the upper edge of the jaws', 'A cut beside the part meets the jaws'],
    ['Cutter compensation is still active', 'offset sideways by a diameter'],
  ] as const) {
    const finding = page.getByTestId(/^finding-/).filter({ hasText: title })
    await expect(finding).toHaveCount(1)
    await expect(finding).toContainText(why)
  }
  await mira.look('program-faults')

  // Its text is kept with it: it opens at the place.
  const wrongLength = page.getByTestId('finding-danger').filter({ hasText: 'T3 is used with H2' })
  await wrongLength.getByTestId('show-lines').click()
  await expect(wrongLength.getByTestId('text-window')).toContainText('G43 H2 Z25.')
  await expect(wrongLength.locator('[aria-current=location]')).toContainText('22')
  await mira.look('program-text')

  // What the sheet lacks is mended on the sheet.
  await page.getByTestId('mend-first').click()
  await expect(page).toHaveURL(/setups\/sheet/)
  await page.goBack()

  await pick(page, 'drawtube-flange-b.ngc')
  const revision = page.getByTestId('revision')
  await expect(revision).toContainText('T3 used H2, now H3.')
  await expect(revision).toContainText('T4 worked in G55, now in G54.')
  await expect(revision).toContainText('T2 goes 4.000 mm less deep: down to −6.000 mm.')
  await mira.look('program-revision')
  await page.getByTestId('keep-program').click()
  await expect(page.getByTestId('verdict')).toHaveText('Nothing in it stands against this set-up.')
  await expect(page.getByTestId('finding-danger')).toHaveCount(0)
  await mira.look('program-mended')

  // One tap to what is still to be done.
  await page.getByTestId('need-H3').click()
  await expect(page).toHaveURL(/step=tip-on-plane%3AT3/)
})

test('a revision that is kept shows its lines to whoever opens the set-up; before the dry run it is looked over', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await openProgram(page, 'Clamp ring')
  const own = `G20 G90 G40 G49 G80\n(${uuid()})\nT1 M6\nG54 G0 X0 Y0 S2000\nG43 H2 Z1.\nG1 Z-.1 F8\nG0 Z1.\nG49\nM30\n`
  await pick(page, { name: 'own.ngc', buffer: Buffer.from(own) })
  const kept = page.waitForResponse(
    (answer) => answer.url().includes('/api/programs/') && answer.request().method() === 'PUT',
  )
  await page.getByTestId('keep-program').click()
  expect((await kept).status()).toBe(201)
  await page.reload()
  const wrong = page.getByTestId('finding-danger').filter({ hasText: 'T1 is used with H2' })
  await wrong.getByTestId('show-lines').click()
  await expect(wrong.locator('[aria-current=location]')).toContainText('G43 H2 Z1.')

  await page.getByRole('button', { name: 'Back to the set-up' }).click()
  await mira.goTo('program')
  await expect(page.getByTestId('program-stands')).toContainText('T1 is used with H2')
  await expect(page.getByTestId('program-stands')).toContainText('Not held against the file')
  await mira.look('program-step')
  // It leads to what is wrong; going on all the same asks why.
  await page.getByTestId('next').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('own.ngc')
  await page.goBack()
  await page.getByRole('button', { name: 'Go on all the same' }).click()
  await page.getByRole('button', { name: 'It may run' }).click()
  await expect(page.getByText('A reason is needed')).toBeVisible()
  await page.getByTestId('reason').fill('H2 holds the length of T1 today')
  await page.getByRole('button', { name: 'It may run' }).click()
  await mira.goTo('program')
  await expect(page.getByText('may run: H2 holds the length of T1 today')).toBeVisible()

  // Another revision is to be looked over anew.
  await page.getByRole('button', { name: 'Open the program' }).click()
  await pick(page, { name: 'own.ngc', buffer: Buffer.from(own.replace('H2', 'H1')) })
  await page.getByTestId('keep-program').click()
  await expect(page.getByTestId('revision')).toHaveCount(0)
  await page.getByRole('button', { name: 'Back to the set-up' }).click()
  await mira.goTo('program')
  await expect(page.getByTestId('program-stands')).not.toContainText('T1 is used with H2')
  await mira.look('program-step-clear')
  await expect(page.getByTestId('next')).toHaveText('I looked it over')
})

test('the file at the machine is the one that was read, or it is not', async ({ page, demo }) => {
  const jory = new Machinist(page, demo.address)
  await jory.signIn('Jory Fenn')
  await openProgram(page, 'Eyepiece adapter')
  await pick(page, 'eyepiece-adapter.ngc', 'machine-file')
  await expect(page.getByTestId('machine-check')).toContainText(
    'the one that was read, letter by letter',
  )
  await pick(
    page,
    { name: 'eyepiece-adapter.ngc', buffer: Buffer.from('G21\nG0 X1\n') },
    'machine-file',
  )
  await expect(page.getByTestId('machine-check')).toContainText('Another file is at the machine')
  await jory.look('program-another-file')
})

test('a set-up begins with its program: tools, registers and offsets are filled in', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await page.getByRole('button', { name: 'From a program' }).click()
  await pick(page, 'focuser-body.ngc')
  await expect(page.getByText('T6 H6 90 degree chamfer mill')).toBeVisible()
  await expect(page.getByText('G54 G55')).toBeVisible()
  await page.getByRole('button', { name: 'Not this one' }).click()
  await pick(page, 'eyepiece-adapter.ngc')
  await expect(page.getByText('T3 H3 8 mm end mill')).toBeVisible()
  await mira.look('from-program')
  await page.getByTestId('fill-sheet').click()
  await expect(page.getByTestId('job-name')).toHaveValue('eyepiece-adapter')
  await page.getByTestId('job-name').fill('Adapter from its program')
  // The tools are the program's; how lengths are measured is what the last set-up on this machine used.
  await expect(page.getByText('T3 · H3 · 8 mm end mill')).toBeVisible()
  await page.getByRole('radio', { name: 'Mill 2' }).click()
  await expect(page.getByText(/^As in “.*”, the last set-up on it:$/)).toBeVisible()
  await page.getByTestId('change-lengths').click()
  // Whatever the last one was, this is to be touched on the plane.
  await page.getByRole('radio', { name: 'to a setting plane' }).click()
  for (const name of ['50 mm setter', /^10 mm edge finder/] as const) {
    const gauge = page.getByRole('checkbox', { name }).first()
    if (!(await gauge.isChecked())) await gauge.click()
  }
  await mira.sameTools()
  await page.getByTestId('go-on').click()
  for (const [axis, size] of Object.entries({ X: '70', Y: '70', Z: '20' }))
    await page.getByTestId(`stock-${axis}`).fill(size)
  await expect(page.getByTestId('zero')).toHaveValue('left front corner, stock top')
  await mira.look('sheet-part-from-program')
  await page.getByTestId('go-on').click()

  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Home the machine/)
  await openItsProgram(page)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('eyepiece-adapter.ngc')
  await expect(page.getByTestId('operation-T3')).toContainText('H3')
  await expect(page.getByTestId('need-G54')).toContainText('not read')
  await mira.look('program-needs')
  // The one thing to do next leads to the first of them.
  await page.getByTestId('mend-first').click()
  await expect(page).toHaveURL(/step=face%3AG54%3Aleft/)
})

test.describe('files that are no program for this set-up', () => {
  const readFresh = async (page: Page, address: string, who: string) => {
    const machinist = new Machinist(page, address)
    await machinist.signIn(who)
    await page.getByRole('button', { name: 'From a program' }).click()
    await page.getByTestId('program-file').waitFor({ state: 'attached' })
    return machinist
  }
  test('a binary file and an empty one are refused in words, and the next may be picked', async ({
    page,
    demo,
  }) => {
    await readFresh(page, demo.address, 'Ansel Okoro')
    await pick(page, { name: 'part.stl', buffer: Buffer.from([0x89, 0, 1, 2, 3, 0, 255, 254]) })
    await expect(page.getByTestId('file-failed')).toContainText('part.stl is not text.')
    await pick(page, { name: 'nothing.ngc', buffer: Buffer.alloc(0) })
    await expect(page.getByTestId('file-failed')).toContainText('nothing.ngc is empty.')
    await pick(page, {
      name: 'letter.txt',
      buffer: Buffer.from('Dear Mira,\n\nsee you on Monday.\n'),
    })
    await expect(page.getByText('No tool is called in it')).toBeVisible()
  })

  test('a file in the other unit is told', async ({ page, demo }) => {
    const mira = new Machinist(page, demo.address)
    await mira.signIn('Mira Toller')
    await openProgram(page, 'Eyepiece adapter')
    await pick(page, 'clamp-ring.ngc')
    await expect(
      page.getByTestId('finding-danger').filter({ hasText: 'have different units' }),
    ).toContainText('One of them is wrong by 25.4 times')
    await expect(page.getByTestId('revision')).toContainText('The unit was mm, now it is in.')
  })

  test('a long file is read beside the interface, can be stopped, and is read whole', async ({
    page,
    demo,
  }) => {
    await readFresh(page, demo.address, 'Ansel Okoro')
    await pickLong(page, 3200)
    await expect(page.getByTestId('reading-file')).toContainText('MB of')
    await page.getByTestId('cancel-reading').click()
    await expect(page.getByTestId('reading-file')).toHaveCount(0)
    await pickLong(page, 320)
    await expect(page.getByText(`${3 + 320_000 + 3} lines`)).toBeVisible({ timeout: 200_000 })
  })
})

test('a program of the wrong kind of job is kept out of nothing: what was kept before stands', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await openProgram(page, 'Focuser body, two fixtures')
  await pick(page, { name: `${uuid()}.ngc`, buffer: Buffer.from('G21\nT9 M6\nG54 G43 H9 G0 Z5\n') })
  await expect(page.getByTestId('revision')).toContainText('T9 is new')
  await page.getByRole('button', { name: 'Not this one' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('focuser-body.ngc')
})
