import type { ReactNode } from 'react'
import { SafeAreaProvider } from 'react-native-safe-area-context'
import { TamaguiProvider, Theme } from '@tamagui/core'
import { config } from '@/theme/tamagui.config'
import { useScheme } from '@/theme/use-scheme'

/** What every screen stands in: tokens, the day or the dim-shop theme, safe edges. */
export function AppFrame({ children }: { children: ReactNode }) {
  const { scheme } = useScheme()
  return (
    <SafeAreaProvider style={{ flex: 1 }}>
      <TamaguiProvider config={config} defaultTheme={scheme}>
        <Theme name={scheme}>{children}</Theme>
      </TamaguiProvider>
    </SafeAreaProvider>
  )
}
