import { useLocalSearchParams } from 'expo-router'
import { ToolScreen } from '@/areas/late'

export default function ToolRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <ToolScreen key={id} id={id} />
}
