import { View } from 'tamagui'
import type { FileFailure } from '@/data/program-file'
import { Button } from '@/kit/button'
import { percentOf, sizeText } from '@/kit/size-text'
import { Card } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import type { FileState } from './use-program-file'

const FAILURES: Readonly<Record<FileFailure, { readonly what: string; readonly remedy: string }>> =
  {
    empty: {
      what: 'is empty.',
      remedy:
        'A program was expected, there is nothing in it. Was the copy cut short? Copy it once more, and look at its size.',
    },
    'not-text': {
      what: 'is not text.',
      remedy:
        'A program in words of letters and numbers was expected; this is a picture, an archive, or a drawing. Pick the file that goes to the machine.',
    },
    unreadable: {
      what: 'could not be read to its end.',
      remedy: 'Was the stick taken out, or the file changed meanwhile? Pick it again.',
    },
  }

/** A file that is on its way, or could not be read; nothing where there is none. */
export function FileProgress({ state, onCancel }: { state: FileState; onCancel: () => void }) {
  if (state.is === 'reading') {
    const percent = percentOf(state.bytes, state.of)
    return (
      <Card padded role="status" testID="reading-file">
        <Words as="lead" strong>
          Reading {state.name}
        </Words>
        <View
          role="progressbar"
          aria-label={`reading ${state.name}`}
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={percent}
          height={12}
          borderRadius={6}
          backgroundColor="$tray"
          overflow="hidden"
        >
          <View height={12} width={`${percent}%`} backgroundColor="$act" />
        </View>
        <Digits as="note">
          {sizeText(state.bytes)} of {sizeText(state.of)}
        </Digits>
        <Button onPress={onCancel} testID="cancel-reading">
          Stop reading
        </Button>
      </Card>
    )
  }
  if (state.is === 'failed') {
    const { what, remedy } = FAILURES[state.why]
    return (
      <Card padded tone="wrong" role="alert" testID="file-failed">
        <Words tone="wrong" as="lead" strong>
          {state.name} {what}
        </Words>
        <Words>{remedy}</Words>
      </Card>
    )
  }
  return null
}
