import { Text, View } from 'tamagui'

export default function Home() {
  return (
    <View backgroundColor="$paper" flex={1}>
      <Text color="$ink" fontFamily="$mono">
        0.000
      </Text>
    </View>
  )
}
