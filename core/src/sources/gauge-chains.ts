import { chainOf, EMPTY_CHAIN, scaleChain, type Chain, type Source } from '../chain/chain'
import { footUncertainty, gaugeUncertainty } from '../budget/source-uncertainty'
import type { WrittenLength } from '../length/length'
import type { ReadLength, ReadLengthOptions } from '../length/read-length'
import type { Problem } from '../problem/problem'
import type { SetupDocument } from '../facts/document'
import { measuredAt, type GaugeMeasured } from '../freshness/gauge-sizes'
import { GAUGE_FACTS, gaugeServes } from '../touch/gauge-kinds'
import { moduleOf } from '../quantities/quantities'
import type { Quantity } from '../quantities/quantities'
import type { Gauge } from '../sheet/gauge'
import type { MachineAxis } from '../address/row'

/** Reads lengths, and keeps what could not be read. */
export interface LengthReader {
  length(written: WrittenLength, options: ReadLengthOptions): ReadLength | undefined
  note(problem: Problem): void
}

/** A gauge with the size that it was found to have: its grade says nothing of that any more. */
const asMeasured = (
  { grade: _overtaken, sizeRough: _measuredNow, ...gauge }: Gauge,
  { size, uncertainty = gauge.uncertainty }: GaugeMeasured,
): Gauge => ({ ...gauge, size, ...(uncertainty && { uncertainty }) })

/** How a gauge is used: for what, where a problem with it is told, and where in the stream. */
export interface GaugeUse {
  readonly of: Quantity['of']
  readonly place: string
  readonly at: number
}

/** The gauges of a set-up as they count in chains, each with the size that it had where it was touched with. */
export class GaugeChains {
  private readonly byId: ReadonlyMap<string, readonly [Gauge, number]>

  constructor(
    gauges: readonly Gauge[],
    private readonly events: SetupDocument['events'],
    private readonly reader: LengthReader,
  ) {
    this.byId = new Map(gauges.map((gauge, index) => [gauge.id, [gauge, index] as const]))
  }

  /** Those of these ids that the sheet knows. */
  of(ids: readonly string[]): readonly Gauge[] {
    return ids.flatMap((id) => this.byId.get(id)?.[0] ?? [])
  }

  /**
   * One gauge as it counts along an axis: whole for what lies between, half of the diameter of what stands in the
   * spindle, the wall of a plate.
   *
   * @param at place in the stream at which it was touched with: its size may have been found to be another since.
   */
  part(id: string, axis: MachineAxis, { place, of, at }: GaugeUse): Chain | undefined {
    const [gauge, index] = this.byId.get(id) ?? []
    if (gauge === undefined || index === undefined) {
      this.reader.note({
        code: 'reference-unknown',
        place,
        received: id,
        limit: [...this.byId.keys()].join(', '),
      })
      return undefined
    }
    const facts = GAUGE_FACTS[gauge.kind]
    const share = axis === 'Z' ? facts.shareInZ : facts.shareInXY
    const wall = axis !== 'Z' && facts.countsInXY === 'wall'
    const written = wall ? gauge.wall : gauge.size
    if (
      share === null ||
      written === undefined ||
      !gaugeServes(gauge.kind, moduleOf({ of }).purpose, axis)
    ) {
      this.reader.note({ code: 'gauge-wrong-axis', place, received: gauge.name, limit: axis })
      return undefined
    }
    const source = wall
      ? this.declaredSource(gauge, index, 'wall', written)
      : this.sizeSource(gauge, index, at)
    if (source === undefined) return undefined
    const inSpindle = axis !== 'Z' && facts.stands === 'in-spindle'
    const chain = scaleChain(chainOf(source, inSpindle ? 'sensor-radius' : 'gauge-beneath'), share)
    // A dial sensor counts with nothing: it leaves no term.
    return share === 0 ? EMPTY_CHAIN : chain
  }

  /** The size of a gauge at a place: as the sheet has it, or as it was found to be. */
  private sizeSource(gauge: Gauge, index: number, at: number): Source | undefined {
    const measured = measuredAt(this.events, gauge.id, at)
    if (measured === undefined) return this.declaredSource(gauge, index, 'size', gauge.size)
    const id = `facts.${measured.place}.body.size`
    const length = this.reader.length(measured.size, { place: id, sign: 'positive' })
    return (
      length && {
        id,
        kind: 'gauge',
        name: `${gauge.name}, measured anew`,
        length,
        uncertainty: gaugeUncertainty(asMeasured(gauge, measured)),
      }
    )
  }

  private declaredSource(
    gauge: Gauge,
    index: number,
    field: 'wall' | 'size',
    written: WrittenLength,
  ): Source | undefined {
    const length = this.reader.length(written, {
      place: `sheet.gauges.${index}.${field}`,
      sign: 'positive',
    })
    return (
      length && {
        id: `gauge:${gauge.id}:${field}`,
        kind: 'gauge',
        name: gauge.name,
        length,
        uncertainty: gaugeUncertainty(gauge),
        ...(field === 'size' && gauge.sizeRough === true && { isUnknown: true as const }),
      }
    )
  }

  /** How high a gauge's foot stands above the plane. */
  foot(id: string): Chain | undefined {
    const [gauge, index] = this.byId.get(id) ?? []
    if (gauge?.foot === undefined) return EMPTY_CHAIN
    const length = this.reader.length(gauge.foot, { place: `sheet.gauges.${index}.foot` })
    return (
      length &&
      chainOf(
        {
          id: `gauge:${gauge.id}:foot`,
          kind: 'gauge',
          name: `foot of ${gauge.name}`,
          length,
          uncertainty: footUncertainty(gauge),
        },
        'gauge-beneath',
      )
    )
  }
}
