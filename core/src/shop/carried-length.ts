import { dayOf, instantOf } from '../freshness/instant'
import { formatLength } from '../length/format-length'
import { NANOMETRES_PER, toNanometres, type LengthUnit, type WrittenLength } from '../length/length'
import { nanometresOf } from '../length/read-length'
import type { ShopEvent, ToolUse } from './kept-offers'
import type { Seat } from './tool-properties'
import { lastMeasured } from './tool-trust'

/** A tool with what was measured of it in set-ups, the youngest first. */
export interface MeasuredTool {
  readonly uses: readonly (ToolUse & { readonly at: string })[]
  /** What happened to it outside of set-ups. */
  readonly events: readonly ShopEvent[]
  readonly seat?: Seat | undefined
}

/** How much longer tools measure on one machine than on another: their noses stand differently before the gauge line. */
export interface NoseDifference {
  readonly mm: number
  /** One standard deviation of that. */
  readonly standardMm: number
  /** By how many tools that were measured on both. */
  readonly tools: number
}

/** Nose to tip as it was measured elsewhere, and what it is here: it may count without a touch. */
export interface CarriedLength {
  readonly length: WrittenLength
  /** One standard deviation, with the seat. */
  readonly uncertainty: WrittenLength
  /** The set-up that measured it, and its machine and plane. */
  readonly from: { readonly name: string; readonly at: string; readonly plane: string }
  readonly machine: string
  /** Why it is as long here: it is the same nose, a face seats it against any, or other tools were measured on both. */
  readonly because: 'same-machine' | 'face' | 'measured-on-both'
  /** What was added, where it was measured on another machine. */
  readonly nose?: NoseDifference
}

/** How far apart two clampings of one holder in one spindle seat it, in millimetres, one standard deviation (values from memory). */
const SEATS_MM: Readonly<Record<Seat | 'unknown', number>> = {
  'register-face': 0.002,
  taper: 0.005,
  unknown: 0.005,
}
/** One tool that was measured on both may have been re-gripped where nobody said so. */
const LEAST_COMMON = 2
/** Standard deviations that lie in the half-width of a 95 % interval. */
const K = 1.96

/**
 * How machines differ from one, by the tools that were measured on both while nothing was said to have happened to them: the mean of
 * their differences. A steep taper stands on its cone, and how far the nose lies before that differs from spindle to spindle by tenths
 * (value from memory); where a face seats the holder the nose is the reference itself.
 *
 * @returns by machine: what is added to a length that was measured there.
 */
export function noseDifferences(
  machine: string,
  tools: readonly MeasuredTool[],
): ReadonlyMap<string, NoseDifference> {
  const found = new Map<string, { readonly mm: number; readonly standard: number }[]>()
  for (const tool of tools) {
    const here = measuredOn(tool, machine)
    const others = new Set(tool.uses.flatMap((use) => use.machine ?? []))
    others.delete(machine)
    for (const other of others) {
      const there = measuredOn(tool, other)
      if (here === undefined || there === undefined || isChangedBetween(tool, here, there)) continue
      const standard = Math.hypot(here.standard, there.standard, Math.SQRT2 * seatMm(tool))
      found.set(other, [...(found.get(other) ?? []), { mm: here.mm - there.mm, standard }])
    }
  }
  return new Map(
    [...found].flatMap(([other, all]) => {
      const count = all.length
      if (count < LEAST_COMMON) return []
      const mm = all.reduce((sum, one) => sum + one.mm, 0) / count
      const scatter = Math.sqrt(all.reduce((sum, one) => sum + (one.mm - mm) ** 2, 0) / (count - 1))
      // Few differences may lie together by chance: they are no surer than the touches that they are made of.
      const expected = Math.max(...all.map(({ standard }) => standard))
      const standardMm = Math.max(scatter, expected) / Math.sqrt(count)
      return [[other, { mm, standardMm, tools: count }] as const]
    }),
  )
}

