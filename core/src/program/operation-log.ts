import { NANOMETRES_PER, toNanometres } from '../length/length'
import type { MachineAxis } from '../setup/sheet'
import type { Extent, Extents, Operation, ProgramPlace, ProgramRow } from './program-types'

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
    private readonly name: string | undefined,
  ) {}

  useLength(register: number, place: ProgramPlace): void {
    if (!this.lengths.has(register)) this.lengths.set(register, place)
  }

  useDiameter(register: number, place: ProgramPlace): void {
    if (!this.diameters.has(register)) this.diameters.set(register, place)
  }

  useSpeed(perMinute: number): void {
    // The last one stays on the control: it stands last.
    this.speeds.delete(perMinute)
    this.speeds.add(perMinute)
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

  /** The next path goes in this row. */
  moveIn(row: ProgramRow, source: PlaceSource): void {
    if (row === this.row) return
    this.row = row
    const known = this.extents.get(row)
    this.ranges = known ?? unreached()
    if (known !== undefined) return
    this.extents.set(row, this.ranges)
    this.rows.set(row, source.place)
  }

  /** A path reaches from `low` to `high` along an axis (X, Y, Z counted from 0). */
  reach(axis: number, low: number, high: number, source: PlaceSource): void {
    const { ranges } = this
    if (low < (ranges[2 * axis] ?? Infinity)) ranges[2 * axis] = low
    if (high > (ranges[2 * axis + 1] ?? -Infinity)) ranges[2 * axis + 1] = high
    if (axis !== Z_AXIS) return
    this.firstApproach ??= source.place
    if (low >= this.lowest) return
    this.lowest = low
    this.lowestZ = { z: toNanometres(low), at: source.place }
  }

  /** A path at feed; millimetres a minute, NaN where none was set. */
  count(lengthNm: number, feedPerMinute: number): void {
    const millimetres = lengthNm / NANOMETRES_PER.mm
    this.cutMm += millimetres
    if (!(feedPerMinute > 0)) return
    this.cutMinutes += millimetres / feedPerMinute
    if (feedPerMinute === this.lastFeed) return
    this.lastFeed = feedPerMinute
    this.feeds.add(feedPerMinute)
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
  Float64Array.of(Infinity, -Infinity, Infinity, -Infinity, Infinity, -Infinity)

const Z_AXIS = 2

function extentsOf(ranges: Float64Array): Extents {
  const extents: Partial<Record<MachineAxis, Extent>> = {}
  AXES.forEach((axis, index) => {
    const [low = Infinity, high = -Infinity] = ranges.subarray(2 * index, 2 * index + 2)
    if (low <= high) extents[axis] = [toNanometres(low), toNanometres(high)]
  })
  return extents
}
