import { useState } from 'react'
import { View } from '@tamagui/core'
import { typographic } from '@pine/core/words'
import { LineChart } from 'react-native-chart-kit/v2'
import { Card } from '@/kit/surfaces'
import { useRoles } from '@/theme/use-roles'
import type { ChecksView } from './checks-view'

const HEIGHT = 240

/** How far off each check was, between what chance makes of it and what it may be. */
export function ChecksChart({
  chart: { points, limit, mean, upper, lower, reach, says },
  decimals,
}: {
  readonly chart: NonNullable<ChecksView['chart']>
  readonly decimals: number
}) {
  const roles = useRoles()
  const [width, setWidth] = useState(0)
  const may = { color: roles.wrong, strokeWidth: 2 }
  const chance = { color: roles.inkSoft, strokeDasharray: [5, 4], strokeWidth: 1 }
  return (
    <Card padded>
      <View
        role="img"
        aria-label={says}
        height={HEIGHT}
        onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}
      >
        {width > 0 && (
          <LineChart
            data={points.map((point) => ({ ...point }))}
            xKey="on"
            yKey="off"
            width={width}
            height={HEIGHT}
            interaction="none"
            tooltip={false}
            legend={false}
            dots
            formatYLabel={(value) => typographic(value.toFixed(decimals))}
            yDomain={[-reach, reach]}
            referenceLines={[
              { y: limit, label: 'may be off', labelColor: roles.wrong, ...may },
              { y: -limit, ...may },
              { y: upper, ...chance },
              { y: mean, color: roles.inkSoft, strokeWidth: 1 },
              { y: lower, ...chance },
            ]}
            theme={{
              background: roles.card,
              plotBackground: roles.card,
              grid: roles.line,
              axis: roles.edge,
              text: roles.ink,
              mutedText: roles.inkSoft,
              series: [roles.read],
              typography: { fontFamily: 'Atkinson Hyperlegible Mono' },
            }}
          />
        )}
      </View>
    </Card>
  )
}
