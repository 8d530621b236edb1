import {
  chainOf,
  EMPTY_CHAIN,
  scaleChain,
  subtractChains,
  sumChains,
  type Chain,
  type Source,
  type TermRole,
} from '../chain/chain'
import {
  gaugeUncertainty,
  readingUncertainty,
  UNKNOWN_LOST_MOTION,
} from '../budget/source-uncertainty'
import { toNanometres, type WrittenLength } from '../length/length'
import { readLength, type ReadLength, type ReadLengthOptions } from '../length/read-length'
import type { Problem } from '../problem'
import { GAUGE_FACTS } from '../touch/gauge-kinds'
import { approachDirection, axisOfFace, type Face } from '../touch/touch'
import type { Reading, SetupDocument } from './document'
import { sideOf, type Gauge, type MachineAxis, type Tool } from './sheet'
import { axisOfQuantity, quantityKey } from './quantity'
import { repeatsMm } from './repeats'

type ReadingOnBothAxes = Extract<Reading, { of: 'circle-point' | 'edge-point' | 'sweep' }>

const isOnBothAxes = (reading: Reading): reading is ReadingOnBothAxes => 'readY' in reading

const NOTHING: ReadLength = { nm: toNanometres(0), decimals: 0, unit: 'mm', text: '0' }

export type ReadingRole =
  'tip-at-contact' | 'nose-at-contact' | 'axis-at-contact' | 'counter' | 'diameter'
export type DeclaredRole = Extract<
  TermRole,
  'facing' | 'drawing-coordinate' | 'school-constant' | 'quill'
>

/**
 * Reads the numbers of one document into chains, and keeps a list of what could not be read, so
 * that one bad number hides only what depends on it.
 */
export class SourceReader {
  readonly problems: Problem[] = []
  private readonly gauges: ReadonlyMap<string, readonly [Gauge, number]>
  private readonly tools: ReadonlyMap<number, readonly [Tool, number]>
  private readonly placeOfReading: ReadonlyMap<string, number>

  constructor(private readonly document: SetupDocument) {
    const { gauges, tools } = document.sheet
    this.gauges = new Map(gauges.map((gauge, index) => [gauge.id, [gauge, index] as const]))
    this.tools = new Map(tools.map((tool, index) => [tool.number, [tool, index] as const]))
    this.placeOfReading = new Map(document.readings.map((reading, index) => [reading.id, index]))
  }

  /** The number as read, or undefined with a problem noted. */
  length(written: WrittenLength, options: ReadLengthOptions): ReadLength | undefined {
    const result = readLength(written, options)
    if (result.ok) return result.value
    this.note(result.problem)
    return undefined
  }

  /** What was read, freed of the lost motion of the screw where the machine's is known. */
  reading(reading: Reading, role: ReadingRole): Chain | undefined {
    const place = `readings.${this.placeOfReading.get(reading.id)}.read`
    const length = this.length(reading.read, { place })
    if (length === undefined) return undefined
    const source: Source = {
      id: reading.id,
      kind: 'reading',
      name: quantityKey(reading),
      length,
      uncertainty: readingUncertainty(
        length,
        this.gaugesOf(reading.with),
        repeatsMm(this.document, reading),
      ),
      by: reading.by,
      at: reading.at,
    }
    const axis = isOnBothAxes(reading) ? 'X' : axisOfQuantity(reading)
    const lost =
      role === 'counter' || role === 'diameter' ? EMPTY_CHAIN : this.lostMotion(reading, axis)
    const moved =
      role === 'counter' || role === 'diameter' ? EMPTY_CHAIN : this.homeShift(reading, axis)
    return lost && moved && subtractChains(sumChains(chainOf(source, role), moved), lost)
  }

  /** The Y of a reading that is taken on both axes. */
  readingY(reading: ReadingOnBothAxes): Chain | undefined {
    const place = `readings.${this.placeOfReading.get(reading.id)}.readY`
    const read = this.partOfReading(reading, reading.readY, place, 'Y', 'axis-at-contact')
    const lost = this.lostMotion(reading, 'Y')
    const moved = this.homeShift(reading, 'Y')
    return read && lost && moved && subtractChains(sumChains(read, moved), lost)
  }

