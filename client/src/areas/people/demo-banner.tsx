import type { ReactNode } from 'react'
import { View } from '@tamagui/core'
import { useSession } from '@/data/server/session'
import { Words } from '@/kit/words'

/** Every page, in red above it while people whose PIN is published can be signed in as from the network. */
export function UnderDemoBanner({ children }: { readonly children: ReactNode }) {
  const { demoOnNetwork } = useSession()
  if (!demoOnNetwork) return children
  return (
    <View flex={1} height="100%">
      <Banner />
      <View flex={1} minHeight={0}>
        {children}
      </View>
    </View>
  )
}

function Banner() {
  return (
    <View
      role="status"
      backgroundColor="$wrongPaper"
      borderColor="$wrong"
      borderBottomWidth={2}
      paddingHorizontal="$3"
      paddingVertical="$1"
      testID="demo-on-network"
    >
      <Words as="note" tone="wrong" strong>
        Demonstration on the network: its PIN is published. Enter nothing real here.
      </Words>
    </View>
  )
}
