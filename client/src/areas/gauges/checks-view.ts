import type { GaugeHistory, Watch } from '@pine/contract'
import { gaugeStanding } from '@pine/core/shop'
import {
  NANOMETRES_PER,
  readLength,
  textIn,
  type LengthUnit,
  type WrittenLength,
} from '@pine/core/length'
import {
  BLOCK_DECIMALS,
  describeBlockGrade,
  describeCheckFault,
  describeGaugeStanding,
  describeInterval,
  describeOff,
  describeDay,
} from '@pine/core/words'
import type { FormOutcome } from '@/data/device/use-kept-form'
import { lengthProblem } from '../shop/length-problem'

/** A gauge over time, as its page shows it. */
export interface ChecksView {
  /** How it stands, in a sentence. */
  readonly state: string
  readonly tone: 'good' | 'due' | 'wrong'
  /** How often it is to be checked, and why; undefined before the first check. */
  readonly interval: string | undefined
  /** Of a gauge block: whether it still is of its grade. */
  readonly grade: ReturnType<typeof describeBlockGrade>
  /** The youngest first. */
  readonly rows: readonly {
    readonly id: string
    readonly on: string
    readonly off: string
    readonly by: string
    /** Why it was not good. */
    readonly fault: string | undefined
  }[]
  /** Undefined with fewer than two checks. In the gauge's unit. */
  readonly chart:
    | {
        readonly points: readonly { readonly on: string; readonly off: number }[]
        readonly limit: number
        readonly mean: number
        readonly upper: number
        readonly lower: number
        /** How far the picture goes up and down: all that is drawn, with a little air. */
        readonly reach: number
        /** The same in a sentence. */
        readonly text: string
      }
    | undefined
}

/** Undefined where the gauge has no tolerance, or none that can be read. */
export function checksView(
  { gauge: { gauge, watch }, checks }: GaugeHistory,
  now: string,
): ChecksView | undefined {
  const limitMm = watch && mmOf(watch.limit)
  if (watch === undefined || limitMm === undefined) return undefined
  const { unit } = gauge.size
  const standing = gaugeStanding(checks, watch.limit, now, watch.everyDays)
  const nominalMm = mmOf(gauge.size)
  const inUnit = (mm: number) => (mm * NANOMETRES_PER.mm) / NANOMETRES_PER[unit]
  const { chart } = standing
  const more = gauge.grade === undefined ? 0 : BLOCK_DECIMALS
  const off = (mm: number) => describeOff(mm, unit, more)
  const grade =
    gauge.grade === undefined || nominalMm === undefined
      ? undefined
      : describeBlockGrade({ grade: gauge.grade, nominalMm }, standing.checks.at(-1)?.offMm, unit)
  return {
    state: describeGaugeStanding(standing),
    tone:
      standing.suspectSince !== undefined || grade?.isOutside
        ? 'wrong'
        : standing.isDue
          ? 'due'
          : 'good',
    grade,
    interval:
      checks.length === 0
        ? undefined
        : describeInterval(standing.advice, limitMm, unit, watch.everyDays),
    rows: standing.checks
      .map((check) => ({
        id: check.id,
        on: describeDay(check.at),
        off: off(check.offMm),
        by: checks.find(({ id }) => id === check.id)?.by ?? '',
        fault: describeCheckFault(check),
      }))
      .reverse(),
    chart: chart && {
      points: standing.checks.map(({ at, offMm }) => ({
        on: at.slice(5, 10),
        off: inUnit(offMm),
      })),
      limit: inUnit(limitMm),
      mean: inUnit(chart.mean),
      upper: inUnit(chart.upper),
      lower: inUnit(chart.lower),
      reach:
        AIR * inUnit(Math.max(limitMm, ...standing.checks.map(({ offMm }) => Math.abs(offMm)))),
      text: `${standing.checks.length} checks, on average ${off(chart.mean)}; by chance from ${off(chart.lower)} to ${off(chart.upper)}; tolerance ±${off(limitMm).slice(1)}.`,
    },
  }
}

const AIR = 1.15

/** Undefined where it is no length above zero. */
const mmOf = (written: WrittenLength): number | undefined => {
  const read = readLength(written, { sign: 'positive' })
  return read.ok ? read.value.nm / NANOMETRES_PER.mm : undefined
}

/** A check while it is typed. */
export interface CheckDraft {
  readonly read: string
  readonly against: string
  readonly master: string
}

/** The same master as last time; at first its marked size. */
export function newCheck({ gauge: { gauge }, checks }: GaugeHistory): CheckDraft {
  const last = checks.at(-1)
  return {
    read: '',
    against: last?.against ?? '',
    master: textIn(last?.master ?? gauge.size, gauge.size.unit),
  }
}

interface Check {
  readonly read: WrittenLength
  readonly against: string
  readonly master: WrittenLength
}

export function checkOf(draft: CheckDraft, unit: LengthUnit): FormOutcome<CheckDraft, Check> {
  const [read, master] = [draft.read, draft.master].map((text) => ({ text: text.trim(), unit }))
  const against = draft.against.trim()
  const wrong = {
    read: lengthProblem(read, { sign: 'positive' }),
    master: lengthProblem(master, { sign: 'positive' }),
    against: against === '' ? 'Say what it was held against.' : undefined,
  }
  const problems = Object.fromEntries(
    Object.entries(wrong).filter(([, problem]) => problem !== undefined),
  )
  return Object.keys(problems).length > 0 || read === undefined || master === undefined
    ? { problems }
    : { made: { read, against, master } }
}

/** How a gauge is watched, while it is typed. */
export interface WatchDraft {
  readonly limit: string
  readonly days: string
  readonly reason: string
}

export const watchDraft = (watch: Watch | undefined, unit: LengthUnit): WatchDraft => ({
  limit: textIn(watch?.limit, unit),
  days: watch?.everyDays === undefined ? '' : String(watch.everyDays),
  reason: '',
})

export function watchOf(
  draft: WatchDraft,
  unit: LengthUnit,
): FormOutcome<WatchDraft, { readonly watch: Watch; readonly reason: string }> {
  const limit = { text: draft.limit.trim(), unit }
  const days = Number(draft.days)
  const reason = draft.reason.trim()
  const wrong = lengthProblem(limit, { sign: 'positive' })
  if (wrong !== undefined || reason === '')
    return {
      problems: {
        ...(wrong !== undefined && { limit: wrong }),
        ...(reason === '' && { reason: 'Say why: it stays with the change, under your name.' }),
      },
    }
  return { made: { watch: { limit, ...(days >= 1 && { everyDays: days }) }, reason } }
}
