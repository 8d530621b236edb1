/** Sizes of paper, in points. Source: ISO 216 (A4: 210 × 297 mm), ANSI/ASME Y14.1 (Letter: 8.5 × 11 in). */
export const PAPER_SIZES = { A4: [595.28, 841.89], Letter: [612, 792] } as const

export type PaperSize = keyof typeof PAPER_SIZES
