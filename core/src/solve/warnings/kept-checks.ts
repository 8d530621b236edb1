import { budgetOf } from '../../budget/budget'
import { subtractChains, valueOf, type Chain } from '../../chain/chain'
import type { Reading } from '../../facts/bodies/reading'
import type { SetupDocument } from '../../facts/document'
import { isBehind } from '../../freshness/stale'
import { standingReadings } from '../../freshness/standing'
import { NANOMETRES_PER, toNanometres, type Nanometres } from '../../length/length'
import { readLength } from '../../length/read-length'
import { quantityKey } from '../../quantities/quantities'
import type { Warning } from '../../registers/warning'
import { heightFrom } from '../../sources/plane/height-from'
import type { SourceReader } from '../../sources/sources'
import { meanOfKnown } from '../z/mean-of-known'
import { repeatsWithin } from '../../budget/repeats-within'

/** A tool whose length was taken over and that was touched here as well. */
export interface KeptCheck {
  readonly tool: number
  /** The touch here that it was held against. */
  readonly reading: string
  /** The touch here less what was taken over. */
  readonly off: Nanometres
  readonly limit: Nanometres
  readonly agrees: boolean
}

/**
 * What the touches here say of the lengths that were taken over: whether the plane and the machine's zero are where they were is
 * seen by them, for the tools that are not touched as well. A tool that was changed, or a plane that was moved, since it was
 * taken over is no check: that is known.
 */
export function keptChecks(document: SetupDocument, sources: SourceReader): readonly KeptCheck[] {
  const taken = keptTouches(document)
  return document.sheet.tools.flatMap(({ number: tool }): readonly KeptCheck[] => {
    const kept = taken.get(tool)
    if (kept === undefined) return []
    const here = standingReadings(document, { of: 'tip-on-plane', tool }).filter(
      (reading) => reading.kept === undefined,
    )
    const last = here.at(-1)
    const chainOf = (readings: readonly Reading[]): Chain | undefined =>
      meanOfKnown(readings.map((reading) => heightFrom(document, sources, reading)))
    const [before, now] = [chainOf(kept), chainOf(here)]
    if (before === undefined || now === undefined || last === undefined) return []
    const difference = subtractChains(now, before)
    const [off, limit] = [valueOf(difference), limitOf(document, difference)]
    return [{ tool, reading: last.id, off, limit, agrees: Math.abs(off) <= limit }]
  })
}

/**
 * What a check may be off: what such a tool repeats within, or less where the job needs less; never less than the two touches
 * themselves are sure to.
 */
function limitOf({ sheet: { needs } }: SetupDocument, difference: Chain): Nanometres {
  const usual = repeatsWithin(difference)
  const need = needs?.depth && readLength(needs.depth, { sign: 'positive' })
  if (!need?.ok || need.value.nm >= usual) return usual
  const sure = toNanometres(Math.ceil(budgetOf(difference).expandedMm * NANOMETRES_PER.mm))
  return toNanometres(Math.max(need.value.nm, sure))
}

/**
 * Where a tool is not where it was taken over from. That all are off by the same says that plane or zero moved; one alone may have
 * changed itself.
 */
export function keptWarnings(checks: readonly KeptCheck[]): readonly Warning[] {
  const off = checks.filter(({ agrees }) => !agrees)
  const alike =
    off.length > 1 &&
    off.length === checks.length &&
    off.every((one) => off.every((other) => Math.abs(one.off - other.off) <= one.limit))
  return off.map(({ tool, off: amount, limit }): Warning => ({
    code: alike ? 'kept-moved' : 'kept-differs',
    place: quantityKey({ of: 'tip-on-plane', tool }),
    amount,
    limit,
  }))
}

/** Touches that were taken over, and that nothing has overtaken since, by their tools. */
function keptTouches(document: SetupDocument): ReadonlyMap<number, readonly Reading[]> {
  const superseded = new Set(document.readings.map(({ supersedes }) => supersedes))
  const byTool = new Map<number, Reading[]>()
  for (const reading of document.readings) {
    if (reading.kept === undefined || reading.of !== 'tip-on-plane') continue
    if (superseded.has(reading.id)) continue
    if (document.events.some((event) => isBehind(event, reading, document))) continue
    byTool.set(reading.tool, [...(byTool.get(reading.tool) ?? []), reading])
  }
  return byTool
}

/** Sums of coefficients below this are rounding. */
const NOTHING = 1e-9

/**
 * Whether a number would be another one if plane or zero were not where they were when its touches were taken over: the nose and
 * a tip that were taken over together give a length that does not ask where.
 */
export function leansOnKept({ readings }: Pick<SetupDocument, 'readings'>, chain: Chain): boolean {
  const kept = new Set(
    readings.flatMap(({ id, of, kept: from }) => (from && onPlane(of) ? [id] : [])),
  )
  const sum = chain.terms.reduce(
    (total, { source, coefficient }) =>
      source.kind === 'reading' && source.reading !== undefined && kept.has(source.reading)
        ? total + coefficient
        : total,
    0,
  )
  return Math.abs(sum) > NOTHING
}

const onPlane = (of: Reading['of']): boolean => of === 'tip-on-plane' || of === 'nose-on-plane'
