/** Grades of gauge blocks, from the calibration grade to the shop's. */
export const BLOCK_GRADES = ['K', '0', '1', '2'] as const

export type BlockGrade = (typeof BLOCK_GRADES)[number]

/**
 * Limit deviation of the length at any point from nominal, ± micrometres, by the largest nominal
 * length in millimetres: ISO 3650:1998, table 5 (from memory; a certificate comes first).
 */
const LIMITS: readonly (readonly [upToMm: number, limits: Readonly<Record<BlockGrade, number>>])[] =
  [
    [10, { K: 0.2, '0': 0.12, '1': 0.2, '2': 0.45 }],
    [25, { K: 0.3, '0': 0.14, '1': 0.3, '2': 0.6 }],
    [50, { K: 0.4, '0': 0.2, '1': 0.4, '2': 0.8 }],
    [75, { K: 0.5, '0': 0.25, '1': 0.5, '2': 1 }],
    [100, { K: 0.6, '0': 0.3, '1': 0.6, '2': 1.2 }],
    [150, { K: 0.8, '0': 0.4, '1': 0.8, '2': 1.6 }],
    [200, { K: 1, '0': 0.5, '1': 1, '2': 2 }],
    [250, { K: 1.2, '0': 0.6, '1': 1.2, '2': 2.4 }],
  ]

/**
 * How far a block of a grade may be from its nominal length, ± millimetres.
 *
 * @param nominalMm its marked length, millimetres.
 * @returns undefined above 250 mm, where blocks are taken by their certificate.
 * @example blockLimitMm(25, '1') // 0.0003
 */
export function blockLimitMm(nominalMm: number, grade: BlockGrade): number | undefined {
  const limits = LIMITS.find(([upToMm]) => nominalMm <= upToMm)?.[1]
  return limits && limits[grade] / 1000
}

/** From the finest on; K is held to the limits of 1, and to less over its faces. */
const FINEST_FIRST: readonly BlockGrade[] = ['0', '1', '2']

/**
 * The finest grade whose limit a block of this length keeps; undefined where it keeps none, and above 250 mm.
 *
 * @param offMm measured less marked, millimetres.
 * @example finestGrade(0.00035, 25) // '2'
 */
export const finestGrade = (offMm: number, nominalMm: number): BlockGrade | undefined =>
  FINEST_FIRST.find((grade) => Math.abs(offMm) <= (blockLimitMm(nominalMm, grade) ?? -1))
