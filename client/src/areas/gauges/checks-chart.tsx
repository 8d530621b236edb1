import { LimitsChart } from '@/kit/limits-chart'
import type { ChecksView } from './checks-view'

/** How far off each check was, between what chance makes of it and what it may be. */
export const ChecksChart = ({
  chart: { limit, ...drawn },
  decimals,
}: {
  readonly chart: NonNullable<ChecksView['chart']>
  readonly decimals: number
}) => (
  <LimitsChart
    chart={{ ...drawn, limits: { lower: -limit, upper: limit } }}
    decimals={decimals}
    allowed="tolerance"
  />
)
