import type { Page } from '@playwright/test'
import axe, { type RunOptions } from 'axe-core'

declare global {
  interface Window {
    readonly axe: typeof axe
  }
}

/** What another colour scheme can break: the rest of a page is the same in both. */
const COLOURS: RunOptions = {
  resultTypes: ['violations'],
  runOnly: { type: 'rule', values: ['color-contrast'] },
}
const ALL: RunOptions = {
  resultTypes: ['violations'],
  runOnly: { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] },
}

/** Asks axe in the page itself: there are no frames, and it is loaded once for every look. */
async function violations(page: Page, within: string, options: RunOptions) {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  return page.evaluate(async ([context, how]) => (await window.axe.run(context, how)).violations, [
    within,
    options,
  ] as const)
}

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
 * thumb. Empty where nothing does.
 * @param look `colours` where the same page has been looked at in its other colours.
 */
export async function barriers(
  page: Page,
  look: 'all' | 'colours' = 'all',
): Promise<readonly string[]> {
  // What lies dimmed behind a dialog cannot be used, and is not to be read.
  const within = (await page.getByRole('dialog').count()) > 0 ? '[role=dialog]' : 'html'
  const broken = await violations(page, within, look === 'all' ? ALL : COLOURS)
  return [
    ...broken.map(({ id, nodes }) => `${id} ${nodes[0]?.target} ${nodes[0]?.failureSummary}`),
    ...(look === 'all' ? await smallTargets(page) : []),
  ]
}
