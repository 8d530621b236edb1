import { registerName } from '@pine/core/address'
import { type Measured, type SetupEvent } from '@pine/core/facts'
import { standingCheckOff } from '@pine/core/plan'
import {
  describeCheck,
  describeFarMeasured,
  describeJudged,
  FEATURE_NAMES,
  featureName,
  lengthWords,
  typographic,
} from '@pine/core/words'
import {
  cameOut,
  correctionsFor,
  farMeasured,
  judgeFeature,
  wearChange,
  type CameOut,
  type LeftOver,
} from '@pine/core/wear'
import type { WrittenLength } from '@pine/core/length'
import { sendable } from '@/data/server/api'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'

export const FEATURES = (
  ['outside-width', 'inside-width', 'floor-depth', 'thickness'] as const
).map((value) => ({ value, label: FEATURE_NAMES[value] }))

export interface WearLine {
  readonly measured: string
  /** What is added to the wear, or who has to correct it. */
  readonly text: string
  /** How it stands to the drawing, where that was typed; and what of it no correction mends. */
  readonly judged?: string
  readonly tone?: 'read' | 'caution' | 'wrong'
}

/** The first part: what was measured of it, what to add to the wear, and how it was finished. */
export function firstPartView(setup: LoadedSetup, kept: readonly Measured[]) {
  const { document } = setup
  const words = describeCheck(document, 'first-part')
  const done = standingCheckOff(document, 'first-part')
  const finished = done?.of === 'first-part' ? done : undefined
  const earlier = correctionsMade(setup)
  return {
    words,
    finished: finished && {
      lines: wearLines(setup, finished.measured),
      leftOut: finished.leftOut === undefined ? '' : `left out: ${finished.leftOut}`,
    },
    lines: [
      ...earlier.map((line) => ({ ...line, text: `${line.text}, corrected` })),
      ...wearLines(setup, kept, earlierCuts(setup)),
    ],
    /** What is keyed, read back and proven anew, where what was measured asks for it. */
    toKey: toKey(setup, kept),
    /** Why nothing should be corrected yet: a reading is too far off. */
    doubt: doubtOf(setup, kept),
    good: 'Nothing to correct; the part is good',
    /** Whether all of it is fit by its drawing: then nothing has to be corrected, whatever it is off. */
    isFit: kept.length > 0 && kept.every((one) => judgeFeature(one)?.verdict === 'fit'),
  }
}

/** A reading that is too far off to correct by: its words, and all that was measured but such. */
interface Doubt {
  readonly words: string
  readonly others: readonly Measured[]
}

function doubtOf({ solution }: LoadedSetup, measured: readonly Measured[]): Doubt | undefined {
  const [far] = measured.flatMap((one) => farMeasured(one) ?? [])
  return (
    far && {
      words: describeFarMeasured(far, solution.unit, solution.decimals),
      others: measured.filter((one) => farMeasured(one) === undefined),
    }
  )
}

type Corrected = Extract<SetupEvent, { kind: 'corrected' }>

const corrections = ({ document: { events } }: LoadedSetup): readonly Corrected[] =>
  events.filter((event) => event.kind === 'corrected')

/** What was measured before each of them was keyed: a cut is held against the one before it. */
const earlierCuts = (setup: LoadedSetup): readonly Measured[] =>
  corrections(setup).flatMap(({ because, also = [] }) => [because, ...also])

const correctionsMade = (setup: LoadedSetup): readonly WearLine[] =>
  wearLines(setup, earlierCuts(setup))

interface ToKey {
  readonly text: string
  /** What is left of features that one register cuts together. */
  readonly shared: readonly string[]
  readonly facts: readonly FactDraft[]
  /** Where the first of them is keyed. */
  readonly step: string
}

/** The corrections as they would be entered, and what each row becomes by them. */
function toKey({ document, solution }: LoadedSetup, kept: readonly Measured[]): ToKey | undefined {
  const write = lengthWriter(solution)
  const { made, rows, leftOver } = correctionsFor(kept, document.sheet, solution.registers)
  const [first] = made
  if (first === undefined) return undefined
  const becomes = rows.map(({ address, before, after }) =>
    before === undefined || after === undefined
      ? registerName(address)
      : `${registerName(address)} ${write(before)} → ${write(after)} ${solution.unit}`,
  )
  return {
    text: `Key ${becomes.join(', ')}`,
    shared: leftOverWords(solution, leftOver),
    step: `key-in:${first.address}`,
    facts: made.map((correction) => ({
      kind: 'event',
      body: { kind: 'corrected', ...sendable(correction) },
    })),
  }
}

