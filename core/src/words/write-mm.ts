import { formatLength } from '../length/format-length'
import { NANOMETRES_PER, toNanometres, type LengthUnit } from '../length/length'
import { typographic } from './typographic'

const DECIMALS: Readonly<Record<LengthUnit, number>> = { mm: 3, in: 4 }

/** Millimetres in a unit, with the decimals that its gauges have. */
export const writeMm = (mm: number, unit: LengthUnit, more = 0): string =>
  typographic(
    formatLength(
      toNanometres(Math.round(mm * NANOMETRES_PER.mm)),
      unit,
      Math.min(DECIMALS[unit] + more, 6),
    ),
  )
