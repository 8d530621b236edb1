import { answerMachine } from '../support/answer-machine'
import { Machinist, openItsProgram } from '../support/machinist'
import { expect, test } from '../support/product'

test('a sheet in its own way: a machine without switches, a master tool, a bore, a tool on the part, a quill', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await page.getByRole('button', { name: 'New set-up' }).click()
  await page.getByTestId('job-name').fill('Bore plate')
  await page.getByRole('button', { name: 'Add a machine' }).click()
  await page.getByTestId('machine-name').fill('Old mill')
  // What a key does is not guessed: three questions, answered by trying it.
  await page.getByRole('button', { name: 'Keep this machine' }).click()
  await expect(page.getByRole('alert')).toHaveCount(3)
  await mira.look('machine-questions')
  await answerMachine(page)
  await page.getByTestId('machine-more').click()
  await page.getByRole('radio', { name: 'by marks and dials' }).click()
  await page.getByTestId('dial-turn').fill('2.5')
  await page.getByTestId('machine-spindle').fill('8000')
  await page.getByRole('radio', { name: 'the radius' }).click()
  await page.getByTestId('lost-X').fill('0.02')
  await page.getByTestId('travel-Z-from').fill('0')
  await page.getByRole('button', { name: 'Keep this machine' }).click()
  // One end alone is no travel: told at its field, and the rest stays.
  await expect(page.getByRole('alert')).toHaveText('Type both ends, or leave both empty.')
  await expect(page.getByTestId('travel-Z-to')).toBeFocused()
  await page.getByTestId('travel-Z-to').fill('-420')
  // What stands on it: a place that it does not reach, and half a setter, are told at their fields.
  await page.getByTestId('machine-places').click()
  await page.getByTestId('place-changeZ').fill('5')
  await page.getByTestId('place-quillTravel').fill('100')
  await page.getByTestId('place-setterX').fill('-20')
  await page.getByRole('button', { name: 'Keep this machine' }).click()
  await expect(page.getByText('declared whole').first()).toBeVisible()
  await page.getByTestId('place-setterX').fill('')
  await page.getByRole('button', { name: 'Keep this machine' }).click()
  await expect(page.getByRole('alert')).toContainText('does not go to Z 5 mm')
  await expect(page.getByTestId('place-changeZ')).toBeFocused()
  await mira.look('machine-places')
  await page.getByTestId('place-changeZ').fill('0')
  await mira.look('sheet-machine')
  await page.getByRole('button', { name: 'Keep this machine' }).click()
  await page.getByRole('radio', { name: 'Old mill' }).click()
  await page.getByRole('radio', { name: 'compared with a master tool' }).click()
  await page.getByRole('checkbox', { name: '10 mm edge finder' }).click()
  await mira.look('sheet-school')
  await page.getByTestId('tool-more-0').click()
  await page.getByTestId('tool-diameter-0').fill('1')
  await page.getByTestId('tool-size-0').fill('10.5')
  await page.getByTestId('tool-program-size-0').fill('10')
  await mira.look('sheet-tools')
  await page.getByTestId('go-on').click()

  // The next page begins at its top, however far down this one was left.
  await expect(page.getByText('page 2 of')).toBeInViewport({ ratio: 1 })
  for (const axis of ['X', 'Y', 'Z']) await page.getByTestId(`stock-${axis}`).fill('60')
  await page.getByRole('button', { name: 'Held in a vise' }).click()
  await page.getByTestId('jaw').fill('50')
  await page.getByTestId('parallels').fill('50')
  await mira.look('sheet-part')
  await page.getByTestId('change-G54').click()
  await page.getByRole('radio', { name: 'touching around in a bore' }).click()
  await page.getByRole('radio', { name: 'with a tool, a sensor or a plate' }).click()
  await page.getByRole('button', { name: 'A quill stays out' }).click()
  await page.getByTestId('quill-measured').fill('120')
  await page.getByTestId('go-on').click()
  await expect(page.getByText('goes out 100 mm cannot be out 120 mm')).toBeVisible()
  await page.getByTestId('quill-measured').fill('10')
  // The bore has no diameter yet: told at its field, and nothing is lost.
  await expect(page.getByRole('alert').first()).toContainText('There is no number yet')
  await page.getByTestId('diameter').fill('40.000')
  await mira.look('sheet-zero')
  await page.getByTestId('go-on').click()

  // The path is its own: marks first, of which this one has none, no plane for a master alone, four touches, one diameter.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Drive to the marks/)
  await page.getByRole('button', { name: 'There are no marks' }).click()
  await mira.seeTo(/Clean the seats/)
  await mira.seeTo(/Lay out the gauges/)
  // Its sheet says 10.5: a reading of another tool is told before it is entered.
  await page.getByTestId('reading').fill('9.980')
  await expect(page.getByTestId('surprise')).toContainText('diameter of T1')
  await page.getByTestId('reading').fill('')
  await mira.read(/Measure T1 over its widest points/, '10.480', '5.240')
  // Jaws and parallels of one height grip nothing: an error of the sheet is told where it matters.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Seat the part/)
  await expect(page.getByRole('alert')).toContainText(
    'One of the two heights on the sheet is wrong',
  )
  await expect(page.getByText('Parallels that fit')).toBeVisible()
  await mira.look('no-grip')
  // It may be so all the same, with a reason that stays.
  await page.getByRole('button', { name: 'It holds all the same' }).click()
  await page.getByTestId('reason').fill('clamped from above')
  await page.getByRole('button', { name: 'It sits and holds' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Touch 1 around the circle/)
  await mira.goTo('tip-on-part:G54:T1')
  await expect(page.getByText('The quill is out by 10 mm')).toBeVisible()

  // What the sheet says of the machine and the tool is held against its program.
  await openItsProgram(page)
  await page.getByTestId('program-file').setInputFiles({
    name: 'plate.ngc',
    mimeType: '',
    buffer: Buffer.from(
      'G21 G90 G40 G49 G80\nT1 M6\nG54 G0 X0 Y0 S9000\nG43 H1 Z25.\nG1 Z-1. F200\nX5.\nG0 Z25.\nG49\nM30\n',
    ),
  })
  await expect(
    page.getByTestId('finding-danger').filter({ hasText: 'T1 stands in for a thinner tool' }),
  ).toContainText('every wall is cut 0.250 mm too deep')
  await expect(page.getByText('S9000 is more than the spindle turns')).toBeVisible()
  await mira.look('sheet-program')
})

test('a face that must not be touched is no zero, until it is found by another; it is told at the clamp', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address)
  await mira.signIn('Mira Toller')
  await page.getByRole('button', { name: 'New set-up' }).click()
  await page.getByTestId('job-name').fill('Finished on the left')
  await page.getByRole('radio', { name: 'Mill 2' }).click()
  await expect(page.getByText(/^As in “.*”, the last set-up on it:$/)).toBeVisible()
  await mira.sameTools()
  await page.getByTestId('go-on').click()
  for (const [axis, size] of Object.entries({ X: '70', Y: '50', Z: '20' }))
    await page.getByTestId(`stock-${axis}`).fill(size)
  await page.getByTestId('spare-G54').click()
  await page.getByRole('checkbox', { name: 'left face', exact: true }).click()
  await page.getByTestId('go-on').click()
  await expect(page.getByText('The left face is not to be touched')).toBeVisible()
  await mira.look('spared-face')
  await page.getByRole('checkbox', { name: 'left face', exact: true }).click()
  await page.getByRole('checkbox', { name: 'right face', exact: true }).click()
  await page.getByTestId('go-on').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Home the machine/)
  await mira.goTo('holding')
  await expect(page.getByText('G54: not to be touched, right face.')).toBeVisible()
})