const wearLines = (
  setup: LoadedSetup,
  measured: readonly Measured[],
  before: readonly Measured[] = [],
): readonly WearLine[] =>
  measured.map((one, index) => {
    const change = wearWords(setup, one)
    const readings = [one.measured, ...(one.more ?? [])].map(({ text }) => typographic(text))
    return {
      ...judgedLine(setup, one),
      measured: `${one.name === undefined ? '' : `${one.name}: `}${readings.join(', ')} for ${lengthWords(one.nominal)}, T${one.tool}${cameOutWords(setup, cameOut(one, [...before, ...measured.slice(0, index)]))}`,
      text: change === undefined ? 'by program' : `${change.address} ${change.amount}`,
    }
  })

/** What is left of each feature of a register that cuts several, once it is put right for all of them. */
function leftOverWords(
  solution: LoadedSetup['solution'],
  leftOver: readonly LeftOver[],
): readonly string[] {
  const write = lengthWriter(solution)
  return leftOver.map(({ measured, left, isMuch }) => {
    const rest = `${featureName(measured)}: ${write(left)} ${solution.unit} is left`
    return isMuch ? `${rest}, more than it was measured to. Measure it again` : rest
  })
}

/** How a feature stands to the drawing; nothing where the drawing was not typed. */
function judgedLine({ solution }: LoadedSetup, measured: Measured): Partial<WearLine> {
  const judged = judgeFeature(measured)
  if (judged?.limits === undefined) return {}
  const { verdict } = judged
  return {
    judged: describeJudged(judged, solution.unit, solution.decimals),
    tone: verdict === undefined ? 'caution' : TONES[verdict],
  }
}

const TONES = { fit: 'read', undecided: 'caution', unfit: 'wrong' } as const

function cameOutWords({ solution }: LoadedSetup, out: CameOut | undefined): string {
  if (out === undefined) return ''
  const write = lengthWriter(solution)
  const reached = `; predicted ${write(out.predicted)}, reached ${write(out.reached)} ${solution.unit}; ${out.share.toLocaleString('en', { style: 'percent' })} of the last correction came out`
  return out.isLittle
    ? `${reached}: look at deflection, clamping, soft stock, not at the length`
    : reached
}

/** A block that is cut to size to find a length: its sides and further readings are asked. */
export const isBlock = (feature: Measured['feature']): boolean => feature === 'thickness'

/** What stands beneath the numbers while they are typed. */
export function wearSentence(setup: LoadedSetup, here: Measured): string {
  const doubt = doubtOf(setup, [here])
  if (doubt !== undefined) return doubt.words
  const change = wearWords(setup, here)
  if (change !== undefined) return `Correct ${change.address} by ${change.amount}.`
  const tool = setup.document.sheet.tools.find(({ number }) => number === here.tool)
  return tool?.diameterRegister !== undefined ||
    here.feature === 'floor-depth' ||
    here.feature === 'thickness'
    ? 'What to correct stands here.'
    : `T${here.tool} has no diameter register on the sheet: correct it in the program.`
}

function wearWords({ document, solution }: LoadedSetup, measured: Measured) {
  const found = wearChange(measured, document.sheet)
  if (found === undefined) return undefined
  const amount = lengthWriter(solution)(found.change)
  return {
    address: found.address,
    // Added: its sign is always said.
    amount: `${amount.startsWith('\u2212') ? amount : `+${amount}`} ${solution.unit}`,
  }
}

/** A feature as it is typed: what it is, by which tool, and what the drawing and the gauge say of it. */
export interface TypedFeature {
  /** As the drawing calls it; may be empty. */
  readonly name: string
  readonly feature: Measured['feature']
  readonly tool: number
  readonly sides: 1 | 2
  readonly nominal: WrittenLength
  readonly measured: WrittenLength
  readonly more: readonly WrittenLength[]
  readonly upper: WrittenLength | undefined
  readonly lower: WrittenLength | undefined
  readonly instrument: Measured['instrument']
}

/** The same as it is kept. A lower limit alone is none: the upper one is asked for first. */
export function measuredOf({
  name,
  upper,
  lower,
  instrument,
  sides,
  more,
  ...rest
}: TypedFeature): Measured {
  return {
    ...rest,
    ...(name.trim() !== '' && { name: name.trim() }),
    ...(isBlock(rest.feature) && { sides, more }),
    ...(upper && { tolerance: { upper, ...(lower && { lower }) } }),
    ...(instrument && { instrument }),
  }
}
