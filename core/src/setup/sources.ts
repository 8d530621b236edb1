import { chainOf, scaleChain, sumChains, type Chain, type Source } from '../chain/chain'
import type { WrittenLength } from '../length/length'
import { readLength, type ReadLength, type ReadLengthOptions } from '../length/read-length'
import type { Problem } from '../problem'
import { GAUGE_FACTS } from '../touch/gauge-kinds'
import type { Gauge, Reading, SetupDocument } from './document'
import { quantityKey } from './quantity'

/**
 * Reads the numbers of one document into chains, and keeps a list of what could not be read, so
 * that one bad number hides only what depends on it.
 */
export class SourceReader {
  readonly problems: Problem[] = []
  private readonly gauges: ReadonlyMap<string, readonly [Gauge, number]>
  private readonly placeOfReading: ReadonlyMap<string, number>

  constructor(document: SetupDocument) {
    this.gauges = new Map(
      document.sheet.gauges.map((gauge, index) => [gauge.id, [gauge, index] as const]),
    )
    this.placeOfReading = new Map(document.readings.map((reading, index) => [reading.id, index]))
  }

  /** The number as read, or undefined with a problem noted. */
  length(written: WrittenLength, options: ReadLengthOptions): ReadLength | undefined {
    const result = readLength(written, options)
    if (result.ok) return result.value
    this.note(result.problem)
    return undefined
  }

  reading(
    reading: Reading,
    role: 'tip-at-contact' | 'nose-at-contact' | 'axis-at-contact' | 'counter',
  ): Chain | undefined {
    const place = `readings.${this.placeOfReading.get(reading.id)}.read`
    const length = this.length(reading.read, { place })
    if (length === undefined) return undefined
    const source: Source = {
      id: reading.id,
      kind: 'reading',
      name: quantityKey(reading),
      length,
      by: reading.by,
      at: reading.at,
    }
    return chainOf(source, role)
  }

  /** A number of the sheet, such as a drawing coordinate. `place` is its path and its identity. */
  declared(
    written: WrittenLength,
    place: string,
    role: 'facing' | 'drawing-coordinate',
    name: string,
    options: ReadLengthOptions = {},
  ): Chain | undefined {
    const length = this.length(written, { ...options, place })
    return length && chainOf({ id: place, kind: 'drawing', name, length }, role)
  }

  /**
   * The sum of gauges as they count along an axis: whole for what lies between, half of the
   * diameter of what stands in the spindle.
   */
  gaugeSum(ids: readonly string[], axis: 'X' | 'Y' | 'Z', place: string): Chain | undefined {
    const parts = ids.map((id) => this.gaugePart(id, axis, place))
    return parts.some((part) => part === undefined)
      ? undefined
      : sumChains(...parts.filter((part) => part !== undefined))
  }

  private gaugePart(id: string, axis: 'X' | 'Y' | 'Z', place: string): Chain | undefined {
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
    if (share === null) {
      this.note({ code: 'gauge-wrong-axis', place, received: gauge.name, limit: axis })
      return undefined
    }
    const length = this.length(gauge.size, {
      place: `sheet.gauges.${index}.size`,
      sign: 'positive',
    })
    if (length === undefined) return undefined
    const source: Source = { id: `gauge:${gauge.id}`, kind: 'gauge', name: gauge.name, length }
    return scaleChain(
      chainOf(source, axis === 'Z' || share === 1 ? 'gauge-beneath' : 'sensor-radius'),
      share,
    )
  }

  private note(problem: Problem): void {
    const known = this.problems.some(
      ({ code, place }) => code === problem.code && place === problem.place,
    )
    if (!known) this.problems.push(problem)
  }
}
