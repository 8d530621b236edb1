import { controlRow, type Address } from '../../address/address'
import type { Chain } from '../../chain/chain'
import { crossingsOf } from '../../facts/crossings'
import type { ReadBack, ShortReadBack } from '../../facts/bodies/bodies'
import type { SetupDocument } from '../../facts/document'
import type { SetupEvent } from '../../facts/bodies/event'
import { placeOf, readingsById } from '../../facts/readings-by-id'
import type { Nanometres } from '../../length/length'
import type { ReadLength } from '../../length/read-length'
import type { SourceReader } from '../../sources/sources'

const CARRY_OVER: readonly SetupEvent['kind'][] = [
  'home-recovered',
  'rebased',
  'external-changed',
  'gauge-measured',
  'order-told',
  'corrected',
]

/** A number that the control showed, and where that stands in the stream. */
export interface SeenAt {
  readonly shown: ReadLength
  readonly place: number
  /** How much of it was typed, where that was not all. */
  readonly way?: ShortReadBack
}

/** The one that was seen last. */
const latest = (seen: readonly (SeenAt | undefined)[]): SeenAt | undefined =>
  seen.reduce<SeenAt | undefined>(
    (last, one) => (one !== undefined && one.place > (last?.place ?? -1) ? one : last),
    undefined,
  )

/** Whether something was read for a number after the control showed it: its place counts, not a clock. */
function isOlder(
  place: number,
  chain: Chain,
  { readings }: Pick<SetupDocument, 'readings'>,
): boolean {
  const byId = readingsById(readings)
  return chain.terms.some(({ source }) => (placeOf(byId, source) ?? -1) > place)
}

/** What the control showed, register by register. */
export interface ShownBefore {
  /** The last number that it showed for a register. */
  readonly last: (address: Address, moment: ReadBack['moment']) => SeenAt | undefined
  /**
   * What a row held before it was keyed to a number: what was read for that, what it was keyed to before the number was
   * read again, or what it was set to with another tool, whichever was seen last.
   */
  readonly beforeKeying: (address: Address, chain: Chain) => Nanometres | undefined
  /**
   * What a row shows now, whatever it was keyed to: a number that is added is added to that. Undefined where nobody has
   * looked since it may have changed: it was keyed without being read back, the control was switched to another unit, or its power was
   * cut.
   */
  readonly now: (address: Address) => Nanometres | undefined
  /** Whether the number was read again, or carried over, since: the control shows the one from before. */
  readonly isOutdated: (seen: SeenAt, chain: Chain) => boolean
  /** What it showed before this place proves nothing any more: it was switched to another unit, or had no power. */
  readonly provenFrom: number
}

export function shownBefore(document: SetupDocument, sources: SourceReader): ShownBefore {
  const lastRow = new Map(
    document.readBacks.map(
      (readBack) => [`${readBack.address} ${readBack.moment}`, readBack] as const,
    ),
  )
  // What a control showed before it was switched to another unit, or before its power was cut, proves nothing any more.
  const lastPlace = (isMeant: (kind: SetupEvent['kind']) => boolean) =>
    document.events.findLast(({ kind }) => isMeant(kind))?.place ?? -1
  const provenFrom = lastPlace((kind) => kind === 'unit-changed' || kind === 'home-lost')
  // Carrying numbers over (by marks, a master, a gauge's true size, another external offset) makes others of them.
  const carriedOver = lastPlace((kind) => CARRY_OVER.includes(kind))
  // Two people keyed it, neither knowing of the other: what it shows now is known when somebody looks again.
  const crossings = crossingsOf(document)
  const seen = (readBack: ReadBack | undefined): SeenAt | undefined => {
    if (readBack === undefined) return undefined
    const { place, address } = readBack
    if (place <= (crossings.get(address)?.second.place ?? -1)) return undefined
    const shown = sources.length(readBack.shown, { place: `facts.${place}.body.shown` })
    return shown && { shown, place, ...(readBack.way && { way: readBack.way }) }
  }
  const last: ShownBefore['last'] = (address, moment) => seen(lastRow.get(`${address} ${moment}`))
  const isOutdated: ShownBefore['isOutdated'] = ({ place }, chain) =>
    place < carriedOver || isOlder(place, chain, document)
  const lastKeyed = new Map(
    document.keyIns.map(({ address, place }) => [controlRow(address), place] as const),
  )
  const afterKeying = new Map<Address, ReadBack[]>()
  for (const readBack of document.readBacks) {
    if (readBack.moment !== 'after') continue
    const row = controlRow(readBack.address)
    const before = afterKeying.get(row)
    if (before === undefined) afterKeying.set(row, [readBack])
    else before.push(readBack)
  }
  // Where one row serves each tool in turn, it shows what it was set to with the one before.
  const withAnotherTool = (address: Address) =>
    seen(afterKeying.get(controlRow(address))?.findLast((one) => one.address !== address))
  return {
    last,
    beforeKeying(address, chain) {
      const after = last(address, 'after')
      return latest([
        last(address, 'before'),
        after && isOutdated(after, chain) ? after : undefined,
        withAnotherTool(address),
      ])?.shown.nm
    },
    now(address) {
      const shown = latest([
        last(address, 'before'),
        last(address, 'after'),
        last(address, 'raised'),
        last(address, 'lowered'),
        withAnotherTool(address),
      ])
      const mayHaveChanged = Math.max(provenFrom, lastKeyed.get(controlRow(address)) ?? -1)
      return shown === undefined || shown.place < mayHaveChanged ? undefined : shown.shown.nm
    },
    isOutdated,
    provenFrom,
  }
}