/**
 * The last length of a tool as it counts on a machine: as it was measured there, or elsewhere with how the two machines differ.
 * Undefined where it was changed since, was measured longer ago than the shop allows, or nothing tells how it seats here.
 *
 * @param now ISO 8601 time at which it is asked.
 */
export function carriedLength(
  tool: MeasuredTool,
  machine: string,
  noses: ReadonlyMap<string, NoseDifference>,
  {
    maxAgeDays = Infinity,
    now,
  }: { readonly maxAgeDays?: number | undefined; readonly now: string },
): CarriedLength | undefined {
  const use = lastMeasured(tool.uses.map(asTouched), tool.events)
  const measured = use && measuredOf(use)
  if (use !== undefined && dayOf(now) - dayOf(use.at) > maxAgeDays) return undefined
  if (use?.length === undefined || use.machine === undefined || measured === undefined)
    return undefined
  const isHere = use.machine === machine
  const nose = isHere ? undefined : noses.get(use.machine)
  if (!isHere && nose === undefined && tool.seat !== 'register-face') return undefined
  const { unit } = use.length
  const mm = measured.mm + (nose?.mm ?? 0)
  const standard = Math.hypot(measured.standard, Math.SQRT2 * seatMm(tool), nose?.standardMm ?? 0)
  return {
    length: written(mm, unit, LENGTH_DECIMALS),
    uncertainty: written(standard, unit, UNCERTAINTY_DECIMALS),
    from: { name: use.name, at: use.at, plane: use.plane },
    machine: use.machine,
    because: isHere ? 'same-machine' : nose === undefined ? 'face' : 'measured-on-both',
    ...(nose && { nose }),
  }
}

const LENGTH_DECIMALS = { mm: 3, in: 4 } as const
const UNCERTAINTY_DECIMALS = { mm: 4, in: 5 } as const

const written = (
  mm: number,
  unit: LengthUnit,
  decimals: Readonly<Record<LengthUnit, number>>,
): WrittenLength => ({
  text: formatLength(toNanometres(Math.round(mm * NANOMETRES_PER.mm)), unit, decimals[unit]),
  unit,
})

const seatMm = ({ seat }: MeasuredTool): number => SEATS_MM[seat ?? 'unknown']

interface Measured {
  readonly mm: number
  readonly standard: number
  readonly at: string
}

function measuredOf({
  length,
  lengthWithinMm = 0,
  at,
}: MeasuredTool['uses'][number]): Measured | undefined {
  const nm = nanometresOf(length)
  return nm === undefined
    ? undefined
    : { mm: nm / NANOMETRES_PER.mm, standard: lengthWithinMm / K, at }
}

/**
 * A use tells a length only where nose and tip were touched: one that was declared, or worked out beside a tool whose length was, would
 * vouch for itself.
 */
function asTouched(use: MeasuredTool['uses'][number]): MeasuredTool['uses'][number] {
  const isTouched = (['nose-on-plane', 'tip-on-plane'] as const).every((wanted) =>
    use.touches.some(({ of }) => of === wanted),
  )
  const { length: _told, ...others } = use
  return isTouched ? use : others
}

/** The last time that a machine measured it. */
const measuredOn = ({ uses }: MeasuredTool, machine: string): Measured | undefined =>
  uses.map(asTouched).flatMap((use) => (use.machine === machine ? (measuredOf(use) ?? []) : []))[0]

function isChangedBetween({ uses, events }: MeasuredTool, one: Measured, other: Measured): boolean {
  const moments = [one, other].map(({ at }) => instantOf(at))
  const [first, last] = [Math.min(...moments), Math.max(...moments)]
  return [
    ...events.filter(({ what }) => what === 'tool-changed').map(({ at }) => at),
    ...uses.flatMap(({ changedAt }) => changedAt ?? []),
  ].some((at) => instantOf(at) >= first && instantOf(at) <= last)
}
