import { budgetOf } from '../budget/budget'
import { hasUnknownZero, subtractChains, valueOf, type Chain } from '../chain/chain'
import type { Reading } from '../facts/bodies/reading'
import type { SetupDocument } from '../facts/document'
import { standingReadings } from '../freshness/standing'
import { isRenewed } from '../freshness/sensitivity'
import { homeFramesOf } from '../freshness/home-frames'
import { placeAmong } from '../freshness/order'
import { NANOMETRES_PER, type WrittenLength } from '../length/length'
import { readLength } from '../length/read-length'
import { statesRead } from '../quantities/equation'
import { axesRead, inMachinePosition, quantityKey } from '../quantities/quantities'
import { term, type StateTerm } from '../quantities/state'
import { liesAgainst } from '../sheet/check/against'
import type { SourceReader } from '../sources/sources'
import { stateSum } from '../sources/state-sum'
import { FACES_OF_AXIS } from '../touch/touch'

/** Why something is believed of the shop. */
export type Because =
  | { readonly of: 'reading'; readonly quantity: string }
  | {
      readonly of: 'known-length' | 'last-length' | 'rule' | 'usual-length' | 'nominal-diameter'
      readonly tool: number
    }
  | { readonly of: 'drawing-size'; readonly row: string; readonly axis: 'X' | 'Y' }
  | { readonly of: 'holding' | 'stood-before' | 'circle' }

/** Something that is known of states: Σ coefficient × state = value, give or take a standard deviation. In millimetres. */
export interface Evidence {
  readonly terms: readonly StateTerm[]
  readonly valueMm: number
  readonly standardMm: number
  readonly because: Because
}

/** A rule held to a tool, nose to tip (common practice, no source). */
const RULE_MM = 1
/** A tool that stayed in its holder and was clamped anew by hand (common practice, no source). */
const CLAMPED_ANEW_MM = 0.1
/** A length that the sheet knows without saying how well. */
const KNOWN_MM = 0.02
/** A cutter of a nominal diameter (value from memory). */
const NOMINAL_DIAMETER_MM = 0.05
/** How far stock that was sawn differs from its size (value from memory). */
const SAWN_MM = 0.5
/** How far two faces that were machined lie from their distance, where the drawing asks for less (value from memory). */
const MACHINED_MM = 0.1
/** Where a plane, a fixed jaw or a stop that stays on its machine stands from one set-up to the next, with home switches (common practice, no source). */
const STANDS_AGAIN_MM = 0.05
/** Tools of mills and routers, nose to tip: most are within twice this of the middle (value from memory). */
const USUAL_LENGTH_MM = { middle: 120, standard: 80 } as const

const mmOf = (written: WrittenLength | undefined): number | undefined => {
  const read = written && readLength(written)
  return read?.ok ? read.value.nm / NANOMETRES_PER.mm : undefined
}

/** All that a set-up knows of its states: what was read and still holds, and what the sheet declares. */
export function evidenceOf(document: SetupDocument, sources: SourceReader): readonly Evidence[] {
  return [
    ...fromTools(document),
    ...fromDrawing(document),
    ...fromHolding(document),
    ...fromBefore(document),
    ...fromReadings(document, sources),
  ]
}

function fromTools({ sheet: { tools } }: SetupDocument): readonly Evidence[] {
  return tools.flatMap(
    ({ number: tool, length, lengthUncertainty, lastLength, rough, diameter }) => {
      const sourceOf = (
        of: 'length' | 'diameter',
        written: WrittenLength | undefined,
        standardMm: number,
        because: Because,
      ): readonly Evidence[] => {
        const valueMm = mmOf(written)
        return valueMm === undefined
          ? []
          : [{ terms: [term({ of, tool })], valueMm, standardMm, because }]
      }
      const { middle, standard } = USUAL_LENGTH_MM
      return [
        ...sourceOf('length', length, Math.max(mmOf(lengthUncertainty) ?? 0, KNOWN_MM), {
          of: 'known-length',
          tool,
        }),
        ...sourceOf('length', lastLength, CLAMPED_ANEW_MM, { of: 'last-length', tool }),
        ...sourceOf('length', rough, RULE_MM, { of: 'rule', tool }),
        {
          terms: [term({ of: 'length', tool })],
          valueMm: middle,
          standardMm: standard,
          because: { of: 'usual-length', tool } as const,
        },
        ...sourceOf('diameter', diameter, NOMINAL_DIAMETER_MM, { of: 'nominal-diameter', tool }),
      ]
    },
  )
}

