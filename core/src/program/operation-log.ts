import { NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'
import type { MachineAxis } from '../setup/sheet'
import type { Extent, Extents, Operation, ProgramPlace, ProgramRow } from './program-types'

/** A path that was followed, in nanometres; an axis that is not known is left out. */
export interface Path {
  readonly extents: Extents
  readonly lengthNm: number
  readonly feedPerMinute: number | undefined
  readonly rapid: boolean
}

/** Gathers what one tool does; a few numbers a row, however long the program is. */
export class OperationLog {
  private readonly lengths = new Map<number, ProgramPlace>()
  private readonly diameters = new Map<number, ProgramPlace>()
  private readonly rows = new Map<ProgramRow, ProgramPlace>()
  private readonly extents = new Map<ProgramRow, Extents>()
  private readonly speeds = new Set<number>()
  private readonly feeds = new Set<number>()
  private lowestZ: Operation['lowestZ']
  private firstApproach: ProgramPlace | undefined
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

  doubt(): void {
    this.uncertain = true
  }

  /** Takes a path in; `approaches` when it is the first that goes down. */
  follow(row: ProgramRow, path: Path, place: ProgramPlace): void {
    if (!this.rows.has(row)) this.rows.set(row, place)
    this.extents.set(row, merged(this.extents.get(row), path.extents))
    const low = path.extents.Z?.[0]
    if (low !== undefined) {
      this.firstApproach ??= place
      if (this.lowestZ === undefined || low < this.lowestZ.z) this.lowestZ = { z: low, at: place }
    }
    const millimetres = path.lengthNm / NANOMETRES_PER.mm
    if (path.rapid) this.rapidMm += millimetres
    else {
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
      lengths: this.lengths,
      diameters: this.diameters,
      rows: this.rows,
      extents: this.extents,
      ...(this.lowestZ && { lowestZ: this.lowestZ }),
      ...(this.firstApproach && { firstApproach: this.firstApproach }),
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

function merged(before: Extents | undefined, added: Extents): Extents {
  const result: Partial<Record<MachineAxis, Extent>> = { ...before }
  for (const axis of AXES) {
    const range = added[axis]
    if (range === undefined) continue
    const old = result[axis]
    result[axis] = old
      ? [lower(old[0], range[0]), higher(old[1], range[1])]
      : [toNanometres(range[0]), toNanometres(range[1])]
  }
  return result
}

const lower = (a: Nanometres, b: Nanometres): Nanometres => (a < b ? a : b)
const higher = (a: Nanometres, b: Nanometres): Nanometres => (a > b ? a : b)
