import { Button } from '@/kit/button'

/** Pages of a set-up beside its run. */
export type SetupPage = 'program' | 'plan' | 'table' | 'hand-over' | 'log' | 'share' | 'again'

export interface RunActionsProps {
  /** Name of the program that was read; none where none was. */
  readonly program: string | undefined
  /** Opens a page of the set-up beside its run. */
  readonly onPage: (page: SetupPage) => void
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
  /** Whether the same job may be begun once more, and rows be read off a table: not by who only looks on. */
  readonly mayEnter: boolean
}

/** What can be done at any step, beside the step itself. */
export function RunActions({
  program,
  onPage,
  onChanged,
  onNote,
  lastTouch,
  onStands,
  keying,
  mayEnter,
}: RunActionsProps) {
  return (
    <>
      <Button onPress={() => onPage('program')} testID="program">
        {program ?? 'Read the program'}
      </Button>
      <Button onPress={() => onPage('plan')} testID="plan">
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
      {mayEnter && (
        <Button onPress={() => onPage('table')} testID="table">
          Read the offset table
        </Button>
      )}
      <Button onPress={() => onPage('hand-over')} testID="hand-over">
        Hand over
      </Button>
      <Button onPress={() => onPage('log')} testID="log">
        What happened
      </Button>
      <Button onPress={() => onPage('share')} testID="share">
        Print or share
      </Button>
      {mayEnter && (
        <Button onPress={() => onPage('again')} testID="again">
          The same job again
        </Button>
      )}
    </>
  )
}
