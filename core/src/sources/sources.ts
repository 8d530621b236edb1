import { homeShiftOf } from './axis/home-shift'
import { displayZero } from './axis/display-zero'
import { externalOffsetOf } from './axis/external-offset'
import { declaredSource } from './declared-source'
import { lostMotionOf } from './axis/lost-motion'
import {
  chainOf,
  EMPTY_CHAIN,
  scaleChain,
  subtractChains,
  sumChains,
  sumOfKnown,
  type Chain,
  type Source,
  type TermRole,
} from '../chain/chain'
import { readingUncertainty, repeatabilityMm, type Display } from '../budget/source-uncertainty'
import { placeAmong } from '../freshness/order'
import type { WrittenLength } from '../length/length'
import { readLength, type ReadLength, type ReadLengthOptions } from '../length/read-length'
import type { Problem } from '../problem/problem'
import { countedFrom } from '../quantities/displayed'
import { endsOf, wayInPlane, wayInZ, type ContactEnd } from '../quantities/contact-ends'
import { SWEPT_REPEATABILITY_MM } from '../touch/gauge-kinds'
import type { Face, Way } from '../touch/touch'
import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import { readAt } from '../facts/bodies/kept'
import { GaugeChains, type GaugeUse } from './gauge-chains'
import type { Gauge } from '../sheet/gauge'
import type { Tool } from '../sheet/tool'
import type { MachineAxis } from '../address/row'
import {
  axisOfQuantity,
  inMachinePosition,
  isAxisPosition,
  moduleOf,
  quantityKey,
} from '../quantities/quantities'
import { repeatsMm } from './repeats'

type ReadingOnBothAxes = Extract<Reading, { of: 'circle-point' | 'edge-point' | 'sweep' }>

const isOnBothAxes = (reading: Reading): reading is ReadingOnBothAxes => 'readY' in reading
/** Who read it and when, in whichever set-up that was. */
const readBy = (reading: Reading) => ({
  by: reading.kept?.by ?? reading.by.name,
  at: readAt(reading),
})

/** How the gauges of a reading are used in it. */
export const asUsedIn = (
  reading: Reading,
  { events }: Pick<SetupDocument, 'events'>,
): GaugeUse => ({
  of: reading.of,
  place: quantityKey(reading),
  at: placeAmong(reading, events),
})

export type DeclaredRole = Extract<
  TermRole,
  'facing' | 'drawing-coordinate' | 'school-constant' | 'quill'
>

export interface DeclaredOptions extends ReadLengthOptions {
  /** Standard uncertainty that stands beside it on the sheet. */
  readonly uncertainty?: WrittenLength | undefined
}

/**
 * Reads the numbers of one document into chains, and keeps a list of what could not be read, so
 * that one bad number hides only what depends on it.
 */
export class SourceReader {
  readonly problems: Problem[] = []
  private readonly gauges: GaugeChains
  private readonly tools: ReadonlyMap<number, readonly [Tool, number]>
  private readonly display: Display

  constructor(private readonly document: SetupDocument) {
    const { gauges, tools, unit, machine } = document.sheet
    this.gauges = new GaugeChains(gauges, document.events, this)
    this.tools = new Map(tools.map((tool, index) => [tool.number, [tool, index] as const]))
    this.display = { unit, decimals: machine.control.decimals[unit] }
  }

  /** The number as read, or undefined with a problem noted. */
  length(written: WrittenLength, options: ReadLengthOptions): ReadLength | undefined {
    const result = readLength(written, options)
    if (result.ok) return result.value
    this.note(result.problem)
    return undefined
  }

  /**
   * What was read, freed of the backlash of the screw where the machine's is known. A counter shows the
   * difference of two places, and is freed where both its ends are known: `gapBetween`.
   *
   * @param radial the way that a touch around a circle points in X.
   */
  reading(reading: Reading, radial?: Way): Chain | undefined {
    const { role } = moduleOf(reading)
    const place = `facts.${reading.place}.body.read`
    const length = this.length(reading.read, { place })
    if (length === undefined) return undefined
    const source: Source = {
      id: reading.id,
      reading: reading.id,
      kind: 'reading',
      name: quantityKey(reading),
      length,
      uncertainty: readingUncertainty(length, {
        contactsMm: this.contactsMm(reading),
        display: this.display,
        repeatsMm: repeatsMm(this.document, reading),
      }),
      ...readBy(reading),
    }
    const read = chainOf(source, role)
    if (!isAxisPosition(reading)) return read
    const axis = isOnBothAxes(reading) ? 'X' : axisOfQuantity(reading)
    return this.inTheMachine(read, reading, axis, radial)
  }

  /** The Y of a reading that is taken on both axes. */
  readingY(reading: ReadingOnBothAxes, radial?: Way): Chain | undefined {
    const place = `facts.${reading.place}.body.readY`
    const length = this.length(reading.readY, { place })
    if (length === undefined) return undefined
    const read = this.partOfReading(reading, length, 'Y', 'axis-at-contact', {
      contactsMm: this.contactsMm(reading),
      display: this.display,
    })
    return this.inTheMachine(read, reading, 'Y', radial)
  }

  /** A machine position in today's frame, as the display stands when the axis came towards minus. */
  private inTheMachine(
    read: Chain,
    reading: Reading,
    axis: MachineAxis,
    radial: Way | undefined,
  ): Chain | undefined {
    const way =
      axis === 'Z'
        ? wayInZ(endsOf(reading)[0], (ids) => this.gaugesOf(ids))
        : wayInPlane(reading, axis, this.document, radial)
    // Zeroed on the same surface, a counter was met from the same side there.
    const lost = countedFrom(reading) === undefined ? this.lostMotion(way, axis) : EMPTY_CHAIN
    const moved = inMachinePosition(reading)
      ? homeShiftOf(this.document, this, placeAmong(reading, this.document.events), axis)
      : EMPTY_CHAIN
    const zero = this.displayZero(reading, axis)
    return lost && moved && zero && subtractChains(sumChains(read, moved, zero), lost)
  }

