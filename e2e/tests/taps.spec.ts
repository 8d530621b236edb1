import { v7 as uuid } from 'uuid'
import { Machinist } from '../support/machinist'
import { expect, test } from '../support/product'

const TOOLS = Array.from({ length: 12 }, (_, at) => at + 1)

/** Twelve tools of an inch job, each in its own register, in one work offset. */
const PROGRAM = [
  'G20 G90 G17 G40 G49 G80',
  ...TOOLS.flatMap((tool) => [
    `T${tool} M6 (${tool}/16 end mill)`,
    'G54 G0 X0 Y0 S2000 M3',
    `G43 H${tool} Z1.`,
    'G1 Z-.1 F8.',
    'G0 Z1.',
    'G49',
  ]),
  'M30',
].join('\n')

const MILL = {
  name: 'Inch mill',
  kind: 'mill',
  control: { decimals: { mm: 3, in: 4 }, lengthKey: 'set', workOffsetKey: 'set' },
  travels: { X: [-20, 0], Y: [-16, 0], Z: [-20, 0] },
  retract: 'G53 G0 Z0',
}
const inches = (text: number) => ({ text: text.toFixed(1), unit: 'in' })
const machine = {
  ...MILL,
  travels: Object.fromEntries(
    Object.entries(MILL.travels).map(([axis, [min, max]]) => [
      axis,
      { min: inches(min!), max: inches(max!) },
    ]),
  ),
}

/** Counts every press of a finger and of a key, as they happen. */
class Counted extends Machinist {
  readonly parts = new Map<string, number>()
  private taps = 0

  async listen(): Promise<void> {
    await this.page.exposeFunction('tapped', () => (this.taps += 1))
    await this.page.addInitScript(() => {
      const tapped = () => (globalThis as unknown as { tapped: () => void }).tapped()
      for (const kind of ['pointerdown', 'keydown'])
        document.addEventListener(kind, tapped, { capture: true })
    })
  }

  /** What was pressed since the last part belongs to this one. */
  part(name: string): void {
    this.parts.set(name, this.taps)
    this.taps = 0
  }

  async type(field: string, text: string): Promise<void> {
    await this.page.getByTestId(field).click()
    await this.page.getByTestId(field).pressSequentially(text)
  }

  override async numbers(values: Readonly<Record<string, string>>): Promise<void> {
    for (const [key, value] of Object.entries(values)) await this.type(`number-${key}`, value)
  }
}

test('twelve tools in inches, from the program to the release: no more presses than they are worth', async ({
  page,
  demo,
}) => {
  test.setTimeout(240_000)
  const mira = new Counted(page, demo.address)
  await mira.listen()
  await mira.signIn('Mira Toller')
  const added = await page.request.post(`${demo.address}/api/machines`, {
    data: { id: uuid(), machine },
  })
  expect(added.status(), await added.text()).toBe(201)
  await page.reload()
  mira.part('signing in')

  await page.getByRole('button', { name: 'From a program' }).click()
  await page
    .getByTestId('program-file')
    .setInputFiles({ name: 'plate-12.ngc', mimeType: '', buffer: Buffer.from(PROGRAM) })
  await page.getByTestId('fill-sheet').click()
  await page.getByRole('radio', { name: 'Inch mill' }).click()
  await page.getByTestId('go-on').click()
  for (const [axis, size] of Object.entries({ X: '6', Y: '4', Z: '1.5' }))
    await mira.type(`stock-${axis}`, size)
  await page.getByTestId('go-on').click()
  for (const name of [/^2 in setter/, /^0.200 in edge finder/])
    await page.getByRole('checkbox', { name }).click()
  await page.getByTestId('go-on').click()
  await page.getByTestId('go-on').click()
  await page.getByTestId('go-on').click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Home the machine/)
  mira.part('the sheet, from the program')

  await mira.ready()
  const tips = TOOLS.map((tool) => (6 + tool * 0.2513).toFixed(4))
  for (const [at, tip] of tips.entries())
    await mira.read(new RegExp(`Lower T${at + 1} onto`), `-${tip}`)
  mira.part('ready, and twelve lengths read')

  await mira.seeTo(/Seat the part/)
  await mira.read(/Left face/, '-3.4250', '−3.3250')
  await mira.read(/Front face/, '-6.1085', '−6.0085')
  await page.getByRole('radio', { name: 'on the table' }).click()
  await mira.read(/Zero the relative counter/, '1.4980', '1.4980')
  mira.part('the part, and its three touches')

  for (const [at, tip] of tips.entries())
    await mira.keyIn(`H${at + 1}`, `\u2212${(Number(tip) + 2).toFixed(4)}`)
  await mira.keyIn('G54 X', '−3.3250')
  await mira.keyIn('G54 Y', '−6.0085')
  await mira.keyIn('G54 Z', '1.4980')
  mira.part('fifteen registers read back')

  for (const tool of TOOLS) await mira.prove(new RegExp(`Send T${tool} over zero`), '2.0000')
  mira.part('twelve proofs')
  await mira.seeTo(/Look the program over/)
  await mira.airCut('-0.1', '0.5', '0.6000')
  await mira.release()
  mira.part('the air cut, the first part and the release')

  const counts = [...mira.parts].filter(([name]) => name !== 'signing in')
  const total = counts.reduce((sum, [, taps]) => sum + taps, 0)
  process.stdout.write(
    `\n${[...counts, ['all of it', total]].map(([name, taps]) => `${name}: ${taps} presses`).join('\n')}\n`,
  )
  expect(total).toBeLessThanOrEqual(230)
})
