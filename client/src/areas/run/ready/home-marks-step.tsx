import { AXES } from '@pine/core/address'
import { Button } from '@/kit/button'
import { CheckFrame } from '../frame/entry/check-frame'
import { NextButton } from '../frame/entry/next-button'
import type { StepProps } from '../frame/step-props'
import { homeMarksView } from './home-marks-view'
import { MarkLines, MarksEntry, useMarks } from './marks-entry'

/**
 * Home of a machine without switches: dials and scales at the marks are written down, so that a zero
 * lost in a power cut is found again, with what it shifted by.
 */
export function HomeMarksStep({ setupId, setup, enter, onDone }: StepProps) {
  const marks = useMarks(`home:${setupId}`, setup.document.sheet.unit, AXES)
  const view = homeMarksView(setup, marks.numbers.written, marks.counts.value)
  if (view.shows === 'done')
    return (
      <CheckFrame words={view.words} foot={<NextButton onDone={onDone} />}>
        {view.marks && <MarkLines marks={view.marks} />}
      </CheckFrame>
    )
  const { next, without } = view
  return (
    <MarksEntry marks={marks} view={view} next={next} enter={enter} onDone={onDone}>
      {without !== undefined && (
        <Button
          onPress={() => {
            for (const draft of without) void enter(draft)
            onDone()
          }}
        >
          There are no marks
        </Button>
      )}
    </MarksEntry>
  )
}
