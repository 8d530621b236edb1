import { useLocalSearchParams } from 'expo-router'
import { RecheckScreen } from '@/areas/late'

export default function RecheckRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <RecheckScreen key={id} id={id} />
}
