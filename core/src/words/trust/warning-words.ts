import { registerName } from '../../address/address'
import { proofOfKey } from '../../proof/proof-key'
import { typographic } from '../typographic'
import { moduleOf, quantityOfKey } from '../../quantities/quantities'
import type { Warning, WarningCode } from '../../registers/warning'

/** Writes a length in the set-up's unit, with the unit. */
export type LengthWriter = (nm: NonNullable<Warning['amount']>) => string

/** How much higher or lower: nobody has to know which sign that is. */
const apart = (amount: Warning['amount'], write: LengthWriter): string =>
  amount === undefined
    ? 'elsewhere'
    : `${write(Math.abs(amount) as typeof amount)} ${amount > 0 ? 'higher' : 'lower'}`

const words: Readonly<Record<WarningCode, (warning: Warning, write: LengthWriter) => string>> = {
  'size-differs': ({ place, amount, limit }, write) =>
    `${place}: the two faces lie ${amount === undefined ? '' : write(amount)} from the drawing size (allowed ±${limit === undefined ? '?' : write(limit)}). One of the readings, the tip or the drawing size is wrong.`,
  'faces-swapped': ({ place }) =>
    `${place}: the right or back face reads lower than the left or front one. The two readings have changed places, or a sign is wrong.`,
  'length-not-positive': ({ place, amount }, write) =>
    `${place} is ${amount === undefined ? 'not positive' : write(amount)}: a tool cannot end above the spindle nose. Look at the sign of the tip reading and of the nose reading.`,
  'repeats-spread': ({ place, amount, limit }, write) =>
    `${place}: the repeats differ by ${amount === undefined ? '?' : write(amount)}, more than ${limit === undefined ? '?' : write(limit)}. A burr, a chip or a loose tool does that.`,
  'approach-mixed': () =>
    'Some heights were touched lowering and others rising, and the backlash of Z is not measured: they may differ by all of it. Touch from one side, or measure it on the machine.',
  'ways-differ': ({ place, beside, amount, limit }, write) =>
    `${place} gives a stock top ${amount === undefined ? '' : `${write(Math.abs(amount) as typeof amount)} `}${(amount ?? 0) < 0 ? 'lower' : 'higher'} than ${beside ?? 'another way'} (up to ${limit === undefined ? '?' : write(limit)} may be chance). One of the two was misread, or something moved between them.`,
  'known-length-differs': ({ place, amount, limit }, write) =>
    `${place}: as touched it is ${amount === undefined ? '' : `${write(Math.abs(amount) as typeof amount)} `}${(amount ?? 0) < 0 ? 'shorter' : 'longer'} than the sheet’s length (up to ${limit === undefined ? '?' : write(limit)} may be chance). The length or a reading is wrong, or the tool slipped in its holder.`,
  'gauge-size-differs': ({ place, amount }, write) =>
    `${place}: the measured size is ${amount === undefined ? '' : `${write(Math.abs(amount) as typeof amount)} `}${(amount ?? 0) < 0 ? 'smaller' : 'larger'} than what is marked on it. A gauge is off by hundredths at most: check the number, its unit, and which gauge it is.`,
  'edge-turned': ({ place, amount, limit }, write) =>
    `${place} runs out by ${amount === undefined ? '?' : write(amount)} over the part (allowed ±${limit === undefined ? '?' : write(limit)}). Square it, and touch it again.`,
  'spindle-tool-differs': ({ place, amount, tools = [] }, write) =>
    `${place}: ${toolName(tools[1])} is in the spindle, not ${toolName(tools[0])}.${amount === undefined ? '' : ` Every tip would come ${write(Math.abs(amount) as typeof amount)} ${amount > 0 ? 'too deep' : 'too high'}.`} Put in the right one, and touch again.`,
  'control-tool-differs': ({ place, amount, tools = [] }, write) =>
    `${place}: ${toolName(tools[1])} is in the spindle, and the control has ${toolName(tools[2])} active.${amount === undefined ? '' : ` Every tip would come ${write(Math.abs(amount) as typeof amount)} ${amount > 0 ? 'too deep' : 'too high'}.`} Make the two the same, and touch again.`,
  'gauge-size-unknown': ({ beside }) =>
    `The ${beside ?? 'gauge'} is not measured: it counts only where it cancels, under the nose and the tip alike, not here. Touch with another gauge, or measure this one first.`,
  'differs-from-last-time': ({ place, amount, limit }, write) =>
    `${place} differs from last time by ${amount === undefined ? '?' : write(amount)}, more than ${limit === undefined ? '?' : write(limit)}. Was it replaced or re-gripped, or was a gauge missed?`,
  'kept-differs': ({ place, amount, limit }, write) =>
    `${place} comes ${apart(amount, write)} than the reused length (allowed ±${limit === undefined ? '?' : write(limit)}). The lengths reused with it no longer count. If this tool was changed, report that; if not, touch them here.`,
  'kept-moved': ({ place, amount }, write) =>
    `${place} and the others touched again all come ${apart(amount, write)} than the reused lengths: the setting plane or home moved. Report the move and touch one of them once more, or touch them all here.`,
  'outside-travel': ({ place, axis, amount }, write) =>
    `${place}: the machine does not go there. ${axis === undefined ? 'It' : `${axis} as read`} lies ${amount === undefined ? '' : `${write(Math.abs(amount) as typeof amount)} `}beyond the end of its travel. Read it again.`,
  'digits-missing': ({ place }) =>
    `${place} has fewer digits than your other readings. Missing one?`,
  'counter-zero-unknown': ({ place, beside }) =>
    `${place} was read on the relative counter: ${beside ?? 'its row'} cannot be counted from that. Read the machine position, or touch what it is counted from on the same counter.`,
  'no-sensor': ({ place }) =>
    `${place} was read without naming a sensor: its radius is counted as zero.`,
  'keyed-by-two': ({ place, people = [] }) =>
    `${place}: ${people.map(({ name, shown }) => `${name} keyed it and saw ${typographic(shown.text)} ${shown.unit}`).join(', ')}; neither knew of the other. Look what the control shows now, and key it in once more.`,
  'read-back-differs': ({ place, amount }, write) =>
    `${place}: the control does not show what it should; it is off by ${amount === undefined ? '?' : write(amount)}.`,
  'proof-differs': ({ place, amount }, write) =>
    `${place}: the block did not pass as it should; the tip stands ${amount === undefined ? 'elsewhere' : `${write(amount)} from where it was sent`}. Do not cut: find out why first.`,
  'lift-active': ({ amount }, write) =>
    `Everything is raised by ${amount === undefined ? '?' : write(amount)} for a dry run. Take the lift out before the part is cut.`,
  'no-grip': ({ amount }, write) =>
    `The jaws are ${amount === undefined ? 'not' : `${write(amount)}`} above the parallels: nothing, or too little, is gripped. One of the two heights on the sheet is wrong.`,
  'little-grip': ({ amount, limit }, write) =>
    `The jaws hold only ${amount === undefined ? '?' : write(amount)} of the part, less than ${limit === undefined ? '?' : write(limit)}: it may be pulled out. Lower parallels, or look whether one of the two heights is wrong.`,
  'side-cut-meets-jaws': ({ amount }, write) =>
    `The deepest side cut ${sideCut(amount, write)}. Grip less, or stand the part on higher parallels.`,
}

export const describeWarning = (warning: Warning, write: LengthWriter): string =>
  words[warning.code](
    {
      ...warning,
      place: placeName(warning.place),
      ...(warning.beside !== undefined && { beside: placeName(warning.beside) }),
    },
    write,
  )

/** How near a cut comes to the jaws, or how far into them. */
function sideCut(amount: Warning['amount'], write: LengthWriter): string {
  if (amount === undefined) return 'comes too near to the jaws'
  return amount < 0
    ? `goes ${write(Math.abs(amount) as typeof amount)} below the upper edge of the jaws`
    : `comes to ${write(amount)} from the jaws`
}

const toolName = (tool: number | null | undefined): string =>
  tool === null || tool === undefined ? 'the bare nose' : `T${tool}`

/** `G54 X` for a register, `G54 left face` for a touch, `G54 with T1` for a proof. */
function placeName(place: string): string {
  const quantity = quantityOfKey(place)
  if (quantity !== undefined) return moduleOf(quantity).called(quantity)
  const proof = proofOfKey(place)
  return proof === undefined ? registerName(place) : `${proof.row} with T${proof.tool}`
}
