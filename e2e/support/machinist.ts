import { expect, type Page } from '@playwright/test'

const KEY_NAMES: Readonly<Record<string, string>> = { '.': 'decimal point', '-': 'turn the sign' }

/** What a person does, in the words of the screen. */
export class Machinist {
  constructor(
    readonly page: Page,
    readonly address: string,
  ) {}

  /** Types on our own keys; the sign comes last, as thumbs do it. */
  async keys(number: string): Promise<void> {
    for (const key of number.replace('-', ''))
      await this.page.getByRole('button', { name: KEY_NAMES[key] ?? key, exact: true }).click()
    if (number.startsWith('-'))
      await this.page.getByRole('button', { name: 'turn the sign' }).click()
  }

  async next(): Promise<void> {
    await this.page.getByTestId('next').click()
  }

  /** Adds a person to an empty product, and signs in. */
  async introduce(name: string, pin: string): Promise<void> {
    await this.page.goto(this.address)
    const stranger = this.page.getByRole('button', { name: 'I am not in this list' })
    const field = this.page.getByTestId('name')
    await expect(stranger.or(field)).toBeVisible()
    if (await stranger.isVisible()) await stranger.click()
    await field.fill(name)
    await this.page.getByTestId('pin').fill(pin)
    await this.page.getByRole('button', { name: 'Add me' }).click()
    await this.typePin(pin)
  }

  async signIn(name: string, pin = '2468'): Promise<void> {
    await this.page.goto(this.address)
    await this.page.getByRole('button', { name }).click()
    await this.typePin(pin)
  }

  private async typePin(pin: string): Promise<void> {
    await this.keys(pin)
    await this.next()
    await expect(this.page.getByRole('heading', { name: 'Set-ups' })).toBeVisible()
  }

  /** Reads one step: checks where one is, types, sees what it means, goes on. */
  async read(sentence: RegExp, number: string, means?: string): Promise<void> {
    await expect(this.page.getByRole('heading', { level: 1 })).toHaveText(sentence)
    await this.keys(number)
    if (means !== undefined) await expect(this.page.getByTestId('implied')).toHaveText(means)
    await this.next()
  }

  /** Keys one register in and types what the control shows. */
  async keyIn(register: string, type: string, shown = type): Promise<void> {
    await expect(this.page.getByText(register, { exact: true }).first()).toBeVisible()
    await expect(this.page.getByTestId('to-type')).toHaveText(type)
    await this.keys(shown.replace('\u2212', '-'))
    await this.next()
  }
}
