import { useRouter } from 'expo-router'
import { useCallback, useState } from 'react'
import { ScrollView, useMedia, View } from 'tamagui'
import { type Chain } from '@pine/core/chain'
import {
  followingStep,
  neededFirst,
  type Station,
  type Step,
  type StepState,
} from '@pine/core/plan'
import { type Solution } from '@pine/core/solve'
import { STATION_NAMES, stepName } from '@pine/core/words'
import { useSetup, type StandingSetup } from '@/data/setups'
import { AppBar } from '@/kit/app-bar'
import { Button } from '@/kit/button'
import { Overlay } from '@/kit/overlay'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { CheckStep } from '../ready/check-step'
import { KeyInStep } from '../key-in/key-in-step'
import { LiftBanner } from '../prove/lift-banner'
import { NeededStep } from './needed-step'
import { OpenedSetup } from './opened-setup'
import { ReadingStep } from '../read/reading-step'
import { ProofStep } from '../prove/proof-step'
import { ReleaseStep } from '../release/release-step'
import { RunBar } from './run-bar'
import { RegistersPanel } from './registers-panel'
import { SheetStep } from '../ready/sheet-step'
import { SomethingChanged } from './something-changed'
import { StepsRail } from './steps-rail'
import { TraceView } from './trace-view'
import { Trail } from './trail'

/** The run of one set-up. The step is in the address, so that a reload or another device finds it. */
export function RunScreen({ id, stepKey }: { id: string; stepKey: string | undefined }) {
  return (
    <OpenedSetup id={id}>{(setup) => <Run id={id} setup={setup} stepKey={stepKey} />}</OpenedSetup>
  )
}

function Run({
  id,
  setup,
  stepKey,
}: {
  id: string
  setup: StandingSetup
  stepKey: string | undefined
}) {
  const router = useRouter()
  const { wide, widest } = useMedia()
  const { enter } = useSetup(id)
  const [traced, setTraced] = useState<{ title: string; chain: Chain }>()
  const { document, solution, steps } = setup
  const current = currentStep(setup, stepKey)
  const goTo = (step: string | undefined) => {
    setTraced(undefined)
    router.setParams({ step })
  }
  const toProgram = () => router.push({ pathname: '/setups/program', params: { id } })
  // The same for as long as the set-up is open, so that a key that is typed draws nothing anew for it.
  const trace = useCallback((title: string, chain: Chain) => setTraced({ title, chain }), [])
  // After the step: the next one that is open, or, when going back over what is done, the one that follows.
  const onDone = () => goTo(followingStep(document.sheet, steps, current.step.key)?.step.key)
  const [changing, setChanging] = useState(false)
  const changed = changing && (
    <Overlay onClose={() => setChanging(false)}>
      <SomethingChanged
        setup={setup}
        enter={enter}
        onClose={() => setChanging(false)}
        onSaid={() => {
          setChanging(false)
          goTo(undefined)
        }}
      />
    </Overlay>
  )
  const body = (
    <StepBody
      id={id}
      setup={setup}
      current={current}
      enter={enter}
      onStep={goTo}
      onDone={onDone}
      onTrace={trace}
    />
  )
  const traceView = traced && (
    <TraceView
      title={traced.title}
      chain={traced.chain}
      setup={setup}
      onClose={() => setTraced(undefined)}
    />
  )

  if (wide)
    return (
      <View flex={1} height="100%" backgroundColor="$paper">
        <AppBar />
        <View flex={1} minHeight={0} flexDirection="row">
          <StepsRail document={document} steps={steps} current={current} onStep={goTo} />
          <View flex={1} minWidth={0} role="main">
            <LiftBanner document={document} />
            {body}
          </View>
          <ScrollView
            width={widest ? 380 : 320}
            flexGrow={0}
            borderLeftWidth={1}
            borderColor="$line"
            backgroundColor="$card"
            contentContainerStyle={{ padding: 16, gap: 20 }}
            role="complementary"
          >
            {traceView}
            <RegistersPanel solution={solution} onTrace={trace} />
            <Button onPress={toProgram} testID="program">
              {document.programs.at(-1)?.name ?? 'Read the program'}
            </Button>
            <Button onPress={() => setChanging(true)} testID="changed">
              Something changed
            </Button>
          </ScrollView>
        </View>
        {changed}
      </View>
    )
  return (
    <View flex={1} height="100%" backgroundColor="$paper">
      <RunBar
        name={document.sheet.name}
        machine={document.sheet.machine.name}
        onProgram={toProgram}
        onChanged={() => setChanging(true)}
      />
      <LiftBanner document={document} />
      <Column gap={0}>
        <Trail
          steps={steps}
          current={current.step.station}
          onStation={(station) => goTo(firstOf(steps, station)?.step.key)}
        />
        <Row justifyContent="space-between" paddingHorizontal="$3">
          <Words as="note" tone="act" strong numberOfLines={1}>
            {placeWords(steps, current)}
          </Words>
          <Words as="note" numberOfLines={1} flexShrink={1}>
            {stepWords(setup, current)}
          </Words>
        </Row>
      </Column>
      <View flex={1} minHeight={0} role="main">
        {body}
      </View>
      {changed}
      {traceView && <Overlay onClose={() => setTraced(undefined)}>{traceView}</Overlay>}
    </View>
  )
}