  /** To a machine position: display-zero.ts. */
  displayZero(reading: Reading, axis: MachineAxis): Chain | undefined {
    return displayZero(this.document, this, reading, axis)
  }

  /** One standard deviation of each contact of a reading, in millimetres. */
  private contactsMm(reading: Reading): readonly number[] {
    // A dial is swept round from a place that nothing touches.
    if (reading.of === 'sweep') return []
    return endsOf(reading).map(({ gauges }) => repeatabilityMm(this.gaugesOf(gauges)))
  }

  /** The four readings of a swept dial. */
  dial(reading: Extract<Reading, { of: 'sweep' }>): Readonly<Record<Face, Chain>> | undefined {
    const place = `facts.${reading.place}.body.dial`
    const named = this.gaugesOf(reading.with)
    const contactsMm = [named.length > 0 ? repeatabilityMm(named) : SWEPT_REPEATABILITY_MM]
    const lengths = (['left', 'right', 'front', 'back'] as const).map((face) =>
      this.length(reading.dial[face], { place: `${place}.${face}` }),
    )
    // A dial has a step of its own, the same all round: the finest number that was read off it tells.
    const decimals = Math.max(...lengths.map((length) => length?.decimals ?? 0))
    const [left, right, front, back] = lengths.map(
      (length, index) =>
        length &&
        this.partOfReading(
          reading,
          length,
          ['left', 'right', 'front', 'back'][index] ?? '',
          'dial',
          { contactsMm, display: { unit: length.unit, decimals } },
        ),
    )
    return left && right && front && back ? { left, right, front, back } : undefined
  }

  private partOfReading(
    reading: Reading,
    length: ReadLength,
    part: string,
    role: 'axis-at-contact' | 'dial',
    circumstances: Parameters<typeof readingUncertainty>[1],
  ): Chain {
    const source: Source = {
      id: `${reading.id}:${part}`,
      reading: reading.id,
      kind: 'reading',
      name: `${quantityKey(reading)} ${part}`,
      length,
      uncertainty: readingUncertainty(length, circumstances),
      ...readBy(reading),
    }
    return chainOf(source, role)
  }

  /** A number of the sheet, such as a drawing coordinate. `place` is its path and its identity. */
  declared(
    written: WrittenLength,
    place: string,
    role: DeclaredRole,
    name: string,
    { uncertainty, ...options }: DeclaredOptions = {},
  ): Chain | undefined {
    const length = this.length(written, { ...options, place })
    return length && chainOf(declaredSource(place, 'drawing', name, length, uncertainty), role)
  }

  /** Nose to tip of a tool or sensor, where the sheet knows it. */
  knownLength(tool: number): Chain | undefined {
    const [declared, index] = this.tools.get(tool) ?? []
    if (declared?.length === undefined) return undefined
    const place = `sheet.tools.${index}.length`
    const length = this.length(declared.length, { place, sign: 'positive' })
    const name = `length of T${tool}`
    return (
      length &&
      chainOf(
        {
          ...declaredSource(place, 'declared', name, length, declared.lengthUncertainty),
          lengthOf: tool,
        },
        'known-length',
      )
    )
  }

  /** What the control adds to every work offset (external-offset.ts). */
  externalOffset(axis: MachineAxis, before?: number): Chain | undefined {
    return externalOffsetOf(this.document, this, axis, before)
  }

  /**
   * What stood between at the ends of a Z reading, with what the screw shows too much there: of a touch, of the one
   * contact; of a difference, what lay at its own end less what lay where it is counted from.
   */
  gapBetween(reading: Reading): Chain | undefined {
    const known = (ids: readonly string[]) => this.gaugesOf(ids)
    return sumOfKnown(
      endsOf(reading).map((end) => {
        const gauges = this.gaugesUnder(end, asUsedIn(reading, this.document))
        const lost = this.lostMotion(wayInZ(end, known), 'Z')
        return gauges && lost && scaleChain(sumChains(gauges, lost), end.share)
      }),
    )
  }

  /** What lay between at a Z touch. */
  gaugesBeneath(reading: Reading): Chain | undefined {
    return this.gaugesUnder(endsOf(reading)[0], asUsedIn(reading, this.document))
  }

  /** What lay between at one end of a Z reading; on the plane a gauge's foot counts as well. */
  gaugesUnder(end: ContactEnd, use: GaugeUse): Chain | undefined {
    const sum = this.gaugeSum(end.gauges, 'Z', use)
    if (!end.onPlane) return sum
    const feet = sumOfKnown(end.gauges.map((id) => this.gauges.foot(id)))
    return sum && feet && sumChains(sum, feet)
  }

  /**
   * The sum of gauges as they count along an axis: whole for what lies between, half of the
   * diameter of what stands in the spindle.
   */
  gaugeSum(ids: readonly string[], axis: MachineAxis, use: GaugeUse): Chain | undefined {
    return sumOfKnown(ids.map((id) => this.gauges.part(id, axis, use)))
  }

  gaugesOf(ids: readonly string[]): readonly Gauge[] {
    return this.gauges.of(ids)
  }

  private readonly lostMotion = (way: Way | undefined, axis: MachineAxis): Chain | undefined =>
    lostMotionOf(this.document.sheet.machine, this, way, axis)

  /** Keeps a problem once, however often its number is asked for. */
  note(problem: Problem): void {
    const isKnown = this.problems.some(
      ({ code, place }) => code === problem.code && place === problem.place,
    )
    if (!isKnown) this.problems.push(problem)
  }
}
