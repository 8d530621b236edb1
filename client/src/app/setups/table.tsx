import { useLocalSearchParams } from 'expo-router'
import { TableScreen } from '@/areas/late'

export default function TableRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <TableScreen key={id} id={id} />
}
