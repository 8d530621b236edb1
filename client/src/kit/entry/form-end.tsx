import { Button } from '../button'
import { Problem } from '../problem'
import { Row } from '../surfaces'

/** The end of a form within a card: what went wrong with the whole, leaving it, and taking what it says. */
export function FormEnd({
  failure,
  takes,
  onLeave,
  onTake,
}: {
  readonly failure?: string | undefined
  /** What the button that takes it says. */
  readonly takes: string
  readonly onLeave: () => void
  readonly onTake: () => void
}) {
  return (
    <>
      <Problem words={failure} />
      <Row>
        <Button onPress={onLeave}>Leave it</Button>
        <Button kind="act" grow onPress={onTake}>
          {takes}
        </Button>
      </Row>
    </>
  )
}
