import { useEffect, useRef, type ComponentRef } from 'react'
import { styled, View } from '@tamagui/core'
import { type SetupDocument } from '@pine/core/facts'
import { STATIONS, type Station, type StepState } from '@pine/core/plan'
import { STATION_NAMES, stepName } from '@pine/core/words'
import { Scroll } from '@/kit/frame/scroll'
import { TrustMark } from '@/kit/trust-mark'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'

const Line = styled(View, {
  name: 'RailLine',
  render: 'button',
  flexDirection: 'row',
  alignItems: 'center',
  gap: '$2',
  minHeight: 44,
  paddingHorizontal: '$2',
  borderRadius: '$small',
  borderWidth: 1,
  borderColor: '$transparent',
  backgroundColor: 'transparent',
  cursor: 'pointer',
  variants: { here: { true: { backgroundColor: '$card', borderColor: '$line' } } } as const,
})

export interface StepsRailProps {
  readonly document: SetupDocument
  readonly steps: readonly StepState[]
  readonly current: StepState
  readonly onStep: (key: string) => void
}

/** Every step of the set-up, on a wide screen. */
export function StepsRail({ document, steps, current, onStep }: StepsRailProps) {
  return (
    <Scroll
      label="steps"
      role="navigation"
      width={250}
      flexGrow={0}
      backgroundColor="$tray"
      borderRightWidth={1}
      borderColor="$line"
      contentContainerStyle={{ padding: 12, gap: 10 }}
    >
      <Column gap={0}>
        <Words as="lead" strong>
          {document.sheet.name}
        </Words>
        <Words as="note">
          {document.sheet.machine.name} · {document.sheet.unit}
        </Words>
      </Column>
      <StepsList document={document} steps={steps} current={current} onStep={onStep} />
    </Scroll>
  )
}

/** The steps under the names of their stations. */
export function StepsList(props: StepsRailProps) {
  return STATIONS.map((station) => <StationSteps key={station} station={station} {...props} />)
}

function StationSteps({
  station,
  document,
  steps,
  current,
  onStep,
}: StepsRailProps & { station: Station }) {
  const here = steps.filter(({ step }) => step.station === station)
  if (here.length === 0) return null
  return (
    <Column gap={2}>
      {here.length > 1 && (
        <Row justifyContent="space-between" paddingHorizontal="$2">
          <Words as="note">{STATION_NAMES[station]}</Words>
          <Words as="note">
            {here.filter(({ done }) => done).length} of {here.length}
          </Words>
        </Row>
      )}
      {here.map((state) => (
        <StepLine
          key={state.step.key}
          state={state}
          document={document}
          isHere={state.step.key === current.step.key}
          onStep={onStep}
        />
      ))}
    </Column>
  )
}

/** One step; the one that is worked on is brought into view. */
function StepLine({
  state: { step, trust },
  document,
  isHere,
  onStep,
}: Pick<StepsRailProps, 'document' | 'onStep'> & {
  readonly state: StepState
  readonly isHere: boolean
}) {
  const line = useRef<ComponentRef<typeof Line>>(null)
  useEffect(() => {
    if (isHere)
      (line.current as unknown as HTMLElement | null)?.scrollIntoView({ block: 'nearest' })
  }, [isHere])
  return (
    <Line
      ref={line}
      here={isHere}
      onPress={() => onStep(step.key)}
      aria-current={isHere ? 'step' : undefined}
    >
      <TrustMark state={trust} size={20} />
      <Words flex={1} textAlign="left" numberOfLines={1} fontSize={15} strong={isHere}>
        {stepName(document, step)}
      </Words>
    </Line>
  )
}
