import { useLocalSearchParams } from 'expo-router'
import { AgainScreen } from '@/areas/late'

export default function AgainRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <AgainScreen key={id} id={id} />
}
