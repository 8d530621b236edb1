import { Button } from '@/kit/button'
import { moreWords } from './list-view'

/** The next page of a list, where there is one. */
export function MoreButton({
  page: { setups = [], total, more },
  of,
  testID,
}: {
  readonly page: {
    readonly setups: readonly unknown[] | undefined
    readonly total: number
    readonly more: (() => void) | undefined
  }
  /** What they are: “worked on”, “released”. */
  readonly of: string
  readonly testID: string
}) {
  return more === undefined ? null : (
    <Button onPress={more} testID={testID}>
      {moreWords(setups.length, total, of)}
    </Button>
  )
}