interface StepBodyProps {
  readonly id: string
  readonly setup: StandingSetup
  readonly current: StepState
  readonly enter: ReturnType<typeof useSetup>['enter']
  readonly onStep: (key: string | undefined) => void
  readonly onDone: () => void
  readonly onTrace: (title: string, chain: Chain) => void
}

function StepBody({ id, setup, current, enter, onStep, onDone, onTrace }: StepBodyProps) {
  const { document, solution, steps } = setup
  const { step } = current
  const needed = neededFirst(document.sheet, steps, step)
  const parts = { setupId: id, setup, enter, onDone }
  // A step that is done may be looked at whatever has been undone before it.
  const waits = needed !== undefined && !current.done && step.does !== 'record'
  if (waits && !canBeKeyed(solution, step))
    return <NeededStep document={document} current={current} needed={needed} onStep={onStep} />
  switch (step.does) {
    case 'sheet':
      return <SheetStep document={document} onDone={onDone} />
    case 'check':
      return (
        <CheckStep
          key={step.key}
          {...parts}
          // A zero that was found again mends what its loss had opened: what is open is asked afresh.
          onDone={step.check === 'home' ? () => onStep(undefined) : onDone}
          check={step.check}
        />
      )
    case 'read':
      return <ReadingStep key={step.key} {...parts} quantity={step.quantity} onTrace={onTrace} />
    case 'key-in': {
      const register = solution.registers.find(({ address }) => address === step.address)
      if (register === undefined) return null
      return (
        <KeyInStep
          key={step.key}
          setupId={id}
          setup={setup}
          register={register}
          enter={enter}
          onDone={onDone}
          onLater={() =>
            onStep(steps[steps.findIndex((one) => one.step.key === step.key) + 1]?.step.key)
          }
          onStep={onStep}
          onTrace={onTrace}
        />
      )
    }
    case 'prove':
      return (
        <ProofStep
          key={step.key}
          {...parts}
          row={step.row}
          tool={step.tool}
          onTo={(address) => onStep(`key-in:${address}`)}
        />
      )
    case 'record':
      return (
        <ReleaseStep setupId={id} setup={setup} enter={enter} onStep={onStep} onTrace={onTrace} />
      )
  }
}

/** A register that has its number can be keyed, even while another reading of it is open. */
const canBeKeyed = (solution: Solution, step: Step): boolean =>
  step.does === 'key-in' &&
  solution.registers.some(({ address, chain }) => address === step.address && chain !== undefined)

/** The step of the address, else the next open one, else the last: the record. */
function currentStep({ steps, next }: StandingSetup, stepKey: string | undefined): StepState {
  const current = steps.find(({ step }) => step.key === stepKey) ?? next ?? steps.at(-1)
  if (current === undefined)
    throw new Error('a set-up has no steps: it always has a sheet and a record')
  return current
}

/** Into a station: at what is open there, else at its first step. */
function firstOf(steps: readonly StepState[], station: Station): StepState | undefined {
  const here = steps.filter(({ step }) => step.station === station)
  return here.find(({ done }) => !done) ?? here[0]
}

function placeWords(steps: readonly StepState[], current: StepState): string {
  const here = steps.filter(({ step }) => step.station === current.step.station)
  const name = STATION_NAMES[current.step.station]
  if (here.length === 1) return name
  return `${name} · ${here.findIndex(({ step }) => step.key === current.step.key) + 1} of ${here.length}`
}

/** What the step is about; where its own screen says that, what comes after. */
function stepWords({ document, steps }: StandingSetup, { step }: StepState): string {
  if (step.does === 'read') return stepName(document, step)
  const later = steps.slice(steps.findIndex((one) => one.step.key === step.key))
  const next = later.find((one) => one.step.station !== step.station)
  return next ? `then ${STATION_NAMES[next.step.station]}` : ''
}
