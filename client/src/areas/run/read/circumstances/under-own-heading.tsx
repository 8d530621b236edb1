import { Button } from '@/kit/button'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'

/** Two touches that are no repeats of each other: which of them counts is said, never worked out. */
export function UnderOwnHeading({
  words,
  onAgain,
  onCounts,
  moved,
}: {
  readonly words: string
  readonly onAgain: () => void
  readonly onCounts: () => void
  /** It was moved between the two touches: what moved, and that it is said; none where nothing there can. */
  readonly moved: { readonly words: string; readonly onMoved: () => void } | undefined
}) {
  return (
    <Column gap="$1" role="alert" testID="apart">
      <Words as="note" tone="wrong" strong>
        {words}
      </Words>
      <Row>
        <Button grow onPress={onAgain}>
          Touch again
        </Button>
        <Button grow onPress={onCounts} testID="this-counts">
          This one counts
        </Button>
      </Row>
      {moved && (
        <Button onPress={moved.onMoved} testID="was-moved">
          {moved.words}
        </Button>
      )}
    </Column>
  )
}
