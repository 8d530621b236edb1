import { useLocalSearchParams } from 'expo-router'
import { ShareScreen } from '@/areas/late'

export default function ShareRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <ShareScreen key={id} id={id} />
}
