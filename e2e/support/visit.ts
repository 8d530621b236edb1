import type { Page } from '@playwright/test'

/**
 * Goes to another page of the product as a press of a link or of *back* does: the program stays loaded, and what is on the screen is
 * drawn anew. An address that is typed, or asked for anew, loads everything: that is page.goto, where a test is about it.
 */
export async function visit(page: Page, address: string): Promise<void> {
  const isOpen =
    /^http/.test(page.url()) && new URL(page.url()).origin === new URL(address, page.url()).origin
  if (!isOpen) {
    await page.goto(address)
    return
  }
  await page.evaluate(async (to) => {
    const state = { id: String(performance.now()) }
    history.pushState(state, '', to)
    dispatchEvent(new PopStateEvent('popstate', { state }))
    // Until the new page is drawn the old one can be pressed.
    await new Promise((drawn) => requestAnimationFrame(drawn))
    await scheduler.postTask(() => undefined, { priority: 'background' })
  }, address)
}
