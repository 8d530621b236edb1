import { View } from '@tamagui/core'
import { CompassBadge } from './frame/compass-badge'
import { Words } from './words'

/** A whole page that has only one thing to say: opening, or not reachable. */
export function Message({ text, tone = 'soft' }: { text: string; tone?: 'soft' | 'wrong' }) {
  return (
    <View
      flex={1}
      height="100%"
      backgroundColor="$paper"
      alignItems="center"
      justifyContent="center"
      gap="$3"
      padding="$6"
      role={tone === 'wrong' ? 'alert' : 'status'}
    >
      <CompassBadge size={48} />
      <Words as="lead" tone={tone} textAlign="center">
        {text}
      </Words>
    </View>
  )
}
