import type { Page } from '@playwright/test'

const shows = (page: Page, question: RegExp, answer: RegExp) =>
  page.getByRole('radiogroup', { name: question }).getByRole('radio', { name: answer }).click()

/** The three questions about a machine, answered as for a control that stores what is typed and whose machine position is read. */
export async function answerMachine(page: Page): Promise<void> {
  await shows(page, /^A work offset shows/, /what was typed/)
  await shows(page, /^A tool length shows/, /what was typed/)
  await shows(page, /^At a touch you read/, /machine position/)
}
