import type { LengthUnit, WrittenLength } from '../length/length'

/** How far the distance of two touched faces, or a touched diameter, may differ from the drawing where nobody says more. From memory. */
export const usualTolerance = (unit: LengthUnit): WrittenLength => ({
  text: unit === 'mm' ? '0.1' : '0.004',
  unit,
})
