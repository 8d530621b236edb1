import { View } from '@tamagui/core'
import { Button } from '../button'
import { CompassBadge } from './compass-badge'
import { Words } from '../words'

/** A fault of ours: nothing that was entered or typed is lost by it, and there is a way on. */
export function Broken({ error, onRetry }: { error: Error; onRetry: () => void }) {
  return (
    <View
      flex={1}
      height="100%"
      backgroundColor="$paper"
      alignItems="center"
      justifyContent="center"
      gap="$4"
      padding="$6"
      role="alert"
    >
      <CompassBadge size={48} />
      <Words as="title" textAlign="center">
        This screen has a fault.
      </Words>
      {/* What failed may be told by an address, in which nothing breaks a line by itself. */}
      <Words textAlign="center" maxWidth="100%" style={{ overflowWrap: 'anywhere' }}>
        What you entered and typed is kept. Try again; if it comes back, go on from the list of
        set-ups and tell whoever keeps Pine Compass: {error.message}
      </Words>
      <Button kind="act" onPress={onRetry}>
        Try again
      </Button>
    </View>
  )
}
