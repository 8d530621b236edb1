import { useLocalSearchParams } from 'expo-router'
import { GaugeScreen } from '@/areas/gauges/gauge-screen'

export default function GaugeRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <GaugeScreen key={id} id={id} />
}
