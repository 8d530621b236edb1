import type { ReadLength } from '../length/read-length'
import { resolutionMm } from './source-uncertainty'

/**
 * U (k = 2) of the mean of some readings with one gauge, by JCGM 100: s²/n of the readings, the step they are read to, and what
 * the gauge itself is known to.
 *
 * @param read one of the readings: its digits say the step.
 * @returns millimetres.
 */
export function expandedOf(
  read: ReadLength,
  {
    repeatabilityMm,
    gaugeMm,
    readings,
  }: { readonly repeatabilityMm: number; readonly gaugeMm: number; readonly readings: number },
): number {
  // The step is the same at each reading of the same size: it does not average out.
  return 2 * Math.hypot(repeatabilityMm / Math.sqrt(readings), resolutionMm(read), gaugeMm)
}
