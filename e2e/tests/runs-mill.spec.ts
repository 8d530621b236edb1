import { barriers } from '../support/accessible'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'
import { NO_SWITCHES, PART_TOP_SHIM, SENSOR_TWO_FIXTURES } from '../support/sheets'
import { visit } from '../support/visit'

test('mill by the gauge line, a 3D sensor over two fixtures; the control took another tool for active', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signInByKeys('Mira Toller')
  await mira.begin(SENSOR_TWO_FIXTURES)
  await mira.ready()

  // The end mill is where it was last time; a digit slips and is seen against it before it is entered.
  await expect(page.getByText('Last time it measured 80.000 mm')).toBeVisible()
  await mira.goTo('tip-on-plane:T9')
  await mira.read(/Lower T9 onto the fixed jaw/, '-190.000', '160.000')
  // This control works Z out with the length that is active: lengths are keyed before it is touched.
  await mira.keyIn('H9', '160.000')
  await mira.goTo('tip-on-plane:T1')
  await mira.keys('-202.000')
  // The slip by its name, and not only that it differs from last time.
  await expect(page.getByTestId('surprise')).toContainText('The other way round')
  await expect(page.getByTestId('step-warning')).toBeHidden()
  await mira.look('last-time')
  await mira.next()
  await expect(page.getByText('Touch again. To enter it all the same')).toBeVisible()
  await page.getByTestId('reading').fill('')
  await mira.read(/Lower T1 onto the 50 mm setter/, '-220.000', '80.000')
  await mira.keyIn('H1', '80.000')

  await mira.seeTo(/Seat the part/)
  await mira.read(/Left face, from the left, until the 3D sensor touches/, '-412.300')
  await mira.read(/Right face, from the right/, '-292.300', '−352.300')
  await mira.read(/Front face, from the front/, '-255.000', '−255.000')
  await mira.read(/Left face, from the left/, '-212.300', '−212.300')
  await mira.read(/Front face, from the front/, '-255.010', '−255.010')

  // The slip behind most crashes: the control believes the end mill is in.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Lower T9 onto the stock top/)
  await mira.spindle(/T9/, /T1/)
  // This control works Z out from where it stands: what is told depends on the length that is active.
  await expect(page.getByText('With H1 active')).toBeVisible()
  await expect(page.getByTestId('to-type')).toHaveText('80.000')
  await mira.keys('-380.000')
  await expect(page.getByTestId('stands')).toHaveText('Z −220.000 mm')
  await expect(page.getByTestId('step-warning')).toContainText('the control has T1 active')
  await expect(page.getByTestId('step-warning')).toContainText(
    'Every tip would come 80.000 mm too high',
  )
  await mira.look('control-tool')
  await mira.next()
  await expect(page.getByText('This disagrees. Look again')).toBeVisible()
  await page.getByTestId('controlSays').click()
  await page.getByRole('radio', { name: /T9/ }).click()
  await expect(page.getByTestId('step-warning')).toBeHidden()
  // The sensor stands on the stock top with its own length active: that is zero, and the row tells the touch.
  await expect(page.getByText('With H9 active')).toBeVisible()
  await page.getByTestId('reading').fill('')
  await mira.captures(/Lower T9 onto the stock top/, '0.000', '−380.000', 'Z −220.000 mm')
  await page.getByRole('radio', { name: 'on the part of G54' }).click()
  await mira.look('fixture-difference')
  await mira.read(/Zero the relative counter on one stock top/, '2.500', '−377.500')

  for (const [register, value] of [
    ['G54 X', '−352.300'],
    ['G54 Y', '−255.000'],
  ])
    await mira.keyIn(register!, value!)
  await mira.keyIn('G55 X', '−212.300')
  await mira.keyIn('G55 Y', '−255.010')
  // G54's row again under G55's name: the other row is named.
  await mira.keyIn('G55 Z', '−377.500', '-380.000')
  await expect(page.getByTestId('mismatch')).toContainText('G54 Z')
  await page.getByTestId('keyed-again').click()
  await mira.keyIn('G55 Z', '−377.500')

  // Both work offsets with the one tool that was touched; Z is lifted clear first, in the machine's own words.
  await expect(page.getByTestId('retract')).toHaveText('G53 G0 Z0')
  await mira.prove(/Send T1 over zero/, '50.00')
  await mira.prove(/Send T1 over zero/, '50.00')
  await mira.airCut('-20', '10', '30.000')
  await mira.release()
})

