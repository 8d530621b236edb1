import { useLocalSearchParams } from 'expo-router'
import { FirstPartsScreen } from '@/areas/late'

export default function FirstPartsRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <FirstPartsScreen key={id} id={id} />
}
