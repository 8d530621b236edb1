import { useLocalSearchParams } from 'expo-router'
import { MachineScreen } from '@/areas/late'

export default function MachineRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <MachineScreen key={id} id={id} />
}
