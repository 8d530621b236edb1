import { LateChart } from '@/kit/late-chart'
import { useRoles } from '@/theme/use-roles'
import type { ChecksView } from './checks-view'

/** How far off each check was, between what chance makes of it and what it may be. */
export function ChecksChart({
  chart: { limit, mean, upper, lower, ...drawn },
  decimals,
}: {
  readonly chart: NonNullable<ChecksView['chart']>
  readonly decimals: number
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
        { y: limit, label: 'tolerance', labelColor: roles.wrong, ...may },
        { y: -limit, ...may },
        { y: upper, ...chance },
        { y: mean, color: roles.inkSoft, strokeWidth: 1 },
        { y: lower, ...chance },
      ]}
    />
  )
}
