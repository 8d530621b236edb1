import { meanOfChains, scaleChain, subtractChains, sumChains, type Chain } from '../chain/chain'
import { planeUnder } from '../touch/touch'
import type { OffsetPlan, OffsetRow, Reading, SetupDocument } from './document'
import { quantityKey, standingReadings, type QuantityName } from './quantity'
import type { Heights } from './solution'
import type { SourceReader } from './sources'

type ReadingOf<Name extends Reading['of']> = Extract<Reading, { of: Name }>

/** Everything that Z readings tell: planes, tips, part tops and program zeros. */
export function heightsOf(document: SetupDocument, sources: SourceReader): Heights {
  const noseOnPlane = touchedPlane(document, sources, { of: 'nose-on-plane' }, 'nose-at-contact')
  const tips = document.sheet.tools.map(
    ({ number }) =>
      [
        number,
        touchedPlane(document, sources, { of: 'tip-on-plane', tool: number }, 'tip-at-contact'),
      ] as const,
  )
  const noseOnPart = document.sheet.offsets.map(
    ({ row }) =>
      [
        row,
        touchedPlane(document, sources, { of: 'nose-on-part', row }, 'nose-at-contact'),
      ] as const,
  )
  const tops = document.sheet.offsets.map((plan, index) => {
    const touched = noseOnPart[index]?.[1]
    const top =
      plan.Z.by === 'nose-on-part'
        ? touched && noseOnPlane && subtractChains(touched, noseOnPlane)
        : carriedTop(document, sources, plan)
    return [plan.row, top] as const
  })
  const zeros = document.sheet.offsets.map((plan, index) => {
    const top = tops[index]?.[1]
    const facing = sources.declared(
      plan.Z.facing,
      `sheet.offsets.${index}.Z.facing`,
      'facing',
      `facing allowance of ${plan.row}`,
      { sign: 'not-negative' },
    )
    return [plan.row, top && facing && subtractChains(top, facing)] as const
  })
  return {
    ...(noseOnPlane === undefined ? {} : { noseOnPlane }),
    tipOnPlane: known(tips),
    noseOnPart: known(noseOnPart),
    partTop: known(tops),
    zero: known(zeros),
  }
}

/** The mean of the planes under every standing touch of a quantity. */
function touchedPlane(
  document: SetupDocument,
  sources: SourceReader,
  quantity: Extract<QuantityName, { of: 'nose-on-plane' | 'tip-on-plane' | 'nose-on-part' }>,
  role: 'nose-at-contact' | 'tip-at-contact',
): Chain | undefined {
  return meanOfKnown(
    standingReadings(document.readings, quantity).map((reading) => {
      const contact = sources.reading(reading, role)
      const gauge = sources.gaugeSum(reading.with, 'Z', quantityKey(reading))
      return contact && gauge && planeUnder(contact, gauge)
    }),
  )
}

/** The raw top above the plane, by every standing difference that was carried there. */
function carriedTop(
  document: SetupDocument,
  sources: SourceReader,
  plan: OffsetPlan,
): Chain | undefined {
  const quantity = { of: 'carried-difference', row: plan.row } as const
  return meanOfKnown(
    standingReadings(document.readings, quantity)
      .filter(
        (reading): reading is ReadingOf<'carried-difference'> =>
          reading.of === 'carried-difference',
      )
      .map((reading) => carriedDifference(reading, sources)),
  )
}

/**
 * D = part − plane, positive upward. The counter shows D when it was zeroed on the plane and −D
 * when it was zeroed on the part; whatever lay beneath at each place is taken off there.
 */
function carriedDifference(
  reading: ReadingOf<'carried-difference'>,
  sources: SourceReader,
): Chain | undefined {
  const counter = sources.reading(reading, 'counter')
  const onPart = sources.gaugeSum(reading.with, 'Z', quantityKey(reading))
  const onPlane = sources.gaugeSum(reading.withOnPlane, 'Z', quantityKey(reading))
  if (!counter || !onPart || !onPlane) return undefined
  const upward = scaleChain(counter, reading.zeroedOn === 'plane' ? 1 : -1)
  return sumChains(upward, onPlane, scaleChain(onPart, -1))
}

/** Undefined when there is none, or when one of them could not be used. */
export function meanOfKnown(chains: readonly (Chain | undefined)[]): Chain | undefined {
  const usable = chains.filter((chain) => chain !== undefined)
  return usable.length === 0 || usable.length < chains.length ? undefined : meanOfChains(usable)
}

function known<Key extends number | OffsetRow>(
  entries: readonly (readonly [Key, Chain | undefined])[],
): ReadonlyMap<Key, Chain> {
  return new Map(entries.flatMap(([key, chain]) => (chain ? [[key, chain] as const] : [])))
}
