import { useState, type ComponentProps } from 'react'
import { View } from '@tamagui/core'
import { typographic } from '@pine/core/words'
import { LineChart } from 'react-native-chart-kit/v2'
import { useRoles } from '@/theme/use-roles'
import { apart } from './apart'
import { Card } from './surfaces'

export interface OverTimeChartProps {
  readonly points: readonly { readonly on: string; readonly off: number }[]
  /** How far the picture goes up and down. */
  readonly reach: number
  readonly decimals: number
  /** The same in a sentence, for who does not see it. */
  readonly text: string
  readonly height: number
  readonly lines?: ComponentProps<typeof LineChart>['referenceLines']
}

/** How far something was off, check after check. Its library is as large as a page: whoever shows it loads it late. */
export function OverTimeChart({
  points,
  reach,
  decimals,
  text,
  height,
  lines,
}: OverTimeChartProps) {
  const roles = useRoles()
  const [width, setWidth] = useState(0)
  return (
    <Card padded>
      <View
        role="img"
        aria-label={text}
        height={height}
        onLayout={({ nativeEvent }) => setWidth(Math.round(nativeEvent.layout.width))}
      >
        {width > 0 && (
          <LineChart
            data={apart(points).map((point) => ({ ...point }))}
            xKey="on"
            yKey="off"
            width={width}
            height={height}
            interaction="none"
            tooltip={false}
            legend={false}
            dots
            formatYLabel={(value) => typographic(value.toFixed(decimals))}
            yDomain={[-reach, reach]}
            {...(lines && { referenceLines: lines })}
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
