import { registerName, type OffsetRow } from '@pine/core/address'
import { formatLength, readLength, toNanometres, type WrittenLength } from '@pine/core/length'
import {
  addressesOf,
  distanceToGoError,
  proofKey,
  proofMove,
  proofsNeeded,
  proofVerdict,
  type ProofMove,
  type ProofVerdict,
} from '@pine/core/proof'
import { keepsLengths } from '@pine/core/sheet'
import { causeName } from '@pine/core/slips'
import { describeCause, describeProof, describeProofReasons, typographic } from '@pine/core/words'
import { previewed } from '@/data/setup/preview'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'
import { spindleElseWords, spindleSeen, type SpindleSeen } from './spindle-seen'

export interface ProofOf {
  readonly row: OffsetRow
  readonly tool: number
}

const CAUTION =
  'Single block, rapid at its lowest, a thumb on feed hold. Stop part way and look: is the distance to go what the eye sees?'

const WITHOUT_LENGTH = ' Without G43 the nose goes where the tip should.'

/** A height that is none of the blocks at hand. */
export const OWN_HEIGHT = 'own'

/** What is said on the way, before the gap: the move was made, which block, and whether the tip stands over zero. */
export interface Seen extends SpindleSeen {
  readonly there?: boolean
  readonly clearance?: string
  /** A height of one's own, as it is typed. */
  readonly own?: string
  readonly overZero?: 'yes' | 'no'
}

/** The move that proves a row and a tool: its blocks, what to see, and what was said of it before. */
export interface ProofView {
  readonly shows: 'verdict' | 'move' | 'gap'
  readonly verdict: ProofVerdict | undefined
  readonly heading: string
  /** Why this tool is among those that are proven, where the policy lets others go. */
  readonly why: string | undefined
  readonly clearance: WrittenLength
  /** What may pass beneath; a choice where there is more than one. */
  readonly heights: readonly { readonly value: string; readonly label: string }[]
  /** Of the control, in order; without its first one Z is raised by hand. */
  readonly retract: string | undefined
  readonly blocks: readonly string[]
  readonly ends: string
  /** Looked at before anything moves. */
  readonly before: { readonly from: string; readonly must: string }
  /** To be drawn: where the tip ends, and how high it is raised first. */
  readonly move: ProofMove
  readonly block: string
  /** What to mind; of a length only where the control keeps one. */
  readonly caution: string
  /** What is pressed where all is as it should be. */
  readonly passes: string
  /** Another tool in the spindle, or another length active: what the move would do, before it is made. */
  readonly spindleElse: string | undefined
  /** Of a control that keeps lengths the active one is asked as well. */
  readonly asksActive: boolean
}

/**
 * @param again it is proven once more: what was said of it before is not shown.
 * @returns undefined where the registers have no numbers to move by.
 */
export function proofView(
  setup: LoadedSetup,
  { row, tool }: ProofOf,
  seen: Seen,
  again: boolean,
): ProofView | undefined {
  const { document, solution } = setup
  const { unit } = document.sheet
  const heights = clearances(setup)
  const own = seen.own === undefined ? undefined : { text: seen.own.trim(), unit }
  const ownRead = own && readLength(own, { sign: 'positive' })
  const clearance =
    (seen.clearance === OWN_HEIGHT && ownRead?.ok ? own : undefined) ??
    heights.find(({ text }) => text === seen.clearance) ??
    heights[0]
  const read = clearance && readLength(clearance)
  const move =
    read?.ok === true
      ? proofMove(document, solution, { row, tool, clearance: read.value.nm })
      : undefined
  if (clearance === undefined || move === undefined) return undefined
  const write = lengthWriter(solution)
  const standing = solution.proofs.find(({ proof }) => proof.row === row && proof.tool === tool)
  const here = setup.steps.find(({ step }) => step.key === proofKey({ row, tool }))
  // A proof that was right and has been overtaken is asked for anew; one that failed is looked at first.
  const shown = standing !== undefined && (here?.done === true || !standing.right) && !again
  return {
    shows: shown ? 'verdict' : seen.there === true ? 'gap' : 'move',
    verdict: shown ? standing : undefined,
    why: whyProven(setup, { row, tool }),
    heading: `Send T${tool} over zero, ${clearance.text} ${clearance.unit} above.`,
    clearance,
    heights: [
      ...heights.map(({ text, unit: of }) => ({ value: text, label: `${text} ${of}` })),
      { value: OWN_HEIGHT, label: 'another height' },
    ],
    retract: move.retract,
    blocks: move.blocks,
    ends: `ends at machine Z ${typographic(formatLength(move.machine.Z, unit, solution.decimals))} ${unit}; position + distance to go = ${clearance.text} all the way`,
    before: {
      from: `From machine Z ${write(move.toGo.from)}, before it moves, distance to go in Z must read`,
      must: `${write(move.toGo.must)} ${unit}`,
    },
    caution: `${CAUTION}${keepsLengths(document.sheet.machine.control) ? WITHOUT_LENGTH : ''}`,
    move,
    block: `${clearance.text} ${clearance.unit}`,
    passes: `T${tool} is in and active; ${clearance.text} ${clearance.unit} just passes`,
    spindleElse: spindleElseWords(setup, tool, seen),
    asksActive: keepsLengths(document.sheet.machine.control),
  }
}

function whyProven({ document, solution }: LoadedSetup, { row, tool }: ProofOf) {
  const needed = proofsNeeded(document, solution).find(
    (one) => one.row === row && one.tool === tool,
  )
  return describeProofReasons(needed?.because ?? [])
}

