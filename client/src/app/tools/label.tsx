import { useLocalSearchParams } from 'expo-router'
import { LabelScreen } from '@/areas/late'

export default function LabelRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <LabelScreen key={id} id={id} />
}
