import { PART_ZERO_AXES } from '@pine/core/plan'
import { ReasonField } from '@/kit/entry/reason-field'
import { Words } from '@/kit/words'
import { CheckFrame } from '../frame/entry/check-frame'
import { NextButton } from '../frame/entry/next-button'
import type { StepProps } from '../frame/step-props'
import { MarkLines, MarksEntry, useMarks } from './marks-entry'
import { partZeroView } from './part-zero-view'

/** Where no switches are, the dials are read at part zero as well: by them one knows a zero that was found again. */
export function PartZeroStep({ setupId, setup, enter, onDone }: StepProps) {
  const marks = useMarks(`part-zero:${setupId}`, setup.document.sheet.unit, PART_ZERO_AXES)
  const view = partZeroView(setup, marks.numbers.written, marks.counts.value)
  if (view === undefined) return null
  if (view.shows === 'done')
    return (
      <CheckFrame words={view.words} foot={<NextButton onDone={onDone} />}>
        {view.left === undefined ? (
          <MarkLines marks={view.marks} />
        ) : (
          <Words as="note">left out: {view.left}</Words>
        )}
      </CheckFrame>
    )
  const { leaveOut } = view
  return (
    <MarksEntry marks={marks} view={view} next="Next" enter={enter} onDone={onDone}>
      <ReasonField
        offer="Leave it out"
        question="Why is it left out?"
        confirm="Leave it out"
        onReason={(why) => {
          void enter(leaveOut(why))
          onDone()
        }}
      />
    </MarksEntry>
  )
}
