import { lazy, Suspense } from 'react'
import { Words } from './words'
import type { OverTimeChartProps } from './over-time-chart'

// One place loads it: a module that two late pages name is taken for common, and comes with the first one.
const OverTimeChart = lazy(() =>
  import('./over-time-chart').then(({ OverTimeChart: Chart }) => ({ default: Chart })),
)

/** The chart over time, when there is something to draw: its library is as large as the rest of a page. */
export function LateChart(props: OverTimeChartProps) {
  return (
    <Suspense fallback={<Words as="note">The chart is on its way.</Words>}>
      <OverTimeChart {...props} />
    </Suspense>
  )
}
