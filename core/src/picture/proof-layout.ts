import type { Nanometres } from '../length/length'
import type { ProofMove } from '../proof/proof'

/** Heights of a cautious move on the screen, in pixels from the upper edge. */
export interface PlacedProof {
  /** Work zero, and the top of the block that the tip is sent above. */
  readonly zero: number
  readonly ends: number
  /** The tip before it is moved across. */
  readonly raised: number
  /** Whether `raised` is to scale with the others: it is a guess where the machine declares no travel. */
  readonly isToScale: boolean
}

/** Of a block this small a part of the picture, nobody sees that it passes beneath. */
const LEAST_SHARE = 0.34
/** How much higher than the block the tip is drawn where nobody knows how high it is raised. */
const GUESSED = 2.5

/**
 * Places a cautious move seen from the side. The block is to scale with the height that the tip is raised to, unless it
 * would be too small to be seen.
 */
export function layoutProof(
  { clearance, highest }: Pick<ProofMove, 'clearance' | 'highest'>,
  room: { readonly top: number; readonly bottom: number },
): PlacedProof {
  const isKnown = highest !== undefined && highest > clearance
  const up: Nanometres | number = isKnown ? highest : clearance * GUESSED
  const span = room.bottom - room.top
  const share = clearance / up
  return {
    zero: room.bottom,
    ends: room.bottom - span * Math.max(share, LEAST_SHARE),
    raised: room.top,
    isToScale: isKnown && share >= LEAST_SHARE,
  }
}