test('part top with a shim: a forgotten shim is named, a gap at the proof finds a length', async ({
  page,
  demo,
}) => {
  const jory = new Machinist(page, demo.address, true)
  await jory.signIn('Jory Fenn')
  await jory.begin(PART_TOP_SHIM)
  await jory.ready()
  // The part is held before a tool touches it.
  await jory.seeTo(/Seat the part/)
  await jory.read(/Lower T1 onto the stock top, 0.1 mm shim between/, '-300.000', '−300.100')
  await jory.read(/Lower T2 onto the stock top/, '-280.000', '−280.100')
  await jory.read(/Left face/, '-412.300', '−407.300')
  await jory.read(/Front face/, '-255.000', '−250.000')

  await jory.keyIn('H1', '−300.100')
  await jory.keyIn('H2', '−280.100', '-280.000')
  await expect(page.getByTestId('mismatch')).toContainText('What lay between was forgotten')
  await jory.look('mismatch-shim')
  await page.getByTestId('keyed-again').click()
  await jory.keyIn('H2', '−280.100')
  await jory.keyIn('G54 X', '−407.300')
  await jory.keyIn('G54 Y', '−250.000')
  await jory.keyIn('G54 Z', '−0.500')

  // The facing was taken off twice at the machine: the block does not pass as it should.
  await jory.prove(/Send T1 over zero, 25.000 mm above/, '24.50')
  await expect(page.getByTestId('proof-said')).toContainText('0.500 mm too deep')
  await expect(page.getByTestId('proof-said')).toContainText('G54 Z')
  await jory.look('proof-wrong')
  await page.getByTestId('prove-again').click()
  await jory.prove(/Send T1 over zero/, '25.00')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Send T2 over zero/)
  // The second tool is left out, by name and with a reason.
  await page.getByRole('button', { name: 'Not proven this time' }).click()
  await page.getByRole('button', { name: 'Accept it unproven' }).click()
  await expect(page.getByText('A reason is needed')).toBeVisible()
  await page.getByTestId('reason').fill('proven on the last part, not taken out')
  await page.getByRole('button', { name: 'Accept it unproven' }).click()
  await page.getByRole('button', { name: 'Seen in graphics instead' }).click()

  // The first part: a floor too deep asks H to grow.
  await page.getByRole('radio', { name: 'depth of a floor' }).click()
  await page.getByRole('radio', { name: 'T2' }).click()
  // A wrong digit is doubted while it is typed, and nothing is corrected by it.
  await page.getByTestId('feature-name').fill('pocket')
  await jory.numbers({ nominal: '6.00', measured: '9.03' })
  await expect(page.getByTestId('wear')).toContainText('Was 6.03 mm meant?')
  await jory.next()
  await expect(page.getByTestId('far-measured')).toContainText('9.03 mm is 3.030 mm off.')
  await expect(page.getByTestId('key-corrections')).toHaveCount(0)
  await jory.look('far-measured')
  await page.getByRole('button', { name: 'Take it out' }).click()
  await expect(page.getByTestId('far-measured')).toHaveCount(0)
  await jory.numbers({ nominal: '6.00', measured: '6.03', upper: '0.02' })
  await expect(page.getByTestId('wear')).toHaveText('Correct H2 by +0.030 mm.')
  await jory.look('wear')
  await jory.next()
  // A correction is a key-in: the row from what it shows, read back, and proven anew.
  await expect(page.getByText(/Outside its limits, not judged: no gauge is named/)).toBeVisible()
  const key = page.getByTestId('key-corrections')
  await expect(key).toHaveText(/Key H2 −\d+\.\d+ → −\d+\.\d+ mm/)
  await jory.look('key-corrections')
  const [, becomes] = /→ (\S+) mm/.exec(await key.innerText()) ?? []
  await key.click()
  await jory.keyIn('H2', becomes!)
  await page.getByRole('button', { name: 'Not proven this time' }).click()
  await page.getByTestId('reason').fill('grown by three hundredths, looked over')
  await page.getByRole('button', { name: 'Accept it unproven' }).click()
  await page.getByTestId('first-part-done').click()
  await expect(page.getByText('H2 unproven: proven on the last part')).toBeVisible()
  await jory.look('release-accepted')
  await page.getByTestId('record').click()
  await expect(page.getByTestId('frozen')).toContainText('Released')

  // What was measured stays with the job, repeat after repeat.
  const id = new URL(page.url()).searchParams.get('id') ?? page.url().split('/').at(-1)!
  await visit(page, `${demo.address}/setups/first-parts?id=${id.split('?')[0]}`)
  await expect(page.getByText(/\+0\.030 in ±0\.020 mm/).first()).toBeVisible()
  expect(await barriers(page)).toEqual([])
  await jory.look('first-parts')
})

