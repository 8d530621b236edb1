import type { ReadingBody } from '../facts/bodies/reading'
import type { Kept } from '../facts/bodies/kept'
import { instantOf } from '../freshness/instant'
import { NANOMETRES_PER, type WrittenLength } from '../length/length'
import { nanometresOf } from '../length/read-length'
import { quantityKey } from '../quantities/quantities'
import { keptChecksOf } from '../sheet/policy'
import type { Gauge } from '../sheet/gauge'
import type { MachinePolicy } from '../sheet/machine'

/** A touch of an earlier set-up as it would stand in another: what was read, with what, and where it comes from. */
export type KeptTouch = ReadingBody & { readonly kept: Kept }

/** What one set-up tells of a tool: its touches that still stood when it was left. */
export interface ToolUse {
  readonly setup: string
  readonly name: string
  readonly machine?: string
  readonly number: number
  /** What the setting plane was called. */
  readonly plane: string
  /** Touches of the tip on that plane, of the bare nose on it, and of the tool's diameter. */
  readonly touches: readonly KeptTouch[]
  /** The gauges that lay at them, as the sheet had them. */
  readonly gauges: readonly Gauge[]
  /** When it was changed in that set-up, ISO 8601. */
  readonly changedAt?: string
  /** When its plane was moved there after a touch of it. */
  readonly movedAt?: string
  /** Nose to tip, where the set-up tells it, and half the width of its 95 % interval in millimetres. */
  readonly length?: WrittenLength
  readonly lengthWithinMm?: number
}

/** Something that happened outside the set-up that asks: to a machine, or to a tool. */
export interface ShopEvent {
  readonly what: 'plane-moved' | 'home-lost' | 'tool-changed'
  readonly at: string
  /** In which set-up, or what somebody said of it. */
  readonly name: string
  /** Of something that happened in a set-up: its id. There its place tells what came first, and no clock is asked. */
  readonly setup?: string
  /** Of a plane: what it was called; any, where it is not said. */
  readonly plane?: string
}

/** A tool of the set-up that asks, with all that is known of it. */
export interface AskedTool {
  readonly number: number
  /** Uses of the tool in other set-ups, the youngest first. */
  readonly uses: readonly ToolUse[]
  /** What happened to it outside of set-ups. */
  readonly events: readonly ShopEvent[]
}

/** Why a tool is touched and not taken over. */
export type WhyTouched =
  | {
      readonly because:
        'never-measured' | 'other-machine' | 'other-plane' | 'by-marks' | 'not-on-plane'
    }
  | { readonly because: 'gauge-changed'; readonly gauge: string }
  | { readonly because: 'too-old'; readonly at: string }
  | { readonly because: 'tool-changed' | 'home-lost'; readonly event: ShopEvent }

/** What is offered for one tool: its touches as they were, after one more touch of any tool, or none. */
export type KeptOffer = { readonly tool: number } & (
  | { readonly take: 'as-it-was'; readonly use: ToolUse; readonly touches: readonly KeptTouch[] }
  | {
      readonly take: 'after-rebase'
      readonly use: ToolUse
      readonly touches: readonly KeptTouch[]
      readonly moved: ShopEvent
    }
  | { readonly take: 'nothing'; readonly why: WhyTouched }
)

/** The set-up that asks. */
export interface AskingSetup {
  readonly machine: string | undefined
  readonly plane: string
  /** A machine that finds its zero by marks has another one each time. */
  readonly byMarks: boolean
  readonly policy: MachinePolicy | undefined
  /** Its gauges as its sheet has them. */
  readonly gauges: readonly Gauge[]
}

/**
 * What of earlier set-ups still holds for the tools of another one on the same machine: a touch on the setting plane speaks of that
 * plane, that tool and that zero, and holds as long as none of them changed. Across set-ups only the server's clock tells what came
 * first.
 *
 * @param happened what happened to the machine and its plane, in any set-up and outside of them.
 * @param now ISO 8601 time at which it is asked.
 */
