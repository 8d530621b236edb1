import type { ReactNode } from 'react'
import { useState } from 'react'
import { type MachineAxis } from '@pine/core/address'
import { type AxisMarks } from '@pine/core/facts'
import { lengthWords } from '@pine/core/words'
import { useDraft } from '@/data/device/drafts'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Choice } from '@/kit/entry/choice'
import { Card, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { EntryFrame } from '../frame/entry/entry-frame'
import { NumbersEntry } from '../frame/entry/numbers-entry'
import type { StepProps } from '../frame/step-props'
import { useNumbers } from '../frame/entry/use-numbers'
import { marksToRead, type DialsCount, type MarkKey, type MarksToRead } from './marks'

/** Dials and scales while they are typed, and which way the dials count. */
export function useMarks(
  draftKey: string,
  unit: StepProps['setup']['document']['sheet']['unit'],
  axes: readonly MachineAxis[],
) {
  const numbers = useNumbers<MarkKey>(draftKey, unit, marksToRead(axes))
  const counts = useDraft<DialsCount>(`${draftKey}:counts`, {})
  const clear = () => {
    numbers.clear()
    counts.clear()
  }
  return { numbers, counts, clear }
}

export interface MarksEntryProps {
  readonly marks: ReturnType<typeof useMarks>
  readonly view: MarksToRead
  readonly next: string
  readonly enter: StepProps['enter']
  /** Where something is to be done with the marks before they are entered, instead of entering them. */
  readonly onFound?: (() => void) | undefined
  readonly onDone: () => void
  /** Other ways on. */
  readonly children?: ReactNode
}

/** Dials and scales written down, beside what they showed before where there is a before. */
export function MarksEntry({
  marks,
  view,
  next,
  enter,
  onFound,
  onDone,
  children,
}: MarksEntryProps) {
  const { numbers, counts } = marks
  const { was, outcome } = view
  const [submitted, setSubmitted] = useState(false)
  const submit = () => {
    if (!numbers.complete()) return
    setSubmitted(true)
    if ('missing' in outcome) return
    if (onFound !== undefined) return onFound()
    for (const draft of outcome.facts) void enter(draft)
    marks.clear()
    onDone()
  }
  const missing = submitted && 'missing' in outcome ? outcome : undefined
  const count = (axis: MachineAxis, way: 'up' | 'down') =>
    counts.set({ ...counts.value, [axis]: way })
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
      problem={numbers.problem ?? missing?.missing}
      // On a small phone the questions have scrolled away: they are answered where Next says that they are open.
      remedy={missing?.counts && <CountsButtons axis={missing.counts} onCount={count} />}
      {...numbers.keys}
      onNext={submit}
      next={next}
    >
      <Words as="sentence" role="heading" aria-level={1}>
        {view.sentence}
      </Words>
      {view.dials.map((axis) => (
        <Choice
          key={axis}
          label={`As ${axis} moves towards plus, its dial counts`}
          value={counts.value[axis]}
          onChange={(way) => count(axis, way)}
          options={[
            { value: 'up', label: `${axis} up` },
            { value: 'down', label: `${axis} down` },
          ]}
        />
      ))}
      {view.lines.map(({ key, words, wrong }) => (
        <Words key={key} tone={wrong ? 'wrong' : 'ink'} testID={`shift-${key}`}>
          {words}
        </Words>
      ))}
      {view.points.map((point) => (
        <Words key={point}>{point}</Words>
      ))}
      {children}
      <Caution>{view.caution}</Caution>
    </EntryFrame>
  )
}

interface CountsButtonsProps {
  readonly axis: MachineAxis
  readonly onCount: (axis: MachineAxis, way: 'up' | 'down') => void
}

const CountsButtons = ({ axis, onCount }: CountsButtonsProps) => (
  <Row>
    <Button onPress={() => onCount(axis, 'up')}>{axis} counts up</Button>
    <Button onPress={() => onCount(axis, 'down')}>{axis} counts down</Button>
  </Row>
)

/** What was written down. */
export function MarkLines({ marks }: { marks: AxisMarks }) {
  return (
    <Card padded>
      {Object.entries(marks).map(([axis, { dial, coarse, dialFalls }]) => (
        <Row key={axis} justifyContent="space-between" flexWrap="wrap">
          <Words strong>{axis}</Words>
          {dial && (
            <Digits>
              dial {lengthWords(dial)}, counts {dialFalls ? 'down' : 'up'}
            </Digits>
          )}
          {coarse && <Digits>scale {lengthWords(coarse)}</Digits>}
        </Row>
      ))}
    </Card>
  )
}
