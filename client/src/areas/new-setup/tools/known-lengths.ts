import type { Pockets } from '@pine/contract'
import type { WrittenLength } from '@pine/core/length'
import type { Gauge, Stylus, Tool } from '@pine/core/sheet'
import { benchLength } from '@pine/core/shop'
import { describeBench, describeCarried, lengthWords } from '@pine/core/words'
import type { SheetDraft } from '../sheet-draft'

/** A length that was measured somewhere else than in this set-up. */
export interface KnownElsewhere {
  readonly by: 'measured' | 'bench'
  readonly length: WrittenLength
  readonly uncertainty?: WrittenLength
  readonly words: string
  /** It may count without a touch; else it only says what to expect. */
  readonly holds: boolean
}

/**
 * What is known of the length of a tool that sits in a pocket: as another set-up measured it, where its touches themselves cannot be
 * taken over since it was another machine or plane, and as it stood on the bench.
 */
export function knownLengths(
  { carried, tool }: Pockets[number],
  { plane }: Pick<SheetDraft, 'plane'>,
): readonly KnownElsewhere[] {
  const bench = benchLength(tool)
  const isOwn = carried?.because === 'same-machine' && isSamePlane(carried.from.plane, plane)
  return [
    ...(carried === undefined || isOwn
      ? []
      : [
          {
            by: 'measured' as const,
            length: carried.length,
            uncertainty: carried.uncertainty,
            words: describeCarried(carried, carried.machineName),
            holds: true,
          },
        ]),
    ...(bench === undefined
      ? []
      : [
          {
            by: 'bench' as const,
            length: bench.length,
            words: describeBench(bench),
            holds: bench.holds,
          },
        ]),
  ]
}

const isSamePlane = (one: string, other: string | undefined): boolean =>
  one.trim().toLowerCase() === (other ?? '').trim().toLowerCase()

/** The styli of the sensors of a sheet, as a tool may stand with one of them. */
export const stylusOptions = (
  gauges: readonly Gauge[],
): readonly { readonly value: string; readonly label: string; readonly stylus: Stylus }[] =>
  gauges.flatMap(({ id, name, styli = [] }) =>
    styli.map((stylus) => ({
      value: `${id} ${stylus.name}`,
      label: `${name}, ${stylus.name}: ${lengthWords(stylus.length)}`,
      stylus,
    })),
  )

/** The stylus that a tool stands with: the one by whose length it counts. */
export const stylusOf = (tool: Tool, gauges: readonly Gauge[]): string | undefined =>
  stylusOptions(gauges).find(({ stylus: { length } }) => countsWith({ length }, tool))?.value

/** Whether this is the length that a tool counts with. */
export const countsWith = ({ length }: Pick<KnownElsewhere, 'length'>, tool: Tool): boolean =>
  tool.length?.text === length.text && tool.length.unit === length.unit

/** The tool counted with this length and no touch of its own, or touched after all. */
export function counted(
  tool: Tool,
  { length, uncertainty }: Pick<KnownElsewhere, 'length' | 'uncertainty'>,
): Tool {
  const { lengthUncertainty: _before, ...rest } = tool
  return { ...rest, length, ...(uncertainty && { lengthUncertainty: uncertainty }) }
}

export function touchedAfterAll({ length: _known, lengthUncertainty: _its, ...tool }: Tool): Tool {
  return tool
}
