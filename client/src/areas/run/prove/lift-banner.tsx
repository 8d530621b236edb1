import { type SetupDocument } from '@pine/core/facts'
import { activeLift } from '@pine/core/proof'
import { View } from '@tamagui/core'
import { Digits, Words } from '@/kit/words'
import { LIFT_PLACE_WORDS } from '@pine/core/words'

/** In red words until it is taken out: everything stands higher than its numbers say. */
export function LiftBanner({ document }: { document: SetupDocument }) {
  const lift = activeLift(document)
  if (lift === undefined) return null
  return (
    <View
      role="status"
      backgroundColor="$wrongPaper"
      borderColor="$wrong"
      borderTopWidth={2}
      borderBottomWidth={2}
      paddingHorizontal="$3"
      paddingVertical="$1"
      testID="lift-active"
    >
      <Words tone="wrong" strong>
        LIFT ACTIVE{' '}
        <Digits tone="wrong">
          +{lift.amount.text} {lift.amount.unit}
        </Digits>{' '}
        in {LIFT_PLACE_WORDS[lift.where]}
      </Words>
    </View>
  )
}