export function keptOffers(
  asking: AskingSetup,
  tools: readonly AskedTool[],
  happened: readonly ShopEvent[],
  now: string,
): readonly KeptOffer[] {
  return tools.map((tool) => ({ tool: tool.number, ...offerFor(asking, tool, happened, now) }))
}

type Offered = KeptOffer extends infer One
  ? One extends unknown
    ? Omit<One, 'tool'>
    : never
  : never

/** What is offered of one tool. */
export function offerFor(
  asking: AskingSetup,
  { uses, events }: Omit<AskedTool, 'number'>,
  happened: readonly ShopEvent[],
  now: string,
): Offered {
  const nothing = (why: WhyTouched): Offered => ({ take: 'nothing', why })
  if (uses.length === 0) return nothing({ because: 'never-measured' })
  if (asking.byMarks) return nothing({ because: 'by-marks' })
  const here = uses.filter(({ machine }) => machine !== undefined && machine === asking.machine)
  if (here.length === 0) return nothing({ because: 'other-machine' })
  const onPlane = here.filter(({ plane }) => isSamePlane(plane, asking.plane))
  if (onPlane.length === 0) return nothing({ because: 'other-plane' })
  const use = onPlane.find(({ touches }) => touches.some(({ of }) => of === 'tip-on-plane'))
  const at = use && youngest(use.touches)
  const since = (event: ShopEvent) =>
    at === undefined || (event.setup !== use?.setup && !isLater(at, event.at))
  const changed = [...events, ...uses.flatMap(changeIn)].find(
    (event) => event.what === 'tool-changed' && since(event),
  )
  if (changed !== undefined) return nothing({ because: 'tool-changed', event: changed })
  if (use === undefined || at === undefined) return nothing({ because: 'not-on-plane' })
  const lost = happened.find((event) => event.what === 'home-lost' && since(event))
  if (lost !== undefined) return nothing({ because: 'home-lost', event: lost })
  const gauge = use.gauges.find((one) => !isAsDeclared(one, asking.gauges))
  if (gauge !== undefined) return nothing({ because: 'gauge-changed', gauge: gauge.name })
  const days = asking.policy?.maxAgeDays
  if (days !== undefined && instantOf(at) + days * DAY_MS < instantOf(now))
    return nothing({ because: 'too-old', at })
  // The first move since ended the plane's generation that its touches are of.
  const [moved] = [
    ...movedIn(use),
    ...happened.filter(
      (event) =>
        event.what === 'plane-moved' &&
        since(event) &&
        (event.plane === undefined || isSamePlane(event.plane, asking.plane)),
    ),
  ].toSorted((one, other) => instantOf(one.at) - instantOf(other.at))
  const { touches } = use
  return moved === undefined
    ? { take: 'as-it-was', use, touches }
    : { take: 'after-rebase', use, touches, moved }
}

const DAY_MS = 86_400_000

const isLater = (one: string, other: string): boolean => instantOf(one) > instantOf(other)

const isSamePlane = (one: string, other: string): boolean =>
  one.trim().toLowerCase() === other.trim().toLowerCase()

const movedIn = ({ movedAt, name }: ToolUse): readonly ShopEvent[] =>
  movedAt === undefined ? [] : [{ what: 'plane-moved', at: movedAt, name }]

const changeIn = ({ changedAt, name, setup }: ToolUse): readonly ShopEvent[] =>
  changedAt === undefined ? [] : [{ what: 'tool-changed', at: changedAt, name, setup }]

/** When the last of its tips was touched. */
const youngest = (touches: readonly KeptTouch[]): string | undefined =>
  touches
    .filter(({ of }) => of === 'tip-on-plane')
    .map(({ kept }) => kept.at)
    .reduce<string | undefined>(
      (last, at) => (last === undefined || isLater(at, last) ? at : last),
      undefined,
    )

/** A gauge that is another size now may have been that size then, or not: nobody knows. */
function isAsDeclared(gauge: Gauge, today: readonly Gauge[]): boolean {
  const now = today.find(({ id }) => id === gauge.id)
  return (
    now !== undefined &&
    nanometresOf(now.size) === nanometresOf(gauge.size) &&
    nanometresOf(now.foot) === nanometresOf(gauge.foot)
  )
}

