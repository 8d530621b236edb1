import { useLocalSearchParams } from 'expo-router'
import { LogScreen } from '@/areas/late'

export default function LogRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <LogScreen key={id} id={id} />
}
