import { v7 as uuid } from 'uuid'
import { declare } from '../support/declare'
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

/** A number below zero as screens write it. */
const MINUS = (digits: string) => `\u2212${digits}`

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
    for (const [key, value] of Object.entries(values)) {
      await this.page.getByTestId(`number-${key}`).clear()
      await this.type(`number-${key}`, value)
    }
  }
}

/** The same job on two controls: what is pressed differs, what is known at the end does not. */
const CONTROLS = [
  { name: 'typed', control: {}, most: 190, captures: false },
  // Lengths are copied in, X and Y are told as “my position”.
  {
    name: 'captured',
    control: { lengthKey: 'copy', workOffsetKey: 'position' },
    most: 160,
    captures: true,
  },
] as const

for (const { name, control, most, captures } of CONTROLS)
  test(`twelve tools in inches, numbers ${name}: from the program to the release in at most ${most} presses`, async ({
    page,
    demo,
  }) => {
    const mira = new Counted(page, demo.address)
    await mira.listen()
    await mira.signIn('Mira Toller')
    const called = `Inch mill, ${name}`
    const inchMill = { ...machine, name: called, control: { ...machine.control, ...control } }
    await declare(page, demo.address, ['machine', uuid()], inchMill)
    await page.reload()
    mira.part('signing in')

    await page.getByRole('button', { name: 'From a program' }).click()
    await page
      .getByTestId('program-file')
      .setInputFiles({ name: 'plate-12.ngc', mimeType: '', buffer: Buffer.from(PROGRAM) })
    await page.getByTestId('fill-sheet').click()
    await page.getByRole('radio', { name: called }).click()
    for (const gauge of [/^2 in setter/, /^0.200 in edge finder/])
      await page.getByRole('checkbox', { name: gauge }).click()
    await page.getByTestId('go-on').click()
    for (const [axis, size] of Object.entries({ X: '6', Y: '4', Z: '1.5' }))
      await mira.type(`stock-${axis}`, size)
    await page.getByTestId('go-on').click()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/Home the machine/)
    mira.part('the sheet, from the program')

    await mira.ready()
    const tips = TOOLS.map((tool) => (6 + tool * 0.2513).toFixed(4))
    const lengths = tips.map((tip) => (Number(tip) + 2).toFixed(4))
    for (const [at, tip] of tips.entries()) {
      const sentence = new RegExp(`Lower T${at + 1} onto`)
      if (captures)
        await mira.captures(sentence, MINUS('2.0000'), MINUS(lengths[at]!), `Z ${MINUS(tip)} in`)
      else await mira.read(sentence, `-${tip}`)
    }
    mira.part(captures ? 'ready, and twelve lengths captured' : 'ready, and twelve lengths read')

    await mira.seeTo(/Seat the part/)
    if (captures) {
      const radius = MINUS('0.1000')
      await mira.captures(/Left face/, radius, MINUS('3.3250'), `X ${MINUS('3.4250')} in`)
      await mira.captures(/Front face/, radius, MINUS('6.0085'), `Y ${MINUS('6.1085')} in`)
    } else {
      await mira.read(/Left face/, '-3.4250', MINUS('3.3250'))
      await mira.read(/Front face/, '-6.1085', MINUS('6.0085'))
    }
    await page.getByRole('radio', { name: 'on the table' }).click()
    await mira.read(/Zero the relative counter/, '1.4980', '1.4980')
    mira.part('the part, and its three touches')

    if (!captures) {
      for (const [at, length] of lengths.entries()) await mira.keyIn(`H${at + 1}`, MINUS(length))
      await mira.keyIn('G54 X', MINUS('3.3250'))
      await mira.keyIn('G54 Y', MINUS('6.0085'))
    }
    await mira.keyIn('G54 Z', '1.4980')
    mira.part(captures ? 'one register read back' : 'fifteen registers read back')

    for (const tool of TOOLS) await mira.prove(new RegExp(`Send T${tool} over zero`), '2.0000')
    mira.part('twelve proofs')
    await mira.seeTo(/Look the program over/)
    await mira.airCut('-0.1', '0.5', '0.6000')
    await mira.release()
    mira.part('the dry run, the first part and the release')

    const counts = [...mira.parts].filter(([part]) => part !== 'signing in')
    const total = counts.reduce((sum, [, taps]) => sum + taps, 0)
    process.stdout.write(
      `\n${[...counts, [`${name}, all of it`, total]].map(([part, taps]) => `${part}: ${taps} presses`).join('\n')}\n`,
    )
    expect(total).toBeLessThanOrEqual(most)
  })
