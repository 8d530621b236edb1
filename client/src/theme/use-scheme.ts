import { useColorScheme } from 'react-native'
import { kept, useKept } from '@/data/device/kept'

export type SchemeChoice = 'device' | 'light' | 'dark'

const choice = kept<SchemeChoice>('scheme', 'device')

/** The theme in use, and the person's choice: that of the device, unless one was picked. */
export function useScheme() {
  const device = useColorScheme()
  const chosen = useKept(choice)
  const scheme: 'light' | 'dark' =
    chosen === 'device' ? (device === 'dark' ? 'dark' : 'light') : chosen
  return { scheme, chosen, choose: choice.write }
}
