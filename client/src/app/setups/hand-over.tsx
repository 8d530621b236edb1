import { useLocalSearchParams } from 'expo-router'
import { HandOverScreen } from '@/areas/late'

export default function HandOverRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <HandOverScreen key={id} id={id} />
}
