import { EMPTY_CHAIN, subtractChains, sumChains, type Chain } from '../chain/chain'

/** What the length register is counted from. See docs/method.md, and docs/domain.md, “The relation and the schools”. */
export const SCHOOLS = ['setting-plane', 'gauge-line', 'part-top', 'master-tool'] as const

export type School = (typeof SCHOOLS)[number]

/**
 * What is known about the plane and the tools, as machine Z positions. S is the setting plane and
 * R the stock top as the bare nose would touch them; L is a tool's length, nose to tip.
 */
export interface SchoolKnowledge {
  /** S. */
  readonly noseOnPlane?: Chain
  /** R − S: the stock top of the first fixture above the plane. */
  readonly partAbovePlane?: Chain
  /** S + Lm: where the master's tip would touch the plane. */
  readonly masterOnPlane?: Chain
  /** R: the stock top of the first fixture, as the bare nose would touch it. */
  readonly noseOnTop?: Chain
  /** R + Lm: where the master's tip would touch that top. */
  readonly masterOnTop?: Chain
  /** K: H = L − K; an empty chain where none is declared, absent where it cannot be read. */
  readonly constant?: Chain
  /** The length that the master is declared with; as with the constant. */
  readonly masterLength?: Chain
}

/**
 * Every school counts lengths from a reference height of its own; this is that height above the
 * setting plane, as machine Z (G in docs/method.md). With tip = S + L and zero = P − S:
 *
 *     H = tip − G        WCS.z = zero + G
 *
 * so WCS.z + H = P + L whatever G is: the invariant of docs/domain.md, “The relation and the schools”, and the whole of conversion.
 *
 * | school | G |
 * |---|---|
 * | setting plane | 0 |
 * | gauge line | S + K |
 * | part top | −(R − S) |
 * | master tool | S + Lm − declared length |
 *
 * @returns undefined while a touch that the school needs is missing.
 */
export function schoolReference(school: School, known: SchoolKnowledge): Chain | undefined {
  switch (school) {
    case 'setting-plane':
      return EMPTY_CHAIN
    case 'gauge-line':
      return known.noseOnPlane && known.constant && sumChains(known.noseOnPlane, known.constant)
    case 'part-top':
      return known.partAbovePlane && subtractChains(EMPTY_CHAIN, known.partAbovePlane)
    case 'master-tool':
      return (
        known.masterOnPlane &&
        known.masterLength &&
        subtractChains(known.masterOnPlane, known.masterLength)
      )
  }
}

/**
 * The same height counted from the stock top of the first fixture instead of from the plane (G + R − S): what a set-up
 * knows whose tools never touched a plane.
 */
export function schoolReferenceOnTop(school: School, known: SchoolKnowledge): Chain | undefined {
  switch (school) {
    case 'part-top':
      return EMPTY_CHAIN
    case 'setting-plane':
      return known.partAbovePlane
    case 'gauge-line':
      return known.noseOnTop && known.constant && sumChains(known.noseOnTop, known.constant)
    case 'master-tool':
      return (
        known.masterOnTop &&
        known.masterLength &&
        subtractChains(known.masterOnTop, known.masterLength)
      )
  }
}

/** H: where the tip would touch the plane, counted from the school's reference. */
export const lengthRegister = (tipOnPlane: Chain, reference: Chain): Chain =>
  subtractChains(tipOnPlane, reference)

/** WCS.z: program zero above the plane, counted from the school's reference. */
export const workOffsetZ = (zeroAbovePlane: Chain, reference: Chain): Chain =>
  sumChains(zeroAbovePlane, reference)
