import type { LengthUnit } from '../../length/length'
import type { FileAtMachine } from '../../running/program-standing'
import type {
  Extents,
  Operation,
  ProgramJudgementCode,
  ProgramProblem,
  ProgramProblemCode,
} from '../../program/program-reading'
import type { ProgramJudgement } from '../../program/judgement/program-judgement'
import { HEAD_WORDS } from '../setup/head-words'
import type { JudgementWords } from '../trust/judgement-words'
import type { LengthWriter } from '../trust/warning-words'

const judgements: Readonly<
  Record<ProgramJudgementCode, (about: ProgramJudgement, write: LengthWriter) => JudgementWords>
> = {
  'length-differs-from-tool': ({ tool, register }) => ({
    title: `T${tool} is used with H${register}`,
    why: 'Another tool’s length drives this one too deep, or into air.',
    remedy: `Make it H${tool}, or make sure that H${register} is meant.`,
  }),
  'diameter-differs-from-tool': ({ tool, register }) => ({
    title: `T${tool} is used with D${register}`,
    why: 'Walls are offset by another tool’s diameter.',
    remedy: `Make it D${tool}, or make sure that D${register} is meant.`,
  }),
  'moves-before-length': ({ tool }) => ({
    title: `Z moves with ${tool === undefined ? 'the tool' : `T${tool}`} before any G43`,
    why: 'Without its length the nose goes where the tip should: into the part.',
    remedy: 'Call G43 with its H before the first Z of a tool.',
  }),
  'length-not-cancelled': ({ tool }) => ({
    title: `The length of T${tool} is still active`,
    why: 'The next tool, or the next program, may move with it.',
    remedy: 'Cancel it with G49, or call the next G43 before any Z.',
  }),
  'compensation-not-cancelled': () => ({
    title: 'Cutter compensation is still active',
    why: 'The next move is offset sideways by a diameter that is not in the spindle.',
    remedy: 'Cancel it with G40 before the tool leaves the wall.',
  }),
  'shift-active': () => ({
    title: 'G52 or G92 is left active',
    why: 'Every later position, in this program or the next, is shifted by it.',
    remedy: 'Cancel it before the end.',
  }),
  'writes-offset': () => ({
    title: 'The program writes an offset or a length itself (G10)',
    why: 'What was keyed in and proven is overwritten as soon as this line runs.',
    remedy: 'Take the line out, or prove again after it has run, with the numbers that it writes.',
  }),
  'units-switched': () => ({
    title: 'The unit changes in the middle',
    why: 'Numbers after it mean 25.4 times as much, or as little.',
    remedy: 'Make sure that it is meant.',
  }),
  'no-unit': () => ({
    title: 'No unit is set',
    why: 'The program runs in whatever unit the control was left in.',
    remedy: 'Put G20 or G21 in its first lines.',
  }),
  'no-safe-line': () => ({
    title: 'There is no line that cancels what was left over',
    why: 'A compensation, a length or a cycle from before may still be active.',
    remedy: 'Begin with G40, G49 and G80.',
  }),
  'cancel-moves-all-axes': () => ({
    title: 'Z goes up together with X or Y',
    why: 'A rapid in all axes at once may cut the corner through the part.',
    remedy: 'Take Z up first, on a line of its own.',
  }),
  'home-goes-down': () => ({
    title: 'On its way home Z goes down first',
    why: 'With G90 the Z of this line is a place on the part: it is driven to, at rapid, before the machine goes home.',
    remedy: 'Write it with G91 and Z0., which goes up from where the tool is.',
  }),
  'tool-not-changed': ({ tool }) => ({
    title: `T${tool} is called, but no change is commanded`,
    why: 'Another tool may stand in the spindle.',
    remedy: 'Add M6, or look what is in the spindle.',
  }),
  'rapid-below-zero': ({ tool }) => ({
    title: `${tool === undefined ? 'The tool' : `T${tool}`} goes sideways at rapid below Z0`,
    why: 'A rapid through the part breaks the tool; where zero is its top, that is inside it.',
    remedy: 'Make sure that nothing stands there, or take Z up first.',
  }),
  'speed-only-in-comment': ({ tool }) => ({
    title: `A comment speaks of a speed, no S sets it${tool === undefined ? '' : ` for T${tool}`}`,
    why: 'The control turns the spindle as it was left, not as the comment says.',
    remedy: 'Set the speed by hand before this tool, or write the S.',
  }),
  'feeds-for-another-override': () => ({
    title: 'The feeds are meant for another override than 100 %',
    why: 'At 100 % everything goes twice as fast as was meant, or half.',
    remedy: 'Set the override as the comment says before the start, and leave it there.',
  }),
  ...HEAD_WORDS,
  'unit-differs': () => ({
    title: 'The program and the set-up have different units',
    why: 'One of them is wrong by 25.4 times.',
    remedy: 'Look at G20 or G21, and at the sheet.',
  }),
  'tool-not-on-sheet': ({ tool }) => ({
    title: `T${tool} is not on the sheet`,
    why: 'Nobody has measured it for this job.',
    remedy: 'Add it to the sheet and touch it, or look whether this is the right program.',
  }),
  'length-not-set': ({ register }) => ({
    title: `H${register} is not keyed in and read back`,
    why: 'The control holds an old length, or none.',
    remedy: `Touch the tool, key H${register} in and read it back.`,
  }),
  'length-stale': ({ register }) => ({
    title: `H${register} no longer holds`,
    why: 'Something it counts on has moved since.',
    remedy: 'Touch the tool again.',
  }),
  'length-unproven': ({ register }) => ({
    title: `H${register} is not proven`,
    why: 'A slip in it shows only when the tool is in the part.',
    remedy: 'Prove it with a cautious move.',
  }),
  'no-length-registers': ({ register }) => ({
    title: `H${register} is called, and this control keeps no lengths`,
    why: 'It may stop at that line, or pass over it: Z is set anew with each tool here.',
    remedy: 'Take the G43 out where the control does not know it.',
  }),
  'diameter-not-set': ({ register }) => ({
    title: `D${register} is not keyed in and read back`,
    why: 'Walls are offset by whatever that row holds.',
    remedy: `Measure the tool’s diameter, key D${register} in and read it back.`,
  }),
  'diameter-stale': ({ register }) => ({
    title: `D${register} no longer holds`,
    why: 'The tool has changed since it was measured.',
    remedy: 'Measure its diameter again.',
  }),
  'speed-above-limit': ({ speed }) => ({
    title: `S${speed} is more than the spindle turns`,
    why: 'The control stops there, or turns slower at the same feed: more for each tooth.',
    remedy: 'Lower S, and the feed with it.',
  }),
  'speed-above-finder': ({ speed, limit }) => ({
    title: `S${speed} stays on the control after it`,
    why: `A finder that bears ${limit} rpm flies apart when the spindle is started for it.`,
    remedy: 'Set the finder’s own speed before the spindle starts, whenever a zero is found again.',
  }),
  'substitute-compensated': ({ tool, amount }, write) => ({
    title: `T${tool} stands in for ${otherTool(amount)}, with compensation`,
    why: `Its walls come out right only with its own D; without that they are ${offWall(amount, write)}.`,
    remedy:
      'Measure this tool and key in its own D. Look at inside corners and narrow slots: they have the radius of this tool.',
  }),
  'substitute-not-compensated': ({ tool, amount }, write) => ({
    title: `T${tool} stands in for ${otherTool(amount)}, without compensation`,
    why: `Nothing makes up for the difference: every wall is ${offWall(amount, write)}.`,
    remedy:
      'Put the tool in that the program was written for, or write the program anew for this one.',
  }),
  'lift-active': ({ amount }, write) => ({
    title: `Everything is raised by ${amount === undefined ? 'a lift' : write(amount)}`,
    why: 'Right for a dry run; in the part nothing would be cut.',
    remedy: 'Take the lift out before the part is cut.',
  }),
  'offset-not-on-sheet': ({ row }) => ({
    title: `${row} is used, but not on the sheet`,
    why: 'The control runs with whatever that row holds.',
    remedy: 'Add it to the sheet and set it, or look at the program.',
  }),
  'offset-not-set': ({ row }) => ({
    title: `${row} is not keyed in and read back`,
    why: 'The control runs with whatever that row holds.',
    remedy: 'Find its zero, key it in and read it back.',
  }),
  'offset-stale': ({ row }) => ({
    title: `${row} no longer holds`,
    why: 'Something it counts on has moved since.',
    remedy: 'Find its zero again.',
  }),
  'offset-unproven': ({ row }) => ({
    title: `${row} is not proven`,
    why: 'A slip in it shows only when the tool is in the part.',
    remedy: 'Prove it with a cautious move.',
  }),
  'offset-not-used': ({ row }) => ({
    title: `${row} is set, but the program does not use it`,
    why: 'Either work is left over, or the program stays in another row.',
    remedy: 'Look whether the program selects it.',
  }),
  'beyond-travel': ({ tool, row, axis, amount }, write) => ({
    title: `${toolIn(tool, row)}: ${axis} goes ${amount === undefined ? '' : `${write(amount)} `}beyond the travel`,
    why: 'The machine stops in mid-cut, or runs into its end.',
    remedy: 'Move the part, or look at the offset and the length.',
  }),
  'reaches-jaws': ({ tool, row, amount }, write) => ({
    title: `${toolIn(tool, row)} goes ${amount === undefined ? 'down to' : `${write(depth(amount))} below`} the upper edge of the jaws`,
    why: 'A cut beside the part meets the jaws.',
    remedy: 'Make sure that it stays within the part, or grip less.',
  }),
  'cuts-far-beneath': ({ tool, row, amount }, write) => ({
    title: `${toolIn(tool, row)} goes ${amount === undefined ? 'far' : write(depth(amount))} below the underside of the part`,
    why: 'That is more than breaking through takes: the tool is in the parallels, the vise or the table.',
    remedy:
      'Look for a slipped point or a wrong depth in this line, or for another zero than the sheet’s.',
  }),
  'reaches-parallels': ({ tool, row, amount }, write) => ({
    title: `${toolIn(tool, row)} goes ${amount === undefined ? '' : `${write(depth(amount))} `}through the part`,
    why: 'A drill meets what lies beneath: a parallel, the vise, the table.',
    remedy: 'Look where the parallels lie, or put something beneath that may be cut.',
  }),
}

