import { useLocalSearchParams } from 'expo-router'
import { ProgramScreen } from '@/areas/late'

export default function ProgramRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <ProgramScreen key={id} id={id} />
}
