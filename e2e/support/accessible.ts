import { AxeBuilder } from '@axe-core/playwright'
import type { Page } from '@playwright/test'

/** What can be pressed or typed into and is smaller than a thumb. */
const smallTargets = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, a, input, [role=radio], [role=checkbox]')]
      .filter((element) => {
        const { width, height } = element.getBoundingClientRect()
        const shown = width > 0 && height > 0 && getComputedStyle(element).visibility !== 'hidden'
        // A rung's number lies as close to the next as the heights do; its trace is also below the field.
        return (
          shown && !element.dataset['testid']?.startsWith('rung') && (width < 44 || height < 44)
        )
      })
      .map((element) => {
        const { width, height } = element.getBoundingClientRect()
        const name = element.getAttribute('aria-label') ?? element.textContent
        return `${name}: ${Math.round(width)} × ${Math.round(height)}, below 44 px`
      }),
  )

/**
 * What keeps somebody from using the page as it stands: rows of WCAG 2.2 AA that axe finds broken, and targets smaller than a
 * thumb. Empty where nothing does. The page must be of a context of its own: axe asks for it.
 */
export async function barriers(page: Page): Promise<readonly string[]> {
  const all = new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
  // What lies dimmed behind a dialog cannot be used, and is not to be read.
  const dialog = (await page.getByRole('dialog').count()) > 0
  const { violations } = await (dialog ? all.include('[role=dialog]') : all).analyze()
  return [
    ...violations.map(({ id, nodes }) => `${id} ${nodes[0]?.target} ${nodes[0]?.failureSummary}`),
    ...(await smallTargets(page)),
  ]
}
