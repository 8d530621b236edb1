import { AXES } from '@pine/core/address'
import { useDraft } from '@/data/device/drafts'
import { Button } from '@/kit/button'
import { CheckFrame } from '../frame/entry/check-frame'
import { NextButton } from '../frame/entry/next-button'
import type { StepProps } from '../frame/step-props'
import { HomeAgainStep } from './home-again-step'
import { hasKnownPlace, homeMarksView } from './home-marks-view'
import { InForceBefore } from './in-force-before'
import { MarkLines, MarksEntry, useMarks } from './marks-entry'

/**
 * Home of a machine without switches: dials and scales at the marks are written down, so that a zero
 * lost in a power cut is found again, with what it shifted by.
 */
export function HomeMarksStep(props: StepProps) {
  const { setupId, setup, enter, onDone } = props
  const marks = useMarks(`home:${setupId}`, setup.document.sheet.unit, AXES)
  // What is typed of the marks stays as long as a place is touched to check them.
  const checks = useDraft<'dials' | 'nothing' | undefined>(`home:${setupId}:checks`, undefined)
  const view = homeMarksView(setup, marks.numbers.written, marks.counts.value)
  if (view.shows === 'done')
    return (
      <CheckFrame words={view.words} foot={<NextButton onDone={onDone} />}>
        {view.marks && <MarkLines marks={view.marks} />}
      </CheckFrame>
    )
  const { next, without, found } = view
  const compare = checks.value === 'nothing' ? { marks: undefined, shift: {} } : found
  if (checks.value !== undefined && compare !== undefined)
    return (
      <HomeAgainStep
        {...props}
        found={compare}
        onDone={() => {
          marks.clear()
          checks.clear()
          onDone()
        }}
      />
    )
  return (
    <MarksEntry
      marks={marks}
      view={view}
      next={next}
      enter={enter}
      onFound={found && (() => checks.set('dials'))}
      onDone={onDone}
    >
      {without !== undefined && (
        <Button
          onPress={() => {
            if (hasKnownPlace(setup)) return checks.set('nothing')
            for (const draft of without) void enter(draft)
            onDone()
          }}
        >
          There are no marks
        </Button>
      )}
      <InForceBefore setup={setup} open={false} />
    </MarksEntry>
  )
}
