import { valueOf } from '../../chain/chain'
import type { Nanometres } from '../../length/length'
import type { Ladder, LadderFrame, RungKey } from '../../picture/ladder'

const rungNames: Readonly<Record<RungKey, string>> = {
  nose: 'nose',
  tip: 'tip',
  plane: 'plane',
  'part-top': 'part top',
  zero: 'zero',
}

export const rungName = (key: RungKey): string => rungNames[key]

/** Whose positions the numbers of a ladder are: said in the drawing's corner. */
export function describeFrame(frame: LadderFrame): string {
  switch (frame.of) {
    case 'nose':
      return 'machine Z of the bare nose'
    case 'tool':
      return `machine Z when the tip of T${frame.tool} is there`
    case 'plane':
      return 'height above the plane'
  }
}

/** The ladder in a sentence, for a screen reader. */
export function speakLadder(ladder: Ladder, write: (nm: Nanometres) => string): string {
  const rungs = [...ladder.rungs]
    .sort((a, b) => b.height - a.height)
    .map(({ key, label }) => `${rungNames[key]} ${label ? write(valueOf(label)) : 'not read'}`)
  return `Heights from the top, ${describeFrame(ladder.frame)}: ${rungs.join(', ')}.`
}
