import { useState } from 'react'
import { View } from '@tamagui/core'
import { typographic } from '@pine/core/words'
import { LineChart } from 'react-native-chart-kit/v2'
import { Card } from '@/kit/surfaces'
import { useRoles } from '@/theme/use-roles'
import type { lengthChart } from './tools-view'

const HEIGHT = 200

/** How far each length was from the first one. */
export function LengthsChart({
  chart: { points, reach, decimals, says },
}: {
  readonly chart: NonNullable<ReturnType<typeof lengthChart>>
}) {
  const roles = useRoles()
  const [width, setWidth] = useState(0)
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
