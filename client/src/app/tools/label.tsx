import { useLocalSearchParams } from 'expo-router'
import { LabelScreen } from '@/areas/tools/label-screen'

export default function LabelRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <LabelScreen key={id} id={id} />
}
