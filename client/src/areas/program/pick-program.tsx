import { FilePicker } from '@/kit/entry/file-picker'
import { Page } from '@/kit/frame/page'
import { Button } from '@/kit/button'
import { Words } from '@/kit/words'
import type { ReactNode } from 'react'
import { FileProgress } from './file-state'
import type { useProgramFile } from './use-program-file'

/** No program yet: what reading one gives, and the one button. */
export function PickProgramPage({
  title,
  why,
  program,
  foot,
}: {
  readonly title: string
  readonly why: string
  readonly program: ReturnType<typeof useProgramFile>
  readonly foot?: ReactNode
}) {
  return (
    <Page title={title} foot={foot}>
      <Words as="lead">{why}</Words>
      <FilePicker kind="act" focused onPick={program.open} testID="program-file">
        Pick the program file
      </FilePicker>
      <FileProgress program={program} />
    </Page>
  )
}

/** A program was read: take it, or not. */
export function Decide({
  onTake,
  onDrop,
  take,
  testID,
}: {
  /** Absent where there is nothing in it to take. */
  readonly onTake: (() => void) | undefined
  readonly onDrop: () => void
  readonly take: string
  readonly testID: string
}) {
  return (
    <>
      <Button grow onPress={onDrop}>
        Not this one
      </Button>
      {onTake && (
        <Button kind="act" grow focused onPress={onTake} testID={testID}>
          {take}
        </Button>
      )}
    </>
  )
}
