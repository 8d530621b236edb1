import { useLocalSearchParams } from 'expo-router'
import { RunScreen } from '@/areas/run/frame/run-screen'

export default function RunRoute() {
  const { id, step } = useLocalSearchParams<{ id: string; step?: string }>()
  return <RunScreen key={id} id={id} stepKey={step} />
}
