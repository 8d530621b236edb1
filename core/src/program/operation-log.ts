import { NANOMETRES_PER, toNanometres } from '../length/length'
import type { MachineAxis } from '../address/row'
import type {
  Extent,
  Extents,
  Operation,
  ProgramPlace,
  ProgramRow,
  RowUse,
} from './program-reading'

/** Tells where in the program one is, when something is to be told of it. */
export interface PlaceSource {
  readonly place: ProgramPlace
}

/** Gathers what one tool does; a few numbers a row, however long the program is. */
export class OperationLog {
  private readonly lengths = new Map<number, ProgramPlace>()
  private readonly diameters = new Map<number, ProgramPlace>()
  private readonly rows = new Map<ProgramRow, ProgramPlace>()
  /** Lowest and highest of X, Y, Z, widened in place: a program may have millions of moves. */
  private readonly extents = new Map<ProgramRow, Float64Array>()
  private readonly speeds = new Set<number>()
  private readonly feeds = new Set<number>()
  private row: ProgramRow | undefined
  private hasLength = false
  private ranges = unreached()
  private lowest = Infinity
  private lastFeed = NaN
  private lowestZ: Operation['lowestZ']
  private firstApproach: ProgramPlace | undefined
  private rapidBelowZero: ProgramPlace | undefined
  private spokenSpeed: ProgramPlace | undefined
  private cutMm = 0
  private rapidMm = 0
  private cutMinutes = 0
  private compensates = false
  private uncertain = false

  constructor(
    readonly tool: number | undefined,
    private readonly from: ProgramPlace,
    private name: string | undefined,
  ) {}

  /** A comment before its first move names it, where none has. */
  call(name: string): void {
    if (this.rows.size === 0) this.name ??= name
  }

  useLength(register: number, place: ProgramPlace): void {
    if (this.lengths.size < MOST_KEPT && !this.lengths.has(register))
      this.lengths.set(register, place)
  }

  useDiameter(register: number, place: ProgramPlace): void {
    if (this.diameters.size < MOST_KEPT && !this.diameters.has(register))
      this.diameters.set(register, place)
  }

  useSpeed(perMinute: number): void {
    // The last one stays on the control: it stands last.
    this.speeds.delete(perMinute)
    if (this.speeds.size < MOST_KEPT) this.speeds.add(perMinute)
  }

  compensate(): void {
    this.compensates = true
  }

  /** A comment before its moves spoke of a speed. */
  hearOfSpeed(place: ProgramPlace): void {
    this.spokenSpeed ??= place
  }

  doubt(): void {
    this.uncertain = true
  }

  /** The next path goes in this row, with a length active or none. */
  moveIn(row: ProgramRow, hasLength: boolean, source: PlaceSource): void {
    this.hasLength = hasLength
    if (row === this.row) return
    this.row = row
    const known = this.extents.get(row)
    this.ranges = known ?? unreached()
    if (known !== undefined || this.extents.size >= MOST_KEPT) return
    this.extents.set(row, this.ranges)
    this.rows.set(row, source.place)
  }

  /** A path reaches from `low` to `high` along an axis (X, Y, Z counted from 0). */
  reach(axis: number, low: number, high: number, source: PlaceSource): void {
    const { ranges } = this
    if (low < (ranges[2 * axis] ?? Infinity)) ranges[2 * axis] = low
    if (high > (ranges[2 * axis + 1] ?? -Infinity)) ranges[2 * axis + 1] = high
    if (axis !== Z_AXIS) return
    const own = this.hasLength ? Z_WITH_LENGTH : Z_WITHOUT
    if (low < (ranges[own] ?? Infinity)) ranges[own] = low
    if (high > (ranges[own + 1] ?? -Infinity)) ranges[own + 1] = high
    this.firstApproach ??= source.place
    if (low >= this.lowest) return
    this.lowest = low
    this.lowestZ = { z: toNanometres(low), at: source.place }
  }

  /**
   * A path at feed.
   *
   * @param minutes NaN where nobody knows how long it takes.
   * @param feed as it is written, a distance a minute; NaN where it is none.
   */
  count(lengthNm: number, minutes: number, feed: number): void {
    this.cutMm += lengthNm / NANOMETRES_PER.mm
    if (minutes > 0 && minutes < Infinity) this.cutMinutes += minutes
    if (!(feed > 0) || feed === this.lastFeed) return
    this.lastFeed = feed
    if (this.feeds.size < MOST_KEPT) this.feeds.add(feed)
  }

  /** A path at rapid. */
  countRapid(lengthNm: number, sidewaysBelowZero: boolean, source: PlaceSource): void {
    this.rapidMm += lengthNm / NANOMETRES_PER.mm
    if (sidewaysBelowZero) this.rapidBelowZero ??= source.place
  }

  /** Whether anything was moved or called for: a file may begin with nothing. */
  get isEmpty(): boolean {
    return this.rows.size === 0 && this.lengths.size === 0 && this.tool === undefined
  }

  finish(): Operation {
    return {
      tool: this.tool,
      from: this.from,
      ...(this.name !== undefined && { name: this.name }),
      lengths: [...this.lengths].map(([register, at]) => ({ register, at })),
      diameters: [...this.diameters].map(([register, at]) => ({ register, at })),
      rows: [...this.extents].map(([row, ranges]) => ({
        row,
        at: this.rows.get(row) ?? this.from,
        extents: extentsOf(ranges),
        ...withoutLength(ranges),
      })),
      ...(this.lowestZ && { lowestZ: this.lowestZ }),
      ...(this.firstApproach && { firstApproach: this.firstApproach }),
      ...(this.rapidBelowZero && { rapidBelowZero: this.rapidBelowZero }),
      ...(this.spokenSpeed && this.speeds.size === 0 && { spokenSpeed: this.spokenSpeed }),
      ...(this.compensates && { compensates: true }),
      speeds: [...this.speeds],
      feeds: [...this.feeds],
      cutMm: this.cutMm,
      rapidMm: this.rapidMm,
      cutMinutes: this.cutMinutes,
      uncertain: this.uncertain,
    }
  }
}

const AXES: readonly MachineAxis[] = ['X', 'Y', 'Z']

/** Lowest and highest of each axis, before anything is reached. */
const unreached = (): Float64Array =>
  Float64Array.from({ length: 10 }, (_, index) => (index % 2 === 0 ? Infinity : -Infinity))

const Z_AXIS = 2
/** Behind the three axes: Z again, with a length active and with none. */
const Z_WITH_LENGTH = 6
const Z_WITHOUT = 8
/** A file of nonsense names a register in every line: what is kept of one operation stays small. */
const MOST_KEPT = 1000

/** What Z reached while no length was active, and while one was, where the two are not the same. */
function withoutLength(ranges: Float64Array): Pick<RowUse, 'bareZ' | 'heldZ'> {
  const [bare, held] = [rangeAt(ranges, Z_WITHOUT), rangeAt(ranges, Z_WITH_LENGTH)]
  return bare === undefined ? {} : { bareZ: bare, ...(held !== undefined && { heldZ: held }) }
}

function rangeAt(ranges: Float64Array, index: number): Extent | undefined {
  const [low = Infinity, high = -Infinity] = ranges.subarray(index, index + 2)
  return low <= high ? [toNanometres(low), toNanometres(high)] : undefined
}

function extentsOf(ranges: Float64Array): Extents {
  const extents: Partial<Record<MachineAxis, Extent>> = {}
  AXES.forEach((axis, index) => {
    const range = rangeAt(ranges, 2 * index)
    if (range !== undefined) extents[axis] = range
  })
  return extents
}
