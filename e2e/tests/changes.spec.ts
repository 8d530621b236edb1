import { Machinist } from '../support/machinist'
import { CAPTURING } from '../support/sheets'
import { expect, test } from '../support/product'

const { control } = CAPTURING.machine
const TYPED = {
  ...CAPTURING,
  name: 'Typed plate',
  machine: {
    ...CAPTURING.machine,
    control: { ...control, lengthKey: 'set', workOffsetKey: 'set' },
    policy: { proves: 'riskiest' },
    retract: 'G53 G0 Z0',
  },
} as const

test('numbers keyed as they are known; then a broken tool, and another part at the same stop', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await mira.begin(TYPED)
  await page.getByTestId('menu').click()
  await page.getByRole('button', { name: 'Key numbers as they are known' }).click()
  await mira.ready()
  // Each number is keyed where it was touched, and the run goes on from there.
  await mira.read(/Lower T1/, '-220.000', '−270.000')
  await mira.keyIn('H1', '−270.000')
  await mira.seeTo(/Seat the part/)
  await mira.read(/Left face/, '-412.300', '−347.300')
  await mira.keyIn('G54 X', '−347.300')
  await mira.read(/Front face/, '-255.000', '−250.000')
  await mira.keyIn('G54 Y', '−250.000')
  await page.getByRole('radio', { name: 'on the fixed jaw' }).click()
  await mira.read(/Zero the relative counter/, '-30.000', '−30.000')
  await mira.keyIn('G54 Z', '−30.000')
  await expect(page.getByText('Proven because it is the longest')).toBeVisible()
  await mira.look('proof-why')
  await mira.prove(/Send T1 over zero/, '50.00')

  // A tool broke in the cut: how the program goes on is told, before it is said.
  await page.getByTestId('changed').click()
  await page.getByRole('radio', { name: 'A tool broke' }).click()
  await expect(page.getByTestId('restart')).toContainText('Lift Z clear: G53 G0 Z0.')
  await page.getByRole('button', { name: 'Something else' }).click()

  // Another part: what it shares with the one before is asked, and only the rest is done again.
  await page.getByRole('radio', { name: 'Another part is in' }).click()
  await page.getByRole('radio', { name: 'turned over' }).click()
  await expect(page.getByTestId('to-do-again')).toContainText('G54 X · left face')
  await page.getByRole('radio', { name: 'of the same height' }).click()
  await expect(page.getByTestId('to-do-again')).not.toContainText('G54')
  await page.getByRole('radio', { name: 'another height' }).click()
  await expect(page.getByTestId('to-do-again')).toContainText('G54 Z')
  await expect(page.getByTestId('to-do-again')).not.toContainText('left face')
  await mira.look('another-part')
  await page.getByTestId('it-happened').click()
  await mira.seeTo(/Clean the seats/)
  await mira.seeTo(/Seat the part/)
  await page.getByRole('radio', { name: 'on the fixed jaw' }).click()
  await mira.read(/Zero the relative counter/, '-28.000', '−28.000')
  await mira.keyIn('G54 Z', '−28.000')
  await mira.prove(/Send T1 over zero/, '50.00')
  await page.getByRole('button', { name: 'Seen in graphics instead' }).click()

  // A calibration block of two sides, read three times; a pass that did not clean up is Z or the sheet, never H.
  await page.getByRole('radio', { name: 'thickness of a calibration block' }).click()
  await page.getByRole('radio', { name: 'two' }).click()
  await mira.numbers({ nominal: '20.000', measured: '20.038', second: '20.040', third: '20.042' })
  await expect(page.getByTestId('wear')).toHaveText('Correct H1 by −0.020 mm.')
  await page.getByTestId('not-cleaned-up').click()
  await expect(page.getByText('It is Z of the work offset, never H')).toBeVisible()
  await mira.look('first-part-block')
  await mira.next()
  const key = page.getByTestId('key-corrections')
  const [, becomes] = /→ (\S+) mm/.exec(await key.innerText()) ?? []
  await key.click()
  await mira.keyIn('H1', becomes!)
  await mira.prove(/Send T1 over zero/, '50.00')
  await page.getByTestId('first-part-done').click()
  await page.getByTestId('record').click()
  await expect(page.getByTestId('frozen')).toContainText('Released')
})

test('a captured row that does not fit where the axis stands: the position is read, and the slip named', async ({
  page,
  demo,
}) => {
  const jory = new Machinist(page, demo.address, true)
  await jory.signIn('Jory Fenn')
  await jory.begin({ ...CAPTURING, name: 'Captured with a slip' })
  await jory.ready()
  await jory.captures(/Lower T1/, '−50.000', '−270.000', 'Z −220.000 mm')
  await jory.seeTo(/Seat the part/)
  // Half the finder was told with the other sign: the row is 10 off, and so is the position that follows from it.
  await expect(page.getByTestId('to-type')).toHaveText('−65.000')
  await jory.keys('-357.300')
  await expect(page.getByTestId('stands')).toHaveText('X −422.300 mm')
  await page.getByTestId('stands-else').click()
  await jory.read(/Left face/, '-412.300')
  await expect(page.getByTestId('mismatch')).toContainText('The tip was counted to the wrong side')
  await expect(page.getByTestId('mismatch')).toContainText('10.000 mm')
  await jory.look('captured-slip')
  await page.getByTestId('keyed-again').click()
  await jory.keyIn('G54 X', '−65.000', '−347.300')
  await jory.captures(/Front face/, '−5.000', '−250.000', 'Y −255.000 mm')
})
