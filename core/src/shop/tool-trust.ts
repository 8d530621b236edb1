import type { TrustState } from '../registers/register'
import { instantOf } from '../freshness/instant'
import { NANOMETRES_PER, type WrittenLength } from '../length/length'
import { readLength } from '../length/read-length'
import { offerFor, type ShopEvent, type ToolUse, type WhyTouched } from './kept-offers'
import type { MachinePolicy } from '../sheet/machine'

/** How far a tool's length can be relied on now, on the machine and plane that it was touched on last. */
export interface ToolTrust {
  readonly state: Extract<TrustState, 'not-read' | 'read' | 'proven' | 'stale'>
  /** The use that it was measured in last. */
  readonly use?: ToolUse
  /** What stands in the way. */
  readonly why?: WhyTouched
  /** The plane was moved: it holds after one touch. */
  readonly moved?: ShopEvent
}

/**
 * @param uses in every set-up, the youngest first.
 * @param happened to its machine and plane.
 * @param now ISO 8601 time at which it is asked.
 */
export function toolTrust(
  { uses, events }: { readonly uses: readonly ToolUse[]; readonly events: readonly ShopEvent[] },
  happened: readonly ShopEvent[],
  policy: MachinePolicy | undefined,
  now: string,
): ToolTrust {
  const last =
    uses.find(({ touches }) => touches.some(({ of }) => of === 'tip-on-plane')) ?? uses[0]
  if (last === undefined) return { state: 'not-read', why: { because: 'never-measured' } }
  const offer = offerFor(
    { machine: last.machine, plane: last.plane, byMarks: false, policy, gauges: last.gauges },
    { uses, events },
    happened,
    now,
  )
  if (offer.take === 'nothing') {
    const state = offer.why.because === 'not-on-plane' ? 'not-read' : 'stale'
    return { state, use: last, why: offer.why }
  }
  if (offer.take === 'after-rebase') return { state: 'stale', use: offer.use, moved: offer.moved }
  const proven = offer.touches.some(({ of, kept }) => of === 'tip-on-plane' && kept.proven === true)
  return { state: proven ? 'proven' : 'read', use: offer.use }
}

/**
 * Nose to tip as it was measured last, on whichever machine and plane, while the tool is still the same in its holder: what the next
 * touch of it is expected to give. Undefined where it was changed since, or no set-up knows the nose.
 *
 * @param uses the youngest first, each with when its set-up told it.
 */
export const lastLengthOf = (
  uses: readonly UseAt[],
  events: readonly ShopEvent[],
): WrittenLength | undefined => lastMeasured(uses, events)?.length

type UseAt = ToolUse & { readonly at: string }

/** The use that measured it last, while it is still the same in its holder. */
export function lastMeasured(
  uses: readonly UseAt[],
  events: readonly ShopEvent[],
): UseAt | undefined {
  const index = uses.findIndex(({ length }) => length !== undefined)
  const use = uses[index]
  if (use === undefined) return undefined
  const isChanged =
    uses.slice(0, index).some(({ changedAt }) => changedAt !== undefined) ||
    events.some(({ what, at }) => what === 'tool-changed' && instantOf(at) >= instantOf(use.at))
  return isChanged ? undefined : use
}

/** Differences that tell how a holder repeats; with fewer, nothing is said. */
const LEAST_RESEATINGS = 3

/** Mean of the differences of two over their standard deviation, for a normal scatter: d2 of n = 2 (NIST e-Handbook 6.3.2.2). */
const D2 = 1.128

/**
 * How well a tool's length came again from set-up to set-up while nothing happened to it: one standard deviation of its holder and
 * the touches together, in millimetres, by the mean of the differences between one and the next. Undefined while too few tell it.
 *
 * @param uses the youngest first; those that touched nothing here are passed over.
 */
export function holderRepeatsMm(
  uses: readonly ToolUse[],
  events: readonly ShopEvent[],
): number | undefined {
  const changes = [
    ...events.filter(({ what }) => what === 'tool-changed').map(({ at }) => instantOf(at)),
    ...uses.flatMap(({ changedAt }) => changedAt ?? []).map(instantOf),
  ]
  const measured = uses
    .flatMap(({ length, touches, setup }) => {
      const read = length && readLength(length)
      const tip = touches.findLast(({ of }) => of === 'tip-on-plane')
      const isOwn = tip?.kept.setup === setup
      return read?.ok && tip && isOwn
        ? [{ at: instantOf(tip.kept.at), mm: read.value.nm / NANOMETRES_PER.mm }]
        : []
    })
    .toSorted((one, other) => one.at - other.at)
  const differences = measured.flatMap((one, index) => {
    const next = measured[index + 1]
    if (next === undefined || changes.some((at) => at > one.at && at <= next.at)) return []
    return [Math.abs(next.mm - one.mm)]
  })
  if (differences.length < LEAST_RESEATINGS) return undefined
  return differences.reduce((sum, one) => sum + one, 0) / differences.length / D2
}
