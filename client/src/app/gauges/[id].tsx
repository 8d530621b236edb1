import { useLocalSearchParams } from 'expo-router'
import { GaugeScreen } from '@/areas/late'

export default function GaugeRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <GaugeScreen key={id} id={id} />
}
