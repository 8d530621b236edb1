import { controlChart, type ChartSignal, type ControlChart } from './control-chart'
import { intervalAdvice, type IntervalAdvice } from './check-interval'
import { dateOfDay, dayOf } from '../freshness/instant'
import { readLength } from '../length/read-length'
import { NANOMETRES_PER, type WrittenLength } from '../length/length'

/** A gauge that was read against its own master: what it read, and what it should have. */
export interface GaugeCheck {
  readonly id: string
  /** ISO 8601. A check is of its day: the only thing here that is asked of a clock. */
  readonly at: string
  readonly read: WrittenLength
  /** True size of what it was held against. */
  readonly master: WrittenLength
}

/** How a gauge stands by its checks. Millimetres and days. */
export interface GaugeStanding {
  readonly checks: readonly {
    readonly id: string
    readonly at: string
    /** What it read less what it should have. */
    readonly offMm: number
    readonly signals: readonly ChartSignal[]
    /** Further off than it may be, or not chance: what was measured since the last good one is suspect. */
    readonly isGood: boolean
  }[]
  readonly chart?: ControlChart
  readonly advice: IntervalAdvice
  /** When the next check is due, as a date of ten digits; undefined before the first one. */
  readonly dueOn?: string
  readonly isDue: boolean
  /** The last check was not good: since this moment nothing that was measured with it is sure. Null: it never was. */
  readonly suspectSince?: string | null
}

/** So many checks tell how it scatters: its limits are taken from them. Common practice, no source. */
const BASELINE = 10

/**
 * How a gauge stands: how far off each check was, whether that is chance by the chart of its first checks, when it is to be
 * checked again, and since when it cannot be trusted. A check whose numbers cannot be read is passed over.
 *
 * @param limit how far it may be off, above zero; one that cannot be read allows nothing, so that no check is called good by it.
 * @param now ISO 8601 time at which it is asked.
 * @param everyDays how often the shop checks it at least, whatever its drift says.
 */
export function gaugeStanding(
  checks: readonly GaugeCheck[],
  limit: WrittenLength,
  now: string,
  everyDays?: number,
): GaugeStanding {
  const most = readLength(limit, { sign: 'positive' })
  const limitMm = most.ok ? most.value.nm / NANOMETRES_PER.mm : 0
  const read = checks.flatMap((check) => {
    const [is, should] = [readLength(check.read), readLength(check.master)]
    return is.ok && should.ok
      ? [{ check, offMm: (is.value.nm - should.value.nm) / NANOMETRES_PER.mm }]
      : []
  })
  const values = read.map(({ offMm }) => offMm)
  const chart = controlChart(values, Math.min(values.length, BASELINE))
  const judged = read.map(({ check: { id, at }, offMm }, index) => {
    // Within the baseline a point is held against the limit alone: the chart is still being made of it.
    const signals = index < BASELINE ? [] : (chart?.points[index]?.signals ?? [])
    const isGood = Math.abs(offMm) <= limitMm && signals.length === 0
    return { id, at, offMm, signals, isGood }
  })
  const last = judged.at(-1)
  const advice = intervalAdvice(
    read.map(({ check, offMm }) => ({ day: dayOf(check.at), value: offMm })),
    limitMm,
  )
  const days = Math.min(advice.days, everyDays ?? Infinity)
  const dueOn = last && (last.isGood ? dateOfDay(dayOf(last.at) + days) : last.at.slice(0, 10))
  return {
    checks: judged,
    ...(chart && { chart }),
    advice,
    ...(dueOn !== undefined && { dueOn }),
    isDue: dueOn === undefined || dueOn <= now.slice(0, 10),
    ...(last !== undefined &&
      !last.isGood && { suspectSince: judged.findLast(({ isGood }) => isGood)?.at ?? null }),
  }
}
