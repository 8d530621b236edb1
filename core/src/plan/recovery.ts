import { formatLength } from '../length/format-length'
import { FINEST_DECIMALS, type Nanometres, type WrittenLength } from '../length/length'
import { readLength } from '../length/read-length'
import { foundAgain, type FoundAgain } from '../freshness/home-marks'
import { homeBefore, type HomeMarks } from '../freshness/home-frames'
import type { HomeMark, SetupDocument } from '../facts/document'
import type { MachineAxis } from '../address/row'

/** A zero that was lost and is being looked for by its marks. */
export interface Recovery {
  /** Where the marks stood when zero was set last. */
  readonly marks: HomeMarks
  /** By axis, once its two numbers can be read; an axis without a declared dial is taken as it is. */
  readonly axes: Readonly<Partial<Record<MachineAxis, FoundAgain>>>
  /** What to enter; absent until all three are known and each is in a certain turn. */
  readonly shift?: Readonly<Record<MachineAxis, WrittenLength>>
}

/**
 * Undefined where nothing was lost, or no marks were written down: zero is then set afresh and what was
 * read before is read again.
 */
export function recoveryOf(document: SetupDocument, now: HomeMarks): Recovery | undefined {
  const { checkOffs, events, sheet } = document
  const lost = events.findLast(({ kind }) => kind === 'home-lost')
  const before = lost && homeBefore(checkOffs, lost.place)
  if (before === undefined) return undefined
  const { marks } = before
  const found = (axis: MachineAxis): FoundAgain | undefined => {
    const [was, is] = [markReading(marks[axis]), markReading(now[axis])]
    const turn = sheet.machine.dialTurn?.[axis]
    const declared = turn && readLength(turn, { sign: 'positive' })
    if (was === undefined || is === undefined) return undefined
    // Without the dial's turn nothing tells one turn from the next: the difference counts as read.
    return foundAgain(was, is, declared?.ok ? declared.value.nm : ENDLESS_TURN)
  }
  const [X, Y, Z] = [found('X'), found('Y'), found('Z')]
  const write = (nm: Nanometres): WrittenLength => ({
    text: formatLength(nm, sheet.unit, FINEST_DECIMALS[sheet.unit]),
    unit: sheet.unit,
  })
  return {
    marks,
    axes: { ...(X && { X }), ...(Y && { Y }), ...(Z && { Z }) },
    ...(X?.certain &&
      Y?.certain &&
      Z?.certain && { shift: { X: write(X.shift), Y: write(Y.shift), Z: write(Z.shift) } }),
  }
}

const ENDLESS_TURN = Number.MAX_SAFE_INTEGER as Nanometres

function markReading({ dial, coarse }: HomeMark) {
  const [fine, rough] = [readLength(dial), readLength(coarse)]
  return fine.ok && rough.ok ? { dial: fine.value.nm, coarse: rough.value.nm } : undefined
}
