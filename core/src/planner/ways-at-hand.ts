import type { Verdict } from '../budget/verdict'
import { appendFact } from '../facts/fold'
import type { SetupDocument } from '../facts/document'
import { standingReadings } from '../freshness/standing'
import { formatLength } from '../length/format-length'
import { toNanometres } from '../length/length'
import { suggestGauges } from '../plan/asks/suggest-gauges'
import { quantityKey, type QuantityName } from '../quantities/quantities'
import { repeatabilityMm } from '../budget/source-uncertainty'
import { isTooLongForSetter } from '../sheet/fixed-setter'
import type { Gauge } from '../sheet/gauge'
import type { TouchGap } from '../shop/touch-minutes'
import { lengthAddressOf } from '../sheet/tool-rows'
import { solve } from '../solve/solve'
import { gaugeServes } from '../touch/gauge-kinds'
import { wayMinutes, type WayMinutes } from './way-minutes'

/** A way to touch a tool on the setting plane: with what, how long it takes, and how sure its length is by it. */
export interface WayAtHand {
  readonly with: readonly string[]
  readonly minutes: WayMinutes
  /** Half the width of the 95 % interval of its register, in millimetres; absent where the set-up does not tell yet. */
  readonly withinMm?: number
  /** Whether that is enough for what the job needs; absent where the sheet does not say. */
  readonly fitness?: Verdict
}

/** Of many gauges those that a person would think of: so many of the quickest, and of those that repeat best. */
const QUICKEST = 4
const SUREST = 2

/**
 * The ways at hand to touch tools on the setting plane, by tool: with each gauge of the sheet that serves in Z (of more than six the
 * quickest and those that repeat best), or the bare tip where there is none. How sure each would be is worked out by the set-up itself, as if the tools had been touched so.
 *
 * @param gaps the log of touches on this machine.
 */
export function waysAtHand(
  document: SetupDocument,
  tools: readonly number[],
  gaps: readonly TouchGap[],
): ReadonlyMap<number, readonly WayAtHand[]> {
  const { sheet } = document
  const serving = thoughtOf(
    sheet.gauges.filter(({ kind }) => gaugeServes(kind, 'touch', 'Z')),
    gaps,
  )
  // A fixed setter's cycle begins too low for a long tool: that one is touched with something else, or with nothing between.
  const isTooLong = (tool: number) => isTooLongForSetter(sheet, tool)
  const needsBare = serving.every(({ kind }) => kind === 'fixed-setter') && tools.some(isTooLong)
  const sets = [
    ...serving.map((gauge) => [gauge]),
    ...(serving.length === 0 || needsBare ? [[]] : []),
  ]
  const withNose = noseAsIfRead(document)
  const ways = sets.map((gauges) => {
    const ids = gauges.map(({ id }) => id)
    const touched = tools.reduce<SetupDocument>(
      (before, tool) => asIfRead(before, { of: 'tip-on-plane', tool }, ids),
      withNose,
    )
    return {
      with: ids,
      byCycle: gauges.some(({ kind }) => kind === 'fixed-setter'),
      minutes: wayMinutes(
        ids,
        gauges.map(({ kind }) => kind),
        gaps,
      ),
      registers: solve(touched, {}, { explains: false }).registers,
    }
  })
  return new Map(
    tools.map((tool) => [
      tool,
      ways
        .filter(({ byCycle }) => !byCycle || !isTooLong(tool))
        .map(({ registers, byCycle: _, ...way }): WayAtHand => {
          const address = lengthAddressOf(sheet, tool)
          const register = registers.find((one) => one.address === address)
          return {
            ...way,
            ...(register?.budget && { withinMm: register.budget.expandedMm }),
            ...(register?.fitness && { fitness: register.fitness }),
          }
        }),
    ]),
  )
}

/** Each gauge that is thought of costs a solution of the whole set-up, and every choice among them an order. */
function thoughtOf(serving: readonly Gauge[], gaps: readonly TouchGap[]): readonly Gauge[] {
  const takes = ({ id, kind }: Gauge) => wayMinutes([id], [kind], gaps).median
  const quickest = serving.toSorted((one, other) => takes(one) - takes(other)).slice(0, QUICKEST)
  const surest = serving
    .toSorted((one, other) => repeatabilityMm([one]) - repeatabilityMm([other]))
    .slice(0, SUREST)
  return serving.filter((gauge) => quickest.includes(gauge) || surest.includes(gauge))
}

/** The nose is touched once for all tools, where a school counts from it; with the usual gauge, while it is not. */
function noseAsIfRead(document: SetupDocument): SetupDocument {
  const nose = { of: 'nose-on-plane' } as const
  return standingReadings(document, nose).length > 0
    ? document
    : asIfRead(document, nose, suggestGauges(document, nose))
}

/** How sure a number is does not depend on where the touch is found, only on how finely it is read. */
function asIfRead(
  document: SetupDocument,
  quantity: Extract<QuantityName, { of: 'tip-on-plane' | 'nose-on-plane' }>,
  gauges: readonly string[],
): SetupDocument {
  const { unit, machine } = document.sheet
  const text = formatLength(toNanometres(0), unit, machine.control.decimals[unit])
  return appendFact(document, {
    kind: 'reading',
    id: `as-if-read:${quantityKey(quantity)}`,
    by: { name: '' },
    at: '1970-01-01T00:00:00.000Z',
    via: 'simulated',
    body: { ...quantity, read: { text, unit }, with: gauges },
  })
}