/**
 * Which of the tools that are taken over are touched again all the same: the longest, which meets metal first, then those that were
 * touched longest ago. At least one, and never all but where there is one alone. One that is
 * taken over after a re-base is none of these: the touch that re-bases is its check.
 */
export function checksAmong(
  offers: readonly KeptOffer[],
  policy: MachinePolicy | undefined,
): readonly number[] {
  const taken = offers.flatMap((offer) =>
    offer.take === 'as-it-was'
      ? [{ tool: offer.tool, reach: reachMm(offer.touches), at: youngest(offer.touches) ?? '' }]
      : [],
  )
  const count = Math.max(1, Math.min(keptChecksOf(policy), taken.length - 1))
  const [longest, ...others] = taken.toSorted((one, other) => other.reach - one.reach)
  if (longest === undefined) return []
  const oldest = others.toSorted((one, other) => instantOf(one.at) - instantOf(other.at))
  return [longest, ...oldest].slice(0, count).map(({ tool }) => tool)
}

/** How far down a tip reached the plane: the higher the machine stood, the longer the tool. */
function reachMm(touches: readonly KeptTouch[]): number {
  const tip = touches.findLast(({ of }) => of === 'tip-on-plane')
  return (nanometresOf(tip?.read) ?? -Infinity) / NANOMETRES_PER.mm
}

/**
 * The offers that are taken over by the generation of the plane that their touches were made in: the oldest first, today's
 * last. A tool that is touched anew carries over what is of the generation of its own touch, and no other.
 */
export function offersByGeneration(
  offers: readonly KeptOffer[],
): readonly (readonly Extract<KeptOffer, { touches: unknown }>[])[] {
  const taken = offers.flatMap((offer) => (offer.take === 'nothing' ? [] : [offer]))
  const endOf = (offer: (typeof taken)[number]): number =>
    offer.take === 'after-rebase' ? instantOf(offer.moved.at) : Infinity
  const ends = [...new Set([...taken.map(endOf), Infinity])].sort((one, other) => one - other)
  return ends.map((end) => taken.filter((offer) => endOf(offer) === end))
}

/**
 * The touches to enter for what is taken over, by generation of the plane as `offersByGeneration` has them; between two of
 * them the plane was moved. Each once: of the bare nose those of the youngest use, because all of one generation speak of one plane.
 *
 * @param wanted keys of the quantities that the set-up asks for and has not read.
 */
export const touchesToKeep = (
  offers: readonly KeptOffer[],
  checks: readonly number[],
  wanted: ReadonlySet<string>,
): readonly (readonly KeptTouch[])[] =>
  offersByGeneration(offers).map((taken): readonly KeptTouch[] => {
    const [first] = taken
    const generation = first?.take === 'after-rebase' ? `until ${first.moved.at}` : 'as it stands'
    const nose = taken
      .map(({ touches }) => touches.filter(({ of }) => of === 'nose-on-plane'))
      .filter((touches) => touches.length > 0)
      .toSorted((one, other) => latest(other) - latest(one))[0]
    const own = taken.flatMap(({ tool, touches }) =>
      touches
        .filter(({ of }) => of !== 'nose-on-plane')
        .map((touch): KeptTouch => {
          const numbered = { ...touch, ...('tool' in touch && { tool }) } as KeptTouch
          return checks.includes(tool) && touch.of === 'tip-on-plane'
            ? { ...numbered, kept: { ...touch.kept, check: true } }
            : numbered
        }),
    )
    return [...(nose ?? []), ...own]
      .filter((touch) => wanted.has(quantityKey(touch)))
      .map((touch) => ({ ...touch, kept: { ...touch.kept, generation } }))
  })

const latest = (touches: readonly KeptTouch[]): number =>
  Math.max(...touches.map(({ kept }) => instantOf(kept.at)))
