import { useMedia } from '@tamagui/core'
import { AXES, type MachineAxis } from '@pine/core/address'
import { Caution } from '@/kit/caution'
import { Card, Line } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { EntryFrame } from '../frame/entry/entry-frame'
import { NumbersEntry } from '../frame/entry/numbers-entry'
import { useNumbers } from '../frame/entry/use-numbers'
import type { StepProps } from '../frame/step-props'
import { homeAgainView, type FoundByMarks } from './home-again-view'
import { InForceBefore } from './in-force-before'

interface HomeAgainStepProps extends StepProps {
  /** On a machine without switches, what its marks say; they are entered with what is compared. */
  readonly found?: FoundByMarks
}

/** After a power cut: home, compare a known place, and see what was in force. */
export function HomeAgainStep({ setupId, setup, enter, onDone, found }: HomeAgainStepProps) {
  const known = homeAgainView(setup, {}, found)?.places ?? []
  const numbers = useNumbers<MachineAxis>(
    `home-again:${setupId}`,
    setup.document.sheet.unit,
    known.map(({ axis, was }) => ({
      ...{ key: axis, label: `${axis} · was ${was}`, optional: true },
      isBelowZero: was.startsWith('\u2212'),
    })),
  )
  const typed = Object.fromEntries(
    AXES.filter((axis) => !numbers.isEmpty(axis)).map((axis) => [axis, numbers.written(axis)]),
  )
  const { wide } = useMedia()
  const view = homeAgainView(setup, typed, found)
  if (view === undefined) return null
  const submit = () => {
    if (!numbers.complete()) return
    for (const draft of view.facts) void enter(draft)
    numbers.clear()
    onDone()
  }
  return (
    <EntryFrame
      numbers={<NumbersEntry numbers={numbers} onSubmit={submit} />}
      problem={numbers.problem}
      {...numbers.keys}
      onNext={submit}
      next={view.next}
    >
      <Words as="sentence" role="heading" aria-level={1}>
        {view.sentence}
      </Words>
      <Card overflow="hidden" role="list" testID="known-places">
        {view.places.map(({ axis, name, was }, index) => (
          <Line key={axis} first={index === 0} role="listitem" apart>
            <Words flex={1}>{name}</Words>
            <Digits as="lead">{`${axis} ${was}`}</Digits>
          </Line>
        ))}
      </Card>
      {view.lines.map(({ axis, words, wrong }) => (
        <Words key={axis} tone={wrong ? 'wrong' : 'ink'} strong={wrong} testID={`compared-${axis}`}>
          {words}
        </Words>
      ))}
      {view.points.map((point) => (
        <Words key={point}>{point}</Words>
      ))}
      <Caution>{view.caution}</Caution>
      {/* On a wide screen it would push the number out of view. */}
      <InForceBefore setup={setup} open={!wide} />
    </EntryFrame>
  )
}
