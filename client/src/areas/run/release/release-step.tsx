import { useMedia } from '@tamagui/core'
import { Button } from '@/kit/button'
import { Caution } from '@/kit/caution'
import { Scroll } from '@/kit/frame/scroll'
import { TrustMark } from '@/kit/trust-mark'
import { Card, Column, Line } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { RegistersPanel, type RegistersPanelProps } from '../frame/beside/registers-panel'
import { StepAfter } from '../frame/beside/step-after'
import type { StepProps } from '../frame/step-props'
import { FrozenRecord } from './frozen-record'
import { releaseView, type OpenStep, type ReleaseView } from './release-view'

export interface ReleaseStepProps
  extends Omit<StepProps, 'onDone'>, Pick<RegistersPanelProps, 'onTrace'> {
  readonly onStep: (key: string) => void
}

/** What is open, stale or accepted; or the release: numbers frozen with who, when and a hash. */
export function ReleaseStep({ setupId, setup, enter, onStep, onTrace }: ReleaseStepProps) {
  const { wide } = useMedia()
  const { solution } = setup
  const { shows, recordId, overtaken, open, sentence, accepted, disagreements } = releaseView(setup)
  const [first] = open
  return (
    <Scroll
      label="the release"
      flex={1}
      contentContainerStyle={{ padding: wide ? 24 : 12, gap: 14, flexGrow: 1 }}
    >
      {recordId !== undefined && <FrozenRecord setupId={setupId} recordId={recordId} />}
      {overtaken !== '' && (
        <Words as="lead" tone="wrong" strong>
          {overtaken}
        </Words>
      )}
      {shows !== 'released' && (
        <Words as="sentence" role="heading" aria-level={1}>
          {sentence}
        </Words>
      )}
      {first && (
        <>
          <Button kind="act" onPress={() => onStep(first.key)}>
            To the first: {first.name}
          </Button>
          <OpenSteps open={open} onStep={onStep} />
        </>
      )}
      {shows === 'release' && (
        <>
          <Accepted lines={accepted} />
          <Disagreements lines={disagreements} onStep={onStep} />
          <Caution>
            The numbers are frozen with every reading, who took it and when. A part may be cut with
            them; prove again after every change.
          </Caution>
        </>
      )}
      {!wide && shows !== 'released' && <RegistersPanel solution={solution} onTrace={onTrace} />}
      {shows === 'release' && (
        <Column flexGrow={wide ? 0 : 1} justifyContent="flex-end">
          <Button
            kind="act"
            focused
            onPress={() => void enter({ kind: 'record', body: {} })}
            testID="record"
          >
            Release for cutting
          </Button>
        </Column>
      )}
      <StepAfter />
    </Scroll>
  )
}

interface OpenStepsProps extends Pick<ReleaseStepProps, 'onStep'> {
  readonly open: readonly OpenStep[]
}

/** Each step that is open; a tap leads there. */
function OpenSteps({ open, onStep }: OpenStepsProps) {
  return (
    <Card overflow="hidden">
      {open.map(({ key, name, trust }, index) => (
        <Line
          key={key}
          render="button"
          gap="$3"
          backgroundColor="$card"
          borderWidth={0}
          first={index === 0}
          cursor="pointer"
          onPress={() => onStep(key)}
        >
          <TrustMark state={trust} size={20} />
          <Words flex={1} textAlign="left">
            {name}
          </Words>
          {trust === 'stale' && (
            <Words as="note" tone="wrong">
              stale
            </Words>
          )}
        </Line>
      ))}
    </Card>
  )
}

/** What somebody takes responsibility for, and why. */
function Accepted({ lines }: { readonly lines: ReleaseView['accepted'] }) {
  if (lines.length === 0) return null
  return (
    <Card padded>
      <Words strong>Accepted with a reason</Words>
      {lines.map((line) => (
        <Words key={line}>{line}</Words>
      ))}
    </Card>
  )
}

/** What does not agree; a tap leads to where it is put right. */
function Disagreements({
  lines,
  onStep,
}: Pick<ReleaseStepProps, 'onStep'> & { readonly lines: ReleaseView['disagreements'] }) {
  if (lines.length === 0) return null
  return (
    <Card padded tone="wrong">
      {lines.map(({ key, words, step }) => (
        <Column key={key} gap={0} alignItems="flex-start">
          <Words tone="wrong">{words}</Words>
          {step !== undefined && (
            <Button
              kind="plain"
              onPress={() => onStep(step)}
              label={`to where it is put right: ${step}`}
            >
              Go there
            </Button>
          )}
        </Column>
      ))}
    </Card>
  )
}
