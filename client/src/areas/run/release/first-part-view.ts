import { type Measured } from '@pine/core/facts'
import { standingCheckOff } from '@pine/core/plan'
import { describeCheck, lengthWords, typographic } from '@pine/core/words'
import { cameOut, wearChange, type CameOut } from '@pine/core/wear'
import type { StandingSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/write-length'

export const FEATURES = [
  { value: 'outside-width', label: 'width outside' },
  { value: 'inside-width', label: 'slot or bore' },
  { value: 'floor-depth', label: 'depth of a floor' },
  { value: 'thickness', label: 'thickness of a calibration block' },
] as const satisfies readonly { value: Measured['feature']; label: string }[]

export interface WearLine {
  readonly measured: string
  /** What is added to the wear, or who has to correct it. */
  readonly says: string
}

/** The first part: what was measured of it, what to add to the wear, and how it was finished. */
export function firstPartView(setup: StandingSetup, kept: readonly Measured[]) {
  const { document } = setup
  const words = describeCheck(document, 'first-part')
  const done = standingCheckOff(document, 'first-part')
  const finished = done?.of === 'first-part' ? done : undefined
  return {
    words,
    finished: finished && {
      lines: wearLines(setup, finished.measured),
      leftOut: finished.leftOut === undefined ? '' : `left out: ${finished.leftOut}`,
    },
    lines: wearLines(setup, kept),
    good: kept.length > 0 ? 'Keyed in; the part is good' : 'Nothing to correct; the part is good',
  }
}

const wearLines = (setup: StandingSetup, measured: readonly Measured[]): readonly WearLine[] =>
  measured.map((one, index) => {
    const change = wearWords(setup, one)
    const readings = [one.measured, ...(one.more ?? [])].map(({ text }) => typographic(text))
    return {
      measured: `${readings.join(', ')} for ${lengthWords(one.nominal)}, T${one.tool}${cameOutWords(cameOut(one, measured.slice(0, index)))}`,
      says: change === undefined ? 'by program' : `${change.address} ${change.amount}`,
    }
  })

function cameOutWords(out: CameOut | undefined): string {
  if (out === undefined) return ''
  const told = `; ${out.share.toLocaleString('en', { style: 'percent' })} of the last correction came out`
  return out.isLittle
    ? `${told}: look at deflection, clamping, soft stock, not at the length`
    : told
}

/** A block that is cut to size to find a length: its sides and further readings are asked. */
export const isBlock = (feature: Measured['feature']): boolean => feature === 'thickness'

/** What stands beneath the numbers while they are typed. */
export function wearSays(setup: StandingSetup, here: Measured): string {
  const change = wearWords(setup, here)
  if (change !== undefined) return `Add ${change.amount} to the wear of ${change.address}.`
  const tool = setup.document.sheet.tools.find(({ number }) => number === here.tool)
  return tool?.diameterRegister !== undefined ||
    here.feature === 'floor-depth' ||
    here.feature === 'thickness'
    ? 'What to add to the wear stands here.'
    : `T${here.tool} has no diameter register on the sheet: correct it in the program.`
}

function wearWords({ document, solution }: StandingSetup, measured: Measured) {
  const found = wearChange(measured, document.sheet)
  if (found === undefined) return undefined
  const amount = lengthWriter(solution)(found.change)
  return {
    address: found.address,
    // Added: its sign is always said.
    amount: `${amount.startsWith('\u2212') ? amount : `+${amount}`} ${solution.unit}`,
  }
}
