import { useLocalSearchParams } from 'expo-router'
import { ShopLogScreen } from '@/areas/late'

/** `?tool=ID` or `?gauge=ID`, or of the whole shop. */
export default function LogRoute() {
  const { tool, gauge } = useLocalSearchParams<{ tool?: string; gauge?: string }>()
  return (
    <ShopLogScreen
      of={{ ...(tool !== undefined && { tool }), ...(gauge !== undefined && { gauge }) }}
    />
  )
}
