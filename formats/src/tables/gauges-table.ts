import type { GaugeHistory, GaugeStandings, ShopGauge } from '@pine/contract'
import { gaugeStanding } from '@pine/core/shop'
import { tableOf, type Table } from './table'

/** The gauges of the shop with how they stand: the last check of each, how far off it was, when the next one is due. */
export function gaugesOfShop(gauges: readonly ShopGauge[], standings: GaugeStandings): Table {
  const standing = (id: string) => standings.find((one) => one.id === id)
  return tableOf('gauges-and-checks', gauges, [
    { name: 'name', cell: ({ gauge }) => gauge.name },
    { name: 'kind', cell: ({ gauge }) => gauge.kind },
    { name: 'size', cell: ({ gauge }) => gauge.size.text },
    { name: 'unit', cell: ({ gauge }) => gauge.size.unit },
    { name: 'tolerance of a check', cell: ({ watch }) => watch?.limit.text },
    { name: 'unit of tolerance', cell: ({ watch }) => watch?.limit.unit },
    { name: 'last checked', cell: ({ id }) => standing(id)?.lastAt },
    { name: 'off at that check [mm]', cell: ({ id }) => standing(id)?.offMm },
    { name: 'next check', cell: ({ id }) => standing(id)?.dueOn },
    { name: 'suspect', cell: ({ id }) => (standing(id)?.isSuspect === true ? 'yes' : undefined) },
    { name: 'out of use', cell: ({ retired }) => (retired === true ? 'yes' : undefined) },
  ])
}

/** Every check of a gauge, the oldest first, with how far off it was. */
export function checksOfGauge({ gauge: { gauge, watch }, checks }: GaugeHistory): Table {
  // How far off each was does not lean on the tolerance; without one there are no checks.
  const standing = watch && gaugeStanding(checks, watch.limit, checks.at(-1)?.at ?? '')
  const offMm = new Map(standing?.checks.map((check) => [check.id, check.offMm]))
  return tableOf('checks', checks, [
    { name: 'gauge', cell: () => gauge.name },
    { name: 'at', cell: ({ at }) => at },
    { name: 'by', cell: ({ by }) => by },
    { name: 'read', cell: ({ read }) => read.text },
    { name: 'unit', cell: ({ read }) => read.unit },
    { name: 'against', cell: ({ against }) => against },
    { name: 'true size', cell: ({ master }) => master.text },
    { name: 'unit of true size', cell: ({ master }) => master.unit },
    { name: 'off [mm]', cell: ({ id }) => offMm.get(id) },
  ])
}