const toolIn = (tool: number | undefined, row: string | undefined): string =>
  tool === undefined ? (row ?? '') : `T${tool} in ${row}`

/** Which tool a substitute stands in for, by how far off the wall it cuts. */
const otherTool = (amount: ProgramJudgement['amount']): string =>
  amount === undefined ? 'another tool' : amount < 0 ? 'a thinner tool' : 'a thicker tool'

/** What is left standing on a wall, or cut too much of it. */
const offWall = (amount: ProgramJudgement['amount'], write: LengthWriter): string =>
  amount === undefined
    ? 'off by half of it'
    : amount < 0
      ? `cut ${write(depth(amount))} too deep`
      : `left ${write(amount)} too thick`

/** How far below something: an amount counts upwards from it. */
const depth = (amount: NonNullable<ProgramJudgement['amount']>) => -amount as typeof amount

export const describeJudgement = (
  judgement: ProgramJudgement,
  write: LengthWriter,
): JudgementWords => judgements[judgement.code](judgement, write)

/** What was found in a program, in one sentence: how many things, and whether they can crash or scrap. */
export function describeProgramVerdict(dangers: number, all: number): string {
  if (dangers === 1) return 'One thing in it can crash or scrap: not to be run as it is.'
  if (dangers > 1) return `${dangers} things in it can crash or scrap: not to be run as it is.`
  if (all === 0) return 'Nothing in it stands against this set-up.'
  return all === 1 ? 'One thing to look at.' : `${all} things to look at.`
}

