import { useSyncExternalStore } from 'react'
import { View as Plain } from 'react-native'
import type { FileFailure } from '@/data/program/program-file'
import { Button } from '@/kit/button'
import { percentOf, sizeText } from '@/kit/size-text'
import { Card } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { useRoles } from '@/theme/use-roles'
import type { useProgramFile } from './use-program-file'

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
export function FileProgress({ program }: { program: ReturnType<typeof useProgramFile> }) {
  const { state, progress, drop } = program
  if (state.is === 'reading')
    return (
      <Card padded role="status" testID="reading-file">
        <Words as="lead" strong>
          Reading {state.name}
        </Words>
        <Bar name={state.name} of={state.of} progress={progress} />
        <Button onPress={drop} testID="cancel-reading">
          Stop reading
        </Button>
      </Card>
    )
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

interface BarProps {
  readonly name: string
  readonly of: number
  readonly progress: ReturnType<typeof useProgramFile>['progress']
}

function Bar({ name, of, progress }: BarProps) {
  const bytes = useSyncExternalStore(progress.subscribe, progress.current, progress.current)
  const percent = percentOf(bytes, of)
  const roles = useRoles()
  return (
    <>
      {/* Plain views: they are drawn anew while the file is read. */}
      <Plain
        role="progressbar"
        aria-label={`reading ${name}`}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={percent}
        style={{ height: 12, borderRadius: 6, overflow: 'hidden', backgroundColor: roles.tray }}
      >
        <Plain style={{ height: 12, width: `${percent}%`, backgroundColor: roles.act }} />
      </Plain>
      <Digits as="note">
        {sizeText(bytes)} of {sizeText(of)}
      </Digits>
    </>
  )
}
