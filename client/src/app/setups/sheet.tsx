import { useLocalSearchParams } from 'expo-router'
import { ChangeSheetScreen } from '@/areas/late'

export default function SheetRoute() {
  const { id } = useLocalSearchParams<{ id: string }>()
  return <ChangeSheetScreen key={id} id={id} />
}
