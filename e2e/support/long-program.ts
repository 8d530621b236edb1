import type { Page } from '@playwright/test'

/**
 * Picks a program of so many thousand moves (3,200 are 100 MB): made in the page, for the driver cannot hand a file of this length over.
 * @returns its length in bytes
 */
export const pickLong = (page: Page, thousands: number): Promise<number> =>
  page.evaluate((count) => {
    const block = Array.from(
      { length: 1000 },
      (_, at) =>
        `N${at} G1 X${(at % 97).toFixed(3)} Y${(at % 89).toFixed(3)} Z-${(at % 7).toFixed(3)} F800\n`,
    ).join('')
    const parts = ['G21 G90 G17 G40 G49 G80\nT1 M6\nG54 G43 H1 G0 X0 Y0 Z25.\n']
    for (let at = 0; at < count; at += 1) parts.push(block)
    const file = new File([...parts, 'G0 Z25.\nG49\nM30\n'], 'long.ngc')
    const transfer = new DataTransfer()
    transfer.items.add(file)
    const input = document.querySelector<HTMLInputElement>('[data-testid=program-file]')
    if (input === null) throw new Error('no file input')
    input.files = transfer.files
    input.dispatchEvent(new Event('change', { bubbles: true }))
    return file.size
  }, thousands)