test('a mill without switches: a power cut, found again by dials and scale, numbers shifted by it', async ({
  page,
  demo,
}) => {
  const mira = new Machinist(page, demo.address, true)
  await mira.signIn('Mira Toller')
  await mira.begin(NO_SWITCHES)
  const marks = (changes: Record<string, string> = {}) => ({
    Xdial: '0.0320',
    Xcoarse: '4.25',
    Ydial: '0.0100',
    Ycoarse: '2.50',
    Zdial: '0.0000',
    ...changes,
  })
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Drive to the marks/)
  // Next says what it waits for, and an axis without a scale has none.
  await page.getByTestId('next').click()
  await expect(page.getByRole('alert')).toHaveText(/one axis at least/)
  await mira.numbers(marks())
  await page.getByTestId('next').click()
  await expect(page.getByRole('alert')).toHaveText(/which way the X dial counts/)
  // On a small phone the question has scrolled away: it is answered there, beside the keys and not on them.
  await page.setViewportSize({ width: 360, height: 560 })
  await expect(page.getByRole('button', { name: 'X counts up' })).toBeInViewport({ ratio: 1 })
  await page.getByRole('button', { name: '7', exact: true }).click({ trial: true })
  await page.getByRole('button', { name: 'X counts up' }).click()
  await page.setViewportSize({ width: 390, height: 844 })
  for (const way of ['Y up', 'Z up']) await page.getByRole('radio', { name: way }).click()
  await mira.look('home-marks')
  await mira.next()
  await mira.seeTo(/Clean the seats/)
  await mira.seeTo(/Lay out the gauges/)
  await mira.read(/Lower T1 onto the 2 in setter/, '-8.1240', '−10.1240')
  await mira.seeTo(/Seat the part/)
  await mira.read(/Left face/, '-3.4250', '−3.3250')
  await mira.read(/Front face/, '-6.1085', '−6.0085')
  await page.getByRole('radio', { name: 'on the table' }).click()
  await mira.read(/Zero the relative counter/, '1.4980', '1.4980')
  await mira.keyIn('H1', '−10.1240')
  await mira.keyIn('G54 X', '−3.3250')
  await expect(page.getByText('G54 Y', { exact: true }).first()).toBeVisible()

  // The power goes. What it ends is seen before it is said.
  await page.getByTestId('changed').click()
  await page.getByRole('radio', { name: 'Power cut, or home was lost' }).click()
  await expect(page.getByTestId('to-do-again')).toContainText('Home by marks')
  await expect(page.getByText('As they are: G54 Z.')).toBeVisible()
  await mira.look('power-cut')
  await page.getByTestId('it-happened').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Find the zero again/)
  await expect(page.getByText('X dial · was 0.0320')).toBeVisible()

  // Another turn of the dial: the scale gives it away.
  await mira.numbers(marks({ Xdial: '0.0345', Xcoarse: '4.35' }))
  await expect(page.getByTestId('shift-X')).toContainText('1 whole turn')
  await mira.look('recovery')
  await mira.numbers({ Xcoarse: '4.25' })
  await expect(page.getByTestId('shift-X')).toContainText('positions read 0.0025 in less')
  await page.getByTestId('in-force').click()
  await expect(page.getByText('In force before')).toBeVisible()
  await mira.next()
  // A place that was read before says the same, nearer than a dial does; Y and Z go by their dials.
  await expect(page.getByTestId('known-places')).toContainText('X −3.4250')
  await mira.numbers({ X: '-3.4276' })
  await expect(page.getByTestId('compared-X')).toContainText('0.0001 in less than the dial says')
  await mira.look('marks-checked')
  expect(await barriers(page)).toEqual([])
  await mira.next()

  // The number of H1 holds; what the control has of it after the cut is read back. X is carried over and is keyed again.
  await mira.keyIn('H1', '−10.1240')
  await expect(page.getByText('G54 X', { exact: true }).first()).toBeVisible()
  await mira.keyIn('G54 X', '−3.3276')
  await mira.keyIn('G54 Y', '−6.0085')
  await mira.keyIn('G54 Z', '1.4980')
  // Where part zero is by the dials is kept too, and a second power cut is held against it.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Drive to X0 Y0 of G54/)
  await mira.numbers({ Xdial: '0.0120', Xcoarse: '1.10', Ydial: '0.0400' })
  await mira.look('part-zero')
  await mira.next()
  await page.getByTestId('changed').click()
  await page.getByRole('radio', { name: 'Power cut, or home was lost' }).click()
  await page.getByTestId('it-happened').click()
  await mira.numbers(marks({ Xdial: '0.0345' }))
  await mira.next()
  await expect(page.getByTestId('known-places')).toContainText('X −3.4276')
  await expect(page.getByTestId('next')).toHaveText('Go by the dials')
  await mira.next()
  // All that the control holds is read back again before part zero is driven to by it.
  for (const [row, shows] of [
    ['H1', '−10.1240'],
    ['G54 X', '−3.3276'],
    ['G54 Y', '−6.0085'],
    ['G54 Z', '1.4980'],
  ] as const)
    await mira.keyIn(row, shows)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    /Do the dials show what they did/,
  )
  await mira.numbers({ Xdial: '0.0120', Xcoarse: '1.10', Ydial: '0.0500' })
  await expect(page.getByTestId('shift-X')).toHaveText('X: where it was, to the graduation.')
  await page.getByTestId('next').click()
  await expect(page.getByRole('alert').first()).toHaveText(/Y stands 0.0100 in further to plus/)
  await mira.look('part-zero-elsewhere')
  await mira.numbers({ Ydial: '0.0410' })
  await mira.next()
  await mira.prove(/Send T1 over zero, 2.0000 in above/, '2.000')
  await page.getByRole('button', { name: 'Seen in graphics instead' }).click()
  await mira.release()
})
