import { registerName } from '../../address/address'
import type { SetupEvent } from '../../facts/bodies/event'
import type { Nanometres } from '../../length/length'
import type { Recheck } from '../../running/recheck'
import { lengthWords } from '../typographic'

/** What a tool that was measured again says of its row, and what to do. */
export function describeRecheck(
  { tool, address, longer, limit, verdict, like }: Recheck,
  write: (nm: Nanometres) => string,
): { readonly text: string; readonly look: string } {
  const row = registerName(address)
  const by =
    longer === 0
      ? `T${tool} is exactly as ${row} says.`
      : `T${tool} is ${write(Math.abs(longer) as Nanometres)} ${longer > 0 ? 'longer' : 'shorter'} than ${row} says.`
  switch (verdict) {
    case 'holds':
      return { text: by, look: `Still good: such a tool repeats within ${write(limit)}.` }
    case 'all-moved':
      return {
        text: by,
        look: `So ${like.length === 1 ? 'is' : 'are'} ${like.map((other) => `T${other}`).join(', ')}: the plane, the reference or the machine’s zero moved, not the tool. Touch the reference again before you correct anything.`,
      }
    case 'differs':
      return {
        text: by,
        look: 'It slipped, wore or was changed. Touch it again; then correct the row, or find out why.',
      }
  }
}

/** What is written to those who work with the same tool. */
export const rechecksNote = (
  {
    holds,
    found,
    kept,
  }: Pick<Extract<SetupEvent, { kind: 'tool-rechecked' }>, 'holds' | 'found' | 'kept'>,
  tool: number,
): string =>
  kept
    ? `T${tool} was measured again: its row held ${lengthWords(holds)}, found ${lengthWords(found)}. It holds.`
    : `T${tool} was measured again and its row corrected: it held ${lengthWords(holds)} and holds ${lengthWords(found)} now. Touch it again here.`
