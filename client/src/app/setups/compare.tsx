import { useLocalSearchParams } from 'expo-router'
import { CompareScreen } from '@/areas/late'

export default function CompareRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <CompareScreen key={id} id={id} />
}
