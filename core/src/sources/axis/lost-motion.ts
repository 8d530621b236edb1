import { chainOf, EMPTY_CHAIN, type Chain, type SourceUncertainty } from '../../chain/chain'
import { unknownWay, UNKNOWN_LOST_MOTION } from '../../budget/source-uncertainty'
import type { MachineAxis } from '../../address/row'
import { NANOMETRES_PER, toNanometres } from '../../length/length'
import type { ReadLength } from '../../length/read-length'
import type { MachineDeclaration } from '../../sheet/machine'
import type { Way } from '../../touch/touch'
import type { LengthReader } from '../gauge-chains'

const NOTHING: ReadLength = { nm: toNanometres(0), decimals: 0, unit: 'mm', text: '0' }

/**
 * How much too far a display stands when the axis came from the other side: positions are counted
 * as if the axis had last moved towards minus (down in Z).
 *
 * @param way undefined where nobody knows it: it is counted as towards minus, and the rest is uncertain.
 */
export function lostMotionOf(
  { lostMotion }: Pick<MachineDeclaration, 'lostMotion'>,
  reader: LengthReader,
  way: Way | undefined,
  axis: MachineAxis,
): Chain | undefined {
  if (way === '-') return EMPTY_CHAIN
  const written = lostMotion?.[axis]
  const place = `sheet.machine.lostMotion.${axis}`
  const name = `backlash in ${axis}`
  const uncertain = (uncertainty: SourceUncertainty, id = place) =>
    chainOf({ id, kind: 'declared', name, length: NOTHING, uncertainty }, 'lost-motion')
  // Not declared: taken as nothing, and put into the uncertainty wherever it does not cancel.
  if (written === undefined) return uncertain(UNKNOWN_LOST_MOTION)
  const length = reader.length(written, { place, sign: 'not-negative' })
  if (length === undefined) return undefined
  if (way === undefined)
    return length.nm === 0
      ? EMPTY_CHAIN
      : uncertain(unknownWay(length.nm / NANOMETRES_PER.mm), `${place}.unknown`)
  return chainOf({ id: place, kind: 'declared', name, length }, 'lost-motion')
}
