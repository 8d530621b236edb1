import { useLocalSearchParams } from 'expo-router'
import { ImportScreen } from '@/areas/late'

/** `?list=gauges`, or tools. */
export default function ImportRoute() {
  const { list } = useLocalSearchParams<{ list?: string }>()
  return <ImportScreen list={list === 'gauges' ? 'gauges' : 'tools'} />
}
