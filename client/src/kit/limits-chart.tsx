import { useRoles } from '@/theme/use-roles'
import { LateChart } from './late-chart'
import type { OverTimeChartProps } from './over-time-chart'

export interface LimitsChartProps extends Omit<
  OverTimeChartProps,
  'lines' | 'decimals' | 'height'
> {
  /** What is allowed; none is drawn where nothing says it. */
  readonly limits?: { readonly lower: number; readonly upper: number }
  /** What chance makes of it: the mean, and three standard deviations to either side. */
  readonly mean: number
  readonly lower: number
  readonly upper: number
}

/** Values one after the other, between what chance makes of them and what is allowed. */
export function LimitsChart({
  chart: { limits, mean, lower, upper, ...drawn },
  decimals,
  allowed,
}: {
  readonly chart: LimitsChartProps
  readonly decimals: number
  /** What the limits are called: `tolerance`. */
  readonly allowed: string
}) {
  const roles = useRoles()
  const may = { color: roles.wrong, strokeWidth: 2 }
  const chance = { color: roles.inkSoft, strokeDasharray: [5, 4], strokeWidth: 1 }
  return (
    <LateChart
      {...drawn}
      decimals={decimals}
      height={240}
      lines={[
        ...(limits
          ? [
              { y: limits.upper, label: allowed, labelColor: roles.wrong, ...may },
              { y: limits.lower, ...may },
            ]
          : []),
        { y: upper, ...chance },
        { y: mean, color: roles.inkSoft, strokeWidth: 1 },
        { y: lower, ...chance },
      ]}
    />
  )
}