/** Heights that can be checked: what is at hand, and always one of the usual height. */
function clearances({ document: { sheet } }: LoadedSetup): readonly WrittenLength[] {
  const usual: WrittenLength =
    sheet.unit === 'mm' ? { text: '25.000', unit: 'mm' } : { text: '1.0000', unit: 'in' }
  const atHand = sheet.gauges
    .filter(({ kind }) => kind === 'gauge-block' || kind === 'height-setter')
    .map(({ size }) => size)
  return atHand.length > 0 ? atHand : [usual]
}

export interface GapSeen {
  /** What the control showed at a stop on the way, where somebody looked. */
  readonly position: WrittenLength | undefined
  readonly distanceToGo: WrittenLength | undefined
  /** The block that just passes beneath the tip. */
  readonly gap: WrittenLength | undefined
  readonly overZero: Seen['overZero']
  readonly spindle: ProofEntry['body']['spindle']
}

export type ProofEntry = Extract<FactDraft, { kind: 'proof' }>

/** The proof as it would be entered, once the gap and whether it stands over zero are said. */
export function proofDraft(
  { row, tool }: ProofOf,
  clearance: WrittenLength,
  { position, distanceToGo, gap, overZero, spindle }: GapSeen,
): ProofEntry | undefined {
  if (gap === undefined || overZero === undefined || spindle === undefined) return undefined
  return {
    kind: 'proof',
    body: {
      row,
      tool,
      clearance,
      gap,
      overZero: overZero === 'yes',
      spindle,
      ...(position && distanceToGo && { stop: { position, distanceToGo } }),
    },
  }
}

/**
 * What the two numbers of a stop on the way say, before the move goes on: undefined while one of them is missing, or where they add up
 * to the block's height.
 */
export function stopWords(
  { solution }: LoadedSetup,
  clearance: WrittenLength,
  { position, distanceToGo }: Pick<GapSeen, 'position' | 'distanceToGo'>,
): string | undefined {
  const [target, at, toGo] = [clearance, position, distanceToGo].map((one) => {
    const read = one && readLength(one)
    return read?.ok === true ? read.value.nm : undefined
  })
  if (target === undefined || at === undefined || toGo === undefined) return undefined
  const error = distanceToGoError(target, at, toGo)
  if (error === 0) return undefined
  const write = lengthWriter(solution)
  return `Stop. Position and distance to go add up to ${write(toNanometres(target + error))}, not to ${write(target)} ${solution.unit}: another work offset or another length is active.`
}

/** The proof of a tip that stands over zero with the very block beneath it that it was sent above. */
export const proofThatPasses = (
  setup: LoadedSetup,
  { row, tool }: ProofOf,
  clearance: WrittenLength,
): ProofEntry => {
  // The press says it: this tool is in, and active.
  const spindle = spindleSeen(setup, { holds: String(tool), controlSays: String(tool) })
  return {
    kind: 'proof',
    body: { row, tool, clearance, gap: clearance, overZero: true, ...(spindle && { spindle }) },
  }
}

/** Seen over zero with nothing beneath: the gap looks like the distance that was asked for. It proves no number. */
export const proofByEye = (
  setup: LoadedSetup,
  of: ProofOf,
  clearance: WrittenLength,
): ProofEntry => {
  const { kind, body } = proofThatPasses(setup, of, clearance)
  return { kind, body: { ...body, byEye: true } }
}

/** What a proof says before it is entered: in words, and whether the run may go on. */
export function proofDraftVerdict(
  { document, solution }: LoadedSetup,
  { body }: ProofEntry,
): { readonly right: boolean; readonly words: string } | undefined {
  const verdict = proofVerdict(document, solution, { ...previewed(document), ...body })
  return verdict && { right: verdict.right, words: proofWords(solution, verdict) }
}

export const proofWords = (solution: LoadedSetup['solution'], verdict: ProofVerdict): string =>
  describeProof(verdict, (nm) => `${lengthWriter(solution)(nm)} ${solution.unit}`)

/** What is left unproven is accepted by name, for each register that the proof would have shown. */
export const leftUnproven = (
  { document }: LoadedSetup,
  of: ProofOf,
  reason: string,
): readonly FactDraft[] =>
  addressesOf(document, of).map((address) => ({
    kind: 'acceptance',
    body: { address, accepts: 'unproven', reason },
  }))

/** How many slips are named for a register that may be wrong: the likeliest. */
const MOST_CAUSES = 3

/** A proof that was entered: what it said, by whom, and which register to look at for what. */
export function verdictView({ solution }: LoadedSetup, verdict: ProofVerdict) {
  const { proof, causes, right } = verdict
  return {
    sentence: !right ? 'Do not cut yet.' : proof.byEye ? 'Seen, not proven.' : 'Proven.',
    text: proofWords(solution, verdict),
    by: proof.byEye
      ? `${proof.by.name} by eye, ${proof.clearance.text} ${proof.clearance.unit} above`
      : `${proof.by.name}: ${proof.gap.text} ${proof.gap.unit} passed where ${proof.clearance.text} ${proof.clearance.unit} was sent`,
    suspects: causes.map(({ address, explanations }) => ({
      address,
      name: registerName(address),
      slips: explanations
        .slice(0, MOST_CAUSES)
        .map((cause) => ({ key: causeName(cause), ...describeCause(cause) })),
    })),
  }
}
