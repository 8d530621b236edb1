import type { Page } from '@playwright/test'
import { pickLong } from '../support/long-program'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'

/** How many frames of a second came later than one of sixty does, and the slowest. */
const lateFrames = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<string>((resolve) => {
        const started = performance.now()
        let last = started
        let late = 0
        let worst = 0
        const frame = (now: number) => {
          if (now - last > 25) late += 1
          worst = Math.max(worst, now - last)
          last = now
          if (now < started + 1000) requestAnimationFrame(frame)
          else resolve(`${late} (the slowest ${Math.round(worst)} ms)`)
        }
        requestAnimationFrame(frame)
      }),
  )

test('late frames while 100 MB are read, at a fourth of the speed', async ({ page, demo }) => {
  const machinist = new Machinist(page, demo.address)
  await machinist.signIn('Ansel Okoro')
  await page.getByRole('button', { name: 'From a program' }).click()
  await page.getByTestId('program-file').waitFor({ state: 'attached' })
  // As slow as a phone; the worker is at its full speed, so that more is asked of the interface.
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 })
  const idle = await lateFrames(page)
  expect(await pickLong(page, 3200)).toBeGreaterThan(100_000_000)
  await expect(page.getByTestId('reading-file')).toContainText('MB of')
  process.stdout.write(
    `frames later than they should be in a second: ${await lateFrames(page)} while it is read, ${idle} before\n`,
  )
})
