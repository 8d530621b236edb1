import { hasUnknown, scaleChain, sumChains, valueOf, type Chain } from '../chain/chain'
import { NANOMETRES_PER, toNanometres, type Nanometres } from '../length/length'
import { budgetOf } from '../budget/budget'
import { fitness } from '../budget/verdict'
import { nameOfReason, staleBy, staleByAge, type StaleReason } from '../freshness/stale'
import {
  isCaptured,
  keyInLine,
  type ActiveLength,
  type KeyInLine,
  type Stand,
} from '../keyin/key-in'
import { readBackAgrees } from '../keyin/read-back'
import type { SetupDocument } from '../facts/document'
import { axisOfAddress, type Address } from '../address/address'
import { needOf } from '../sheet/check/needs'
import { keepsLengths, lengthAddressOf } from '../sheet/tool-rows'
import type { ReadBackVerdict, Register } from '../registers/register'
import type { SourceReader } from '../sources/sources'
import { correctionOf } from './corrections'
import { leansOnKept, type KeptCheck } from './warnings/kept-checks'
import { shownBefore, type ShownBefore } from './warnings/shown-before'
import type { SolveMoment } from './solve-moment'
import { raisedInExternal } from '../proof/lift'
import { standOf, stillStandsAt, unplacedIn } from './z/stand'
import type { WantedNumber } from './numbers'

/** Makes registers of numbers: how far each is to be trusted, how it is keyed, what the control showed. */
export function registerBuilder(
  document: SetupDocument,
  sources: SourceReader,
  { now }: SolveMoment,
  checks: readonly KeptCheck[],
): (wanted: WantedNumber) => Register {
  const { unit, machine } = document.sheet
  const decimals = machine.control.decimals[unit]

  const seen = shownBefore(document, sources)
  const active = keepsLengths(machine.control) ? activeLengths(document, seen) : undefined
  const standsAt = stillStandsAt(document)
  const verdict = (line: KeyInLine, chain: Chain): ReadBackVerdict | undefined => {
    const { address, expected } = line
    const last = seen.last(address, 'after')
    if (last === undefined || last.place < seen.provenFrom) return undefined
    const { shown } = last
    const equal = readBackAgrees(line, shown, decimals)
    // Read again, or carried over, since: the control shows the number from before, to be keyed anew.
    if (!equal && seen.isOutdated(last, chain)) return undefined
    return {
      shownText: shown.text,
      shownUnit: shown.unit,
      shown: shown.nm,
      ...(last.way && { way: last.way }),
      equal,
      ...(line.before !== undefined && { before: line.before }),
      error: toNanometres(shown.nm - expected),
      causes: [],
    }
  }

  return ({ address, kind, subject, chain: added }) => {
    if (added === undefined) return { address, kind, state: 'not-read' }
    if (hasUnknown(added))
      return { address, kind, state: 'not-read', unplaced: unplacedIn(document, added, subject) }
    // A control that subtracts a stored length holds it with the other sign.
    const turns = kind === 'length' && machine.control.lengthSign === 'subtracted'
    const held = turns ? scaleChain(added, -1) : added
    const chain = sumChains(held, correctionOf(document, sources, address, held))
    const value = valueOf(chain)
    const axis = axisOfAddress(address)
    const external = kind === 'work-offset' ? sources.externalOffset(axis) : undefined
    const { since, lengthUnread, ...axisAt } = standOf(document, chain, subject, axis, active)
    const noStand = lengthUnread
      ? 'length-unread'
      : since === undefined
        ? 'not-touched'
        : 'moved-away'
    const keyedFrom = (before: Nanometres | undefined, from: Stand) =>
      keyInLine(
        {
          address,
          kind,
          value,
          unit,
          ...(before === undefined ? {} : { before }),
          axisAt: from,
          noStand,
          ...(external && {
            external: toNanometres(valueOf(external) + raisedInExternal(document, axis)),
          }),
        },
        machine.control,
      )
    const keyed = keyedFrom(seen.beforeKeying(address, chain), axisAt)
    const readBack = verdict(keyed, chain)
    // What is still to be keyed counts from what the row shows now, and from where the axis stands now; what was keyed, from
    // what was there before that.
    const elsewhere = keyedFrom(seen.now(address), {})
    const toKey =
      since !== undefined && standsAt(since) ? keyedFrom(seen.now(address), axisAt) : elsewhere
    const keyIn = readBack?.equal ? keyed : toKey
    const stale = staleReason(document, chain, checks, now)
    const accepted = stale && acceptanceOf(document, address, stale)
    const budget = budgetOf(chain)
    const need = neededMm(document, sources, address)
    return {
      address,
      kind,
      state: stale && !accepted ? 'stale' : readBack?.equal ? 'keyed' : 'read',
      chain,
      value,
      keyIn,
      ...(isCaptured(keyIn.mode) && { keyInElsewhere: elsewhere }),
      budget,
      ...(readBack && { readBack }),
      ...(stale && { stale }),
      ...(accepted && { accepted }),
      ...(need !== undefined && { fitness: fitness(budget.expandedMm, need) }),
    }
  }
}

/** What the control applies for each tool whose length register it showed: what is keyed by now, and not what is to be. */
function activeLengths(
  { sheet }: SetupDocument,
  seen: ShownBefore,
): ReadonlyMap<number, ActiveLength> {
  const sign = sheet.machine.control.lengthSign === 'subtracted' ? -1 : 1
  return new Map(
    sheet.tools.flatMap(({ number }) => {
      const address = lengthAddressOf(sheet, number)
      const shown = address && seen.now(address)
      if (address === undefined || shown === undefined) return []
      return [[number, { address, applied: toNanometres(sign * shown) }] as const]
    }),
  )
}

function staleReason(
  document: SetupDocument,
  chain: Chain,
  checks: readonly KeptCheck[],
  now: string | undefined,
): StaleReason | undefined {
  const moved = staleBy(chain, document)
  if (moved !== undefined) return moved
  const elsewhere = checks.find(({ agrees }) => !agrees)
  if (elsewhere !== undefined && leansOnKept(document, chain)) {
    const { tool, reading, off } = elsewhere
    return { by: 'check', tool, reading, off }
  }
  const days = document.sheet.machine.policy?.maxAgeDays
  return days === undefined || now === undefined ? undefined : staleByAge(chain, days, now)
}

const acceptanceOf = (document: SetupDocument, address: Address, reason: StaleReason) =>
  document.acceptances.findLast(
    (one) => one.address === address && one.accepts === nameOfReason(reason),
  )

/** What the job needs of a register, in millimetres; undefined where it does not say. */
function neededMm(
  { sheet }: SetupDocument,
  sources: SourceReader,
  address: Address,
): number | undefined {
  const need = needOf(sheet, address)
  const read = need && sources.length(need.written, { place: need.place, sign: 'positive' })
  return read && read.nm / NANOMETRES_PER.mm
}