/** Two faces of a row lie as far apart as the drawing says. */
function fromDrawing({ sheet: { offsets } }: SetupDocument): readonly Evidence[] {
  return offsets.flatMap((offset) =>
    (['X', 'Y'] as const).flatMap((axis): readonly Evidence[] => {
      const plan = offset[axis]
      if (plan.by !== 'two-faces') return []
      const { row } = offset
      const [lower, upper] = FACES_OF_AXIS[axis]
      const [valueMm, tolerance] = [mmOf(plan.size), mmOf(plan.tolerance)]
      if (valueMm === undefined) return []
      return [
        {
          terms: [
            term({ of: 'face', row, face: upper }),
            term({ of: 'face', row, face: lower }, -1),
          ],
          valueMm,
          standardMm: tolerance === undefined ? SAWN_MM : Math.max(tolerance / 2, MACHINED_MM),
          because: { of: 'drawing-size', row, axis },
        },
      ]
    }),
  )
}

/** Where the setting plane is the top of the jaws, the stock top stands above it by what jaws, parallels and stock leave. */
function fromHolding({ sheet: { holding, stock, offsets } }: SetupDocument): readonly Evidence[] {
  const [jaw, parallels, height] = [mmOf(holding?.jaw), mmOf(holding?.parallels), mmOf(stock?.Z)]
  if (holding?.plane !== 'jaws' || jaw === undefined) return []
  if (parallels === undefined || height === undefined) return []
  return offsets.map(({ row }) => ({
    terms: [term({ of: 'top', row }), term({ of: 'plane' }, -1)],
    valueMm: parallels + height - jaw,
    standardMm: SAWN_MM,
    because: { of: 'holding' },
  }))
}

/**
 * Where things stood in an earlier set-up on this machine. A machine that finds its zero by marks has another one each time, and a
 * plane that was moved, or a home that was lost since the sheet was written, is not that one any more.
 */
function fromBefore({
  sheet: { stood, machine, holding },
  events,
}: SetupDocument): readonly Evidence[] {
  if (stood === undefined || machine.homing === 'marks') return []
  const because = { of: 'stood-before' } as const
  const moved = (state: StateTerm['state']) => events.some((event) => isRenewed(state, event))
  const home = events.some(({ kind }) => kind === 'home-lost')
  const plane = mmOf(stood.plane)
  const sourceOf = (
    state: StateTerm['state'],
    valueMm: number | undefined,
    standardMm: number,
  ): readonly Evidence[] =>
    valueMm === undefined || home || moved(state)
      ? []
      : [{ terms: [term(state)], valueMm, standardMm, because }]
  return [
    ...sourceOf({ of: 'plane' }, plane, STANDS_AGAIN_MM),
    ...(stood.faces ?? []).flatMap(({ row, face, at, against }) =>
      // Against a jaw or a stop the part does not matter; where this one lies elsewhere, it tells nothing of it.
      against !== undefined && liesAgainst({ holding }, face) !== against
        ? []
        : sourceOf(
            { of: 'face', row, face },
            mmOf(at),
            against === undefined ? SAWN_MM : STANDS_AGAIN_MM,
          ),
    ),
  ]
}

/** What each quantity's last reading tells, where nothing has moved under it since. */
function fromReadings(document: SetupDocument, sources: SourceReader): readonly Evidence[] {
  const { readings, events } = document
  const byQuantity = new Map(readings.map((reading) => [quantityKey(reading), reading]))
  return [...byQuantity.values()].flatMap((quantity): readonly Evidence[] => {
    const reading = standingReadings(document, quantity).at(-1)
    if (reading === undefined) return []
    const terms = statesRead(reading)
    const isOfNow =
      (!inMachinePosition(reading) ||
        axesRead(reading).every((axis) => {
          const { frameAt, current } = homeFramesOf(document, axis)
          return frameAt(placeAmong(reading, events)) === current
        })) &&
      !events.some(
        (event) =>
          event.place > reading.place &&
          event.kind !== 'home-lost' &&
          terms.some(({ state }) => isRenewed(state, event)),
      )
    const chain = isOfNow ? stateSum(document, sources, reading) : undefined
    if (chain === undefined) return []
    return [
      {
        // Where the counter's zero is known it is worked in.
        terms: hasUnknownZero(chain) ? terms : terms.filter(({ state }) => state.of !== 'counter'),
        valueMm: valueOf(chain) / NANOMETRES_PER.mm,
        standardMm: budgetOf(chain).standardMm,
        because: { of: 'reading', quantity: quantityKey(reading) },
      },
    ]
  })
}

/** What is read less the sum of its states: what lies between, the radius, backlash. It does not depend on what is read. */
export function offsetOf(
  document: SetupDocument,
  sources: SourceReader,
  reading: Reading,
): Chain | undefined {
  const read = sources.reading(reading)
  const sum = stateSum(document, sources, reading)
  return read && sum && subtractChains(read, sum)
}
