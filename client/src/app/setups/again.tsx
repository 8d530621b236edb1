import { useLocalSearchParams } from 'expo-router'
import { AgainScreen } from '@/areas/new-setup/again-screen'

export default function AgainRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <AgainScreen key={id} id={id} />
}
