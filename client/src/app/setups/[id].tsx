import { useLocalSearchParams } from 'expo-router'
import { RunScreen } from '@/areas/late'

export default function RunRoute() {
  const { id, step } = useLocalSearchParams<{ id: string; step?: string }>()
  return <RunScreen key={id} id={id} stepKey={step} />
}
