import { View } from '@tamagui/core'
import { Words } from '@/kit/words'

/** The way back to where one was before a look elsewhere. */
export function BackTo({ name, onPress }: { name: string; onPress: () => void }) {
  return (
    <View
      render="button"
      minHeight={44}
      marginVertical={-12}
      justifyContent="center"
      flexShrink={1}
      borderWidth={0}
      padding={0}
      backgroundColor="transparent"
      cursor="pointer"
      onPress={onPress}
      testID="back-to"
    >
      <Words as="note" tone="act" strong numberOfLines={1}>
        ‹ Back to {name}
      </Words>
    </View>
  )
}
