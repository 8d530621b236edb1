import { describeDay } from '../day-words'
import type { LengthUnit } from '../../length/length'
import type { ChartSignal } from '../../shop/control-chart'
import type { IntervalAdvice } from '../../shop/check-interval'
import type { GaugeStanding } from '../../shop/gauge-checks'
import { blockLimitMm, finestGrade, type BlockGrade } from '../../touch/gauge-block-limits'
import { writeMm } from '../write-mm'

/** How far off a check was, with its sign: `+0.004 mm`, `−0.0002 in`, `0.000 mm`; with more decimals where they mean something. */
export function describeOff(offMm: number, unit: LengthUnit, more = 0): string {
  const text = writeMm(offMm, unit, more)
  return `${offMm > 0 && /[1-9]/.test(text) ? '+' : ''}${text} ${unit}`
}

const SIGNALS: Readonly<Record<ChartSignal, string>> = {
  'beyond-limit': 'further off than its first checks scatter',
  'two-of-three': 'two of three lie far to one side',
  'four-of-five': 'four of five lie to one side',
  'eight-on-a-side': 'eight in a row lie to one side',
}

/** Why a check was not good, in a few words; undefined for a good one. */
export function describeCheckFault({
  isGood,
  signals,
}: GaugeStanding['checks'][number]): string | undefined {
  if (isGood) return undefined
  const [signal] = signals
  return signal === undefined ? 'outside its tolerance' : SIGNALS[signal]
}

/** How a gauge stands, in a sentence: good until a day, due, or not to be trusted. */
export function describeGaugeStanding({
  checks,
  dueOn,
  isDue,
  suspectSince,
}: Pick<GaugeStanding, 'checks' | 'dueOn' | 'isDue' | 'suspectSince'>): string {
  if (checks.length === 0) return 'Never checked: read it against its own master.'
  if (suspectSince === null)
    return 'It was never good: nothing that was measured with it is sure. Measure it anew, or take it out of use.'
  if (suspectSince !== undefined)
    return `Its last check was not good. What was measured with it since ${describeDay(suspectSince)} is suspect: check it again, then measure it anew.`
  const day = dueOn && describeDay(dueOn)
  return isDue ? `Check due since ${day}.` : `In tolerance. Next check ${day}.`
}

/** Ground blocks are off by tenths of a micrometre. */
export const BLOCK_DECIMALS = 2

/**
 * Whether a block still is of its grade, by its last check (ISO 3650): “Grade 1 allows ± 0.00030 mm at 25 mm: it is off by
 * +0.00041 mm, as grade 2 may be.”
 */
export function describeBlockGrade(
  { grade, nominalMm }: { readonly grade: BlockGrade; readonly nominalMm: number },
  offMm: number | undefined,
  unit: LengthUnit,
): { readonly words: string; readonly isOutside: boolean } | undefined {
  const limit = blockLimitMm(nominalMm, grade)
  if (limit === undefined) return undefined
  const allows = `Grade ${grade} by ISO 3650 allows ± ${writeMm(limit, unit, BLOCK_DECIMALS)} ${unit} at ${Number(nominalMm.toFixed(3))} mm`
  if (offMm === undefined) return { words: `${allows}.`, isOutside: false }
  const off = `it is off by ${describeOff(offMm, unit, BLOCK_DECIMALS)}`
  if (Math.abs(offMm) <= limit) return { words: `${allows}: ${off}.`, isOutside: false }
  const now = finestGrade(offMm, nominalMm)
  const held = now === undefined ? 'more than any grade may be' : `as grade ${now} may be`
  return {
    words: `${allows}: ${off}, ${held}. Declare it so, or with its true size.`,
    isOutside: true,
  }
}

const WEEK_DAYS = 7

const every = (days: number): string => {
  if (days < 2 * WEEK_DAYS) return days === 1 ? 'every day' : `every ${days} days`
  return `every ${Math.floor(days / WEEK_DAYS)} weeks`
}

/**
 * How often it is to be checked and why: “Checked every 5 weeks it stays within 0.010 mm: it drifts by 0.0010 mm a week.”
 *
 * @param everyDays how often the shop checks it at least: said where that is oftener.
 */
export function describeInterval(
  advice: IntervalAdvice,
  limitMm: number,
  unit: LengthUnit,
  everyDays = Infinity,
): string {
  const own = ownInterval(advice, limitMm, unit)
  return everyDays < advice.days ? `${own} The shop checks it ${every(everyDays)}.` : own
}

function ownInterval(
  { days, because, trend }: IntervalAdvice,
  limitMm: number,
  unit: LengthUnit,
): string {
  const within = `within ${writeMm(limitMm, unit)} ${unit}`
  const drifts = `${writeMm(Math.abs(trend?.slope ?? 0) * WEEK_DAYS, unit, 1)} ${unit} a week`
  if (because === 'too-few')
    return 'Fewer than four checks: once a month, until they tell its drift.'
  if (because === 'longest') return `It hardly moves: once a year keeps it ${within}.`
  if (days === 0)
    return `It may be out of its limit already, by its drift (${drifts}) and how its checks scatter: check it before it is used.`
  return because === 'drift'
    ? `Checked ${every(days)} it stays ${within}: it drifts by ${drifts}.`
    : `Checked ${every(days)} it stays ${within}: its checks scatter, and show no drift.`
}
