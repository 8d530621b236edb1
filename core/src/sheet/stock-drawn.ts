import type { SetupSheet, Stock } from './sheet'

/** A part of some size, where nobody said which: a picture of it shows what is touched, and no number is made of it. */
const SOME_PART: Stock = {
  X: { text: '100', unit: 'mm' },
  Y: { text: '70', unit: 'mm' },
  Z: { text: '40', unit: 'mm' },
}

/** The stock as it is drawn. */
export const stockDrawn = ({ stock }: Pick<SetupSheet, 'stock'>): Stock => stock ?? SOME_PART
