import { NANOMETRES_PER, toNanometres } from '../length/length'
import type { MachineAxis } from '../setup/sheet'
import type { Extent, Extents, Operation, ProgramPlace, ProgramRow } from './program-types'

/** A path that was followed, in nanometres; an axis that is not known is left out. */
export interface Path {
  readonly extents: Readonly<Partial<Record<MachineAxis, readonly [number, number]>>>
  readonly lengthNm: number
  readonly feedPerMinute: number | undefined
  readonly rapid: boolean
  /** Goes along X or Y while the tip is below Z0. */
  readonly belowZero: boolean
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
  private lowestZ: Operation['lowestZ']
  private firstApproach: ProgramPlace | undefined
  private rapidBelowZero: ProgramPlace | undefined
  private spokenSpeed: ProgramPlace | undefined
  private cutMm = 0
  private rapidMm = 0
  private cutMinutes = 0
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
    this.speeds.add(perMinute)
  }

  /** A comment before its moves spoke of a speed. */
  hearOfSpeed(place: ProgramPlace): void {
    this.spokenSpeed ??= place
  }

  doubt(): void {
    this.uncertain = true
  }

  /** Takes a path in; `approaches` when it is the first that goes down. */
  follow(row: ProgramRow, path: Path, place: () => ProgramPlace): void {
    let ranges = this.extents.get(row)
    if (ranges === undefined) {
      ranges = Float64Array.of(Infinity, -Infinity, Infinity, -Infinity, Infinity, -Infinity)
      this.extents.set(row, ranges)
      this.rows.set(row, place())
    }
    const { X, Y, Z } = path.extents
    if (X !== undefined) widen(ranges, 0, X)
    if (Y !== undefined) widen(ranges, 2, Y)
    if (Z !== undefined) {
      widen(ranges, 4, Z)
      this.firstApproach ??= place()
      if (this.lowestZ === undefined || Z[0] < this.lowestZ.z)
        this.lowestZ = { z: toNanometres(Z[0]), at: place() }
    }
    const millimetres = path.lengthNm / NANOMETRES_PER.mm
    if (path.rapid) {
      this.rapidMm += millimetres
      if (path.belowZero) this.rapidBelowZero ??= place()
    } else {
      this.cutMm += millimetres
      const feed = path.feedPerMinute
      if (feed !== undefined && feed > 0) {
        this.feeds.add(feed)
        this.cutMinutes += millimetres / feed
      }
    }
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

function widen(ranges: Float64Array, at: number, [low, high]: readonly [number, number]): void {
  if (low < (ranges[at] ?? Infinity)) ranges[at] = low
  if (high > (ranges[at + 1] ?? -Infinity)) ranges[at + 1] = high
}

function extentsOf(ranges: Float64Array): Extents {
  const extents: Partial<Record<MachineAxis, Extent>> = {}
  AXES.forEach((axis, index) => {
    const [low = Infinity, high = -Infinity] = ranges.subarray(2 * index, 2 * index + 2)
    if (low <= high) extents[axis] = [toNanometres(low), toNanometres(high)]
  })
  return extents
}
