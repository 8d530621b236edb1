import { useLocalSearchParams } from 'expo-router'
import { PlanScreen } from '@/areas/late'

export default function PlanRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <PlanScreen key={id} id={id} />
}