  /** Whether a reading was entered before the first `count` of them were. */
  isAmongFirst(count: number, reading: Reading): boolean {
    return (this.placeOfReading.get(reading.id) ?? Infinity) < count
  }

  /**
   * What a machine that lost its home and found it again by its marks shows more than it showed when
   * this was read.
   */
  private homeShift(reading: Reading, axis: MachineAxis): Chain | undefined {
    const shifts = (this.document.events ?? []).map((event, index) => {
      if (event.kind !== 'home-recovered' || !this.isAmongFirst(event.afterReadings, reading))
        return EMPTY_CHAIN
      const place = `events.${index}.shift.${axis}`
      const length = this.length(event.shift[axis], { place })
      return (
        length &&
        chainOf(
          { id: place, kind: 'declared', name: `home found again in ${axis}`, length },
          'home-shift',
        )
      )
    })
    return shifts.some((shift) => shift === undefined)
      ? undefined
      : sumChains(...shifts.filter((shift) => shift !== undefined))
  }

  /** The four readings of a swept dial. */
  dial(reading: Extract<Reading, { of: 'sweep' }>): Readonly<Record<Face, Chain>> | undefined {
    const place = `readings.${this.placeOfReading.get(reading.id)}.dial`
    const one = (face: Face) =>
      this.partOfReading(reading, reading.dial[face], `${place}.${face}`, face, 'dial')
    const [left, right, front, back] = [one('left'), one('right'), one('front'), one('back')]
    return left && right && front && back ? { left, right, front, back } : undefined
  }

  private partOfReading(
    reading: Reading,
    written: WrittenLength,
    place: string,
    part: string,
    role: 'axis-at-contact' | 'dial',
  ): Chain | undefined {
    const length = this.length(written, { place })
    if (length === undefined) return undefined
    const source: Source = {
      id: `${reading.id}:${part}`,
      kind: 'reading',
      name: `${quantityKey(reading)} ${part}`,
      length,
      uncertainty: readingUncertainty(length, this.gaugesOf(reading.with)),
      by: reading.by,
      at: reading.at,
    }
    return chainOf(source, role)
  }

  /** A number of the sheet, such as a drawing coordinate. `place` is its path and its identity. */
  declared(
    written: WrittenLength,
    place: string,
    role: DeclaredRole,
    name: string,
    options: ReadLengthOptions = {},
  ): Chain | undefined {
    const length = this.length(written, { ...options, place })
    return length && chainOf({ id: place, kind: 'drawing', name, length }, role)
  }

  /** Nose to tip of a tool or sensor, where the sheet knows it. */
  knownLength(tool: number): Chain | undefined {
    const [declared, index] = this.tools.get(tool) ?? []
    if (declared?.length === undefined) return undefined
    const place = `sheet.tools.${index}.length`
    const length = this.length(declared.length, { place, sign: 'positive' })
    return (
      length &&
      chainOf({ id: place, kind: 'declared', name: `length of T${tool}`, length }, 'known-length')
    )
  }

  /** What the control adds to every work offset; an empty chain where nothing is declared. */
  externalOffset(axis: MachineAxis): Chain | undefined {
    const events = this.document.events ?? []
    const changed = events.findLastIndex(
      (event) => event.kind === 'external-changed' && event.axis === axis,
    )
    const event = events[changed]
    const [written, place] =
      event?.kind === 'external-changed'
        ? [event.value, `events.${changed}.value`]
        : [
            this.document.sheet.machine.externalOffset?.[axis],
            `sheet.machine.externalOffset.${axis}`,
          ]
    if (written === undefined) return EMPTY_CHAIN
    const length = this.length(written, { place })
    return (
      length &&
      chainOf({ id: place, kind: 'declared', name: 'external offset', length }, 'external-offset')
    )
  }

