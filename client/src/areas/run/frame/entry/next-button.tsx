import { Button } from '@/kit/button'

/** On to the next step: where nothing is left to type. */
export const NextButton = ({ onDone }: { readonly onDone: () => void }) => (
  <Button kind="act" focused onPress={onDone} testID="next">
    Next
  </Button>
)