/** Whether the file at the machine is the one that was read, in words. */
export const describeFileAtMachine = (file: FileAtMachine): string => FILES_AT_MACHINE[file]

const FILES_AT_MACHINE: Readonly<Record<FileAtMachine, string>> = {
  same: 'The file at the machine is the one that was read, letter by letter.',
  another:
    'Another file is at the machine. Load the one that was read, or read that one here. Do not run it.',
  'not-looked': 'Not held against the file at the machine yet.',
}

const problems: Readonly<Record<ProgramProblemCode, string>> = {
  'comment-open': 'a comment is not closed; the rest of the line is taken for it',
  'character-unknown': 'this character has no meaning here; it is passed over',
  'number-missing': 'a letter stands without its number; it is passed over',
  'not-followed': 'this computes its numbers and is not followed: extents may be too small',
  'code-unknown': 'this code is not known and not followed',
  'arc-undetermined': 'the arc cannot be drawn: its centre or radius does not fit its ends',
  'arc-radius-differs': 'start and end of the arc lie at different distances from its centre',
  'arc-start-unknown': 'the arc begins where the program has not said',
  'subprogram-not-followed': 'the subprogram is not followed: what it does is not in the summary',
  'subprogram-too-long':
    'subprograms are called too often to follow to the end: extents may be too small',
  'number-too-long': 'this number is too large to be meant; it is passed over',
  'repeats-too-many': 'more holes than anybody drills: only the first 10,000 are followed',
  'line-too-long': 'this line is too long for a program; nothing of it is read',
  'operations-too-many': 'more tool changes than are kept: those from here on are left out',
  'cycle-incomplete': 'the cycle has no depth or no retract plane yet',
}

export const describeProgramProblem = ({ code }: Pick<ProgramProblem, 'code'>): string =>
  problems[code]

/** `S8000`, `F200 to 800 mm/min`: what an operation sets, as it is written; empty where it sets nothing. */
export function describeCutting(
  { speeds, feeds }: Pick<Operation, 'speeds' | 'feeds'>,
  unit: LengthUnit | undefined,
): readonly string[] {
  const [least, most] = [Math.min(...feeds), Math.max(...feeds)]
  const each = unit === undefined ? '' : ` ${unit}/min`
  return [
    ...speeds.map((speed) => `S${speed}`),
    ...(feeds.length === 0 ? [] : [`F${least === most ? least : `${least} to ${most}`}${each}`]),
  ]
}

/** `X 0.000 … 120.000` and the like for each axis: lowest and highest, in work position. */
export const describeExtents = (extents: Extents, write: LengthWriter): readonly string[] =>
  (['X', 'Y', 'Z'] as const).flatMap((axis) => {
    const range = extents[axis]
    return range === undefined ? [] : [`${axis} ${write(range[0])} … ${write(range[1])}`]
  })
