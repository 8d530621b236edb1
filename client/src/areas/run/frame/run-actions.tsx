import { Button } from '@/kit/button'

export interface RunActionsProps {
  /** Name of the program that was read; none where none was. */
  readonly program: string | undefined
  readonly onProgram: () => void
  /** What is left to touch, planned. */
  readonly onPlan: () => void
  /** None for who may not enter. */
  readonly onChanged?: (() => void) | undefined
  /** A few words to whoever goes on; none for who may not enter. */
  readonly onNote?: (() => void) | undefined
  /** The touch that was made last, to be made once more; none before the first. */
  readonly lastTouch?: { readonly name: string; readonly again: () => void } | undefined
  /** Rows that stand as the control shows them; none for who may not enter. */
  readonly onStands?: (() => void) | undefined
  /** When numbers are keyed, the other way than now; none for who may not enter. */
  readonly keying: { readonly words: string; readonly turn: () => void } | undefined
  /** Begins the same job once more; none for who may not enter. */
  readonly onAgain: (() => void) | undefined
}

/** What can be done at any step, beside the step itself. */
export function RunActions({
  program,
  onProgram,
  onPlan,
  onChanged,
  onNote,
  lastTouch,
  onStands,
  keying,
  onAgain,
}: RunActionsProps) {
  return (
    <>
      <Button onPress={onProgram} testID="program">
        {program ?? 'Read the program'}
      </Button>
      <Button onPress={onPlan} testID="plan">
        What to touch
      </Button>
      {onChanged && (
        <Button onPress={onChanged} testID="changed">
          Something changed
        </Button>
      )}
      {lastTouch && (
        <Button onPress={lastTouch.again} testID="last-touch">
          Once more: {lastTouch.name}
        </Button>
      )}
      {onNote && (
        <Button onPress={onNote} testID="leave-note">
          Note to the next shift
        </Button>
      )}
      {onStands && (
        <Button onPress={onStands} testID="rows-stand">
          Rows that stand
        </Button>
      )}
      {keying && (
        <Button onPress={keying.turn} testID="keying">
          {keying.words}
        </Button>
      )}
      {onAgain && (
        <Button onPress={onAgain} testID="again">
          The same job again
        </Button>
      )}
    </>
  )
}
