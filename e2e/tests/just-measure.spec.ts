import type { Page } from '@playwright/test'
import { answerMachine } from '../support/answer-machine'
import { Machinist } from '../support/machinist'
import { expect, Product, test } from '../support/product'

/** Counts presses of a finger, and apart from them the digits of numbers. */
class Presses {
  private fingers = 0
  private digits = 0

  constructor(private readonly page: Page) {}

  async listen(): Promise<void> {
    await this.page.exposeFunction('pressed', (isDigit: boolean) => {
      if (isDigit) this.digits += 1
      else this.fingers += 1
    })
    await this.page.addInitScript(() => {
      const pressed = (isDigit: boolean) =>
        (globalThis as unknown as { pressed: (isDigit: boolean) => void }).pressed(isDigit)
      document.addEventListener(
        'pointerdown',
        ({ target }) => {
          const key = (target as Element).closest('[role=button], button')
          pressed(
            /^[0-9.]$|^±$|^plus$|^minus$/.test(
              key?.getAttribute('aria-label') ?? key?.textContent ?? '',
            ),
          )
        },
        { capture: true },
      )
      document.addEventListener('keydown', ({ key }) => pressed(/^[0-9.-]$/.test(key)), {
        capture: true,
      })
    })
  }

  get count() {
    return { presses: this.fingers, digits: this.digits }
  }
}

test('three tools and G54 in 25 presses plus digits, and then a job, with nothing typed again', async ({
  page,
}) => {
  // A demo of its own: what others set up last on this mill is counted otherwise.
  const demo = await Product.start(true)
  const presses = new Presses(page)
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await presses.listen()
  await page.goto(demo.address)
  await expect(page.getByTestId('just-measure')).toBeVisible()
  const before = presses.count.presses
  await page.getByTestId('just-measure').click()
  await page.getByRole('radio', { name: 'Mill 2' }).click()
  await mira.look('quick-start')
  await mira.keys('5')
  await mira.next()
  await mira.seeTo(/Home the machine/)
  // Counted from the nose, as in the last set-up on this mill: a 50 mm setter, the plane at −350.
  await mira.read(/bare nose/i, '-300.000')
  for (const [tool, read, H] of [
    [5, '-200.125', '99.875'],
    [6, '-215.500', '84.500'],
    [7, '-180.250', '119.750'],
  ] as const) {
    if (tool > 5) {
      await expect(page.getByRole('heading', { level: 1 })).toHaveText(/What next/)
      await mira.next()
    }
    await mira.read(new RegExp(`^Lower T${tool}`), read, H)
    await mira.keyIn(`H${tool}`, H)
  }
  await expect(page.getByTestId('quick-numbers')).toContainText('119.750 mm')
  await mira.look('quick-next')
  await page.getByTestId('quick-row').click()
  await page.getByRole('radio', { name: 'front left corner' }).click()
  await mira.read(/left face/i, '-412.300')
  await mira.keyIn('G54 X', '\u2212407.300')
  await mira.read(/front face/i, '-255.000')
  await mira.keyIn('G54 Y', '\u2212250.000')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Lower T7 onto the stock top/)
  await mira.look('spindle-both')
  await page.getByTestId('spindle-both').click()
  await expect(page.getByTestId('controlSays')).toHaveText('Control says: T7')
  // Paper lies between, as the shop's list has it: 0.09 more to go down.
  await mira.keys('-260.000')
  await mira.next()
  await mira.keyIn('G54 Z', '\u2212379.840')
  await expect(page.getByTestId('quick-numbers')).toContainText('\u2212379.840 mm')
  const { presses: after, digits } = presses.count
  test.info().annotations.push({
    type: 'just measuring',
    description: `${after - before} presses, ${digits} digits`,
  })
  expect(after - before).toBeLessThanOrEqual(25)

  // It becomes a job: its numbers stay, and what comes before a cut is asked now.
  await page.getByTestId('quick-job').click()
  await page.getByTestId('job-name').fill('Bracket')
  await mira.sameTools()
  await page.getByTestId('go-on').click()
  await page.getByTestId('go-on').click()
  await page.waitForURL(/setups\/[0-9a-f-]{36}/)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Clean the seats/)
  await mira.goTo('key-in:H5')
  await expect(page.getByText('99.875').first()).toBeVisible()
  await demo.close()
})

test('a first number from nothing: one person, one machine in three questions, one reading', async ({
  page,
}) => {
  // Empty for nobody else: whoever shares one after this finds somebody in it.
  const empty = await Product.start(false)
  const presses = new Presses(page)
  await presses.listen()
  const mira = new Machinist(page, empty.address)
  await mira.introduce('Mira Toller', '246810')
  await page.getByTestId('just-measure').click()
  await page.getByRole('button', { name: 'Add a machine' }).click()
  await page.getByTestId('machine-name').fill('Mill 2')
  await answerMachine(page)
  await mira.look('machine-three-questions')
  await page.getByRole('button', { name: 'Keep this machine' }).click()
  await expect(page.getByRole('radio', { name: 'Mill 2' })).toBeChecked()
  await page.getByTestId('next').click()
  await mira.seeTo(/Home the machine/)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Lower T1/)
  await mira.look('first-number')
  await mira.keys('-220.000')
  await mira.next()
  await mira.keyIn('H1', '\u2212220.000')
  const { presses: made } = presses.count
  test.info().annotations.push({ type: 'first number', description: `${made} presses` })
  expect(made).toBeLessThanOrEqual(35)
  await empty.close()
})