  /**
   * The sum of gauges as they count along an axis: whole for what lies between, half of the
   * diameter of what stands in the spindle.
   */
  gaugeSum(ids: readonly string[], axis: MachineAxis, place: string): Chain | undefined {
    const parts = ids.map((id) => this.gaugePart(id, axis, place))
    return parts.some((part) => part === undefined)
      ? undefined
      : sumChains(...parts.filter((part) => part !== undefined))
  }

  gaugesOf(ids: readonly string[]): readonly Gauge[] {
    return ids.flatMap((id) => this.gauges.get(id)?.[0] ?? [])
  }

  private gaugePart(id: string, axis: MachineAxis, place: string): Chain | undefined {
    const [gauge, index] = this.gauges.get(id) ?? []
    if (gauge === undefined || index === undefined) {
      this.note({
        code: 'reference-unknown',
        place,
        received: id,
        limit: [...this.gauges.keys()].join(', '),
      })
      return undefined
    }
    const facts = GAUGE_FACTS[gauge.kind]
    const share = axis === 'Z' ? facts.shareInZ : facts.shareInXY
    const wall = axis !== 'Z' && facts.countsInXY === 'wall'
    const written = wall ? gauge.wall : gauge.size
    if (share === null || written === undefined) {
      this.note({ code: 'gauge-wrong-axis', place, received: gauge.name, limit: axis })
      return undefined
    }
    const field = wall ? 'wall' : 'size'
    const length = this.length(written, {
      place: `sheet.gauges.${index}.${field}`,
      sign: 'positive',
    })
    if (length === undefined) return undefined
    const source: Source = {
      id: `gauge:${gauge.id}:${field}`,
      kind: 'gauge',
      name: gauge.name,
      length,
      uncertainty: gaugeUncertainty(gauge),
    }
    const inSpindle = axis !== 'Z' && facts.stands === 'in-spindle'
    const chain = scaleChain(chainOf(source, inSpindle ? 'sensor-radius' : 'gauge-beneath'), share)
    // A dial sensor counts with nothing: it leaves no term.
    return share === 0 ? EMPTY_CHAIN : chain
  }

  /**
   * How much too far a display stands when the axis came from the other side: positions are counted
   * as if the axis had last moved towards minus (down in Z). A gauge that is slid under while
   * rising turns the screw round; a face is met the way its name says.
   */
  private lostMotion(reading: Reading, axis: MachineAxis): Chain | undefined {
    if (!this.movedPlus(reading, axis)) return EMPTY_CHAIN
    const written = this.document.sheet.machine.lostMotion?.[axis]
    const place = `sheet.machine.lostMotion.${axis}`
    const name = `lost motion in ${axis}`
    // Not declared: taken as nothing, and put into the uncertainty wherever it does not cancel.
    if (written === undefined)
      return chainOf(
        { id: place, kind: 'declared', name, length: NOTHING, uncertainty: UNKNOWN_LOST_MOTION },
        'lost-motion',
      )
    const length = this.length(written, { place, sign: 'not-negative' })
    return length && chainOf({ id: place, kind: 'declared', name, length }, 'lost-motion')
  }

  /** Whether the axis last moved towards plus; never for a reading that does not say which way it came. */
  private movedPlus(reading: Reading, axis: MachineAxis): boolean {
    if (reading.of === 'circle-point' || reading.of === 'sweep') return false
    if (reading.of === 'face' || reading.of === 'edge-point') {
      // Along the face the axis was only moved to its place.
      if (axisOfFace(reading.face) !== axis) return false
      if (reading.approach !== undefined) return reading.approach === '+'
      const plan = this.document.sheet.offsets.find(({ row }) => row === reading.row)?.[axis]
      const side = plan && reading.of === 'face' ? sideOf(plan) : 'outside'
      return approachDirection(reading.face, side) > 0
    }
    if (reading.approach !== undefined) return reading.approach === '+'
    return this.gaugesOf(reading.with).some(({ kind }) => GAUGE_FACTS[kind].rises)
  }

  /** Keeps a problem once, however often its number is asked for. */
  note(problem: Problem): void {
    const isKnown = this.problems.some(
      ({ code, place }) => code === problem.code && place === problem.place,
    )
    if (!isKnown) this.problems.push(problem)
  }
}
