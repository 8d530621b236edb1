import { type HomeMarks } from '@pine/core/freshness'
import { lengthWords } from '@pine/core/words'
import { Caution } from '@/kit/caution'
import { Card, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { NextButton } from '../frame/next-button'
import type { StepProps } from '../frame/step-props'
import { EntryFrame } from '../frame/entry-frame'
import { NumbersEntry } from '../frame/numbers-entry'
import { useNumbers } from '../frame/use-numbers'
import { CheckFrame } from '../frame/check-frame'
import { AXES, homeMarksView, type MarkKey } from './home-marks-view'

const SPECS = AXES.flatMap((axis) => [
  { key: `${axis}dial` as MarkKey, label: `${axis} dial` },
  { key: `${axis}coarse` as MarkKey, label: `${axis} scale` },
])

/**
 * Home of a machine without switches: dials and scales at the marks are written down, so that a zero
 * lost in a power cut is found again, with what it shifted by.
 */
export function HomeMarksStep({ setupId, setup, enter, onDone }: StepProps) {
  const numbers = useNumbers<MarkKey>(`home:${setupId}`, setup.document.sheet.unit, SPECS)
  const view = homeMarksView(setup, numbers.written)
  if (view.shows === 'done')
    return (
      <CheckFrame words={view.words} foot={<NextButton onDone={onDone} />}>
        {view.marks && <MarkLines marks={view.marks} />}
      </CheckFrame>
    )
  const { sentence, points, caution, next, was, found, facts } = view
  const submit = () => {
    if (!numbers.complete() || facts === undefined) return
    for (const said of facts) void enter(said)
    numbers.clear()
    onDone()
  }
  return (
    <EntryFrame
      numbers={
        <NumbersEntry
          numbers={numbers}
          boxes={numbers.boxes.map((box) => ({
            ...box,
            label: was(box.key) === '' ? box.label : `${box.label} · was ${was(box.key)}`,
          }))}
          onSubmit={submit}
        />
      }
      problem={numbers.problem}
      {...numbers.keys}
      onNext={submit}
      next={next}
    >
      <Words as="sentence" role="heading" aria-level={1}>
        {sentence}
      </Words>
      {points.map((point) => (
        <Words key={point}>{point}</Words>
      ))}
      {found.map(({ axis, words, wrong }) => (
        <Words key={axis} tone={wrong ? 'wrong' : 'ink'} testID={`shift-${axis}`}>
          {words}
        </Words>
      ))}
      <Caution>{caution}</Caution>
    </EntryFrame>
  )
}

function MarkLines({ marks }: { marks: HomeMarks }) {
  return (
    <Card padded>
      {AXES.map((axis) => (
        <Row key={axis} justifyContent="space-between">
          <Words strong>{axis}</Words>
          <Digits>dial {lengthWords(marks[axis].dial)}</Digits>
          <Digits>scale {lengthWords(marks[axis].coarse)}</Digits>
        </Row>
      ))}
    </Card>
  )
}
