import { useRouter } from 'expo-router'
import { useCallback, useState } from 'react'
import { useMedia, View } from '@tamagui/core'
import type { Address } from '@pine/core/address'
import { type Chain } from '@pine/core/chain'
import type { Enter } from '@/data/outbox/said'
import { useMay } from '@/data/server/session'
import { useSetup } from '@/data/setup/one-setup'
import type { StandingSetup } from '@/data/setup/standing'
import { AppBar } from '@/kit/app-bar'
import { Overlay } from '@/kit/overlay'
import { Scroll } from '@/kit/scroll'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { CheckStep } from '../ready/check-step'
import { OfferedFirst } from '../kept/offered-first'
import { KeyInStep } from '../key-in/key-in-step'
import { DrawingsBeside } from './drawings-beside'
import { fillsTheMiddle } from './drawings-view'
import { LookingOn } from './looking-on'
import { NeededStep } from './needed-step'
import { OpenedSetup } from './opened-setup'
import { ReadingStep } from '../read/reading-step'
import { ProofStep } from '../prove/proof-step'
import { ReleaseStep } from '../release/release-step'
import { RunActions } from './run-actions'
import { RunBanners } from './run-banners'
import { RunBar } from './run-bar'
import { RunMenu } from './run-menu'
import { keyingView, runView, type RunView } from './run-view'
import { RegistersPanel } from './registers-panel'
import { SheetStep } from '../ready/sheet-step'
import { SomethingChanged } from './something-changed'
import { StepAfterProvider } from './step-after'
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
  const { wide, widest, low } = useMedia()
  const { enter } = useSetup(id)
  const [traced, setTraced] = useState<{ title: string; chain: Chain }>()
  const { document, solution, steps } = setup
  const view = runView(setup, stepKey)
  const { current } = view
  const fills = fillsTheMiddle(current.step) && view.waitsFor === undefined
  const goTo = (step: string | undefined) => {
    setTraced(undefined)
    router.setParams({ step })
  }
  const toProgram = () => router.push({ pathname: '/setups/program', params: { id } })
  const toPlan = () => router.push({ pathname: '/setups/plan', params: { id } })
  const toAgain = () => router.push({ pathname: '/setups/again', params: { id } })
  // The same for as long as the set-up is open, so that a key that is typed draws nothing anew for it.
  const trace = useCallback((title: string, chain: Chain) => setTraced({ title, chain }), [])
  const onDone = (keyed?: Address) => goTo(view.following(keyed))
  const [changing, setChanging] = useState(false)
  const [menu, setMenu] = useState(false)
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
  const mayEnter = useMay('enter')
  // A set-up that is done is not opened again for it.
  const keying = mayEnter && setup.next !== undefined ? keyingView(setup) : undefined
  const turnKeying = () => {
    if (keying === undefined) return
    setMenu(false)
    void enter(keying.turned)
  }
  const body = mayEnter ? (
    <OfferedFirst
      setupId={id}
      setup={setup}
      current={view.waitsFor === undefined ? current : undefined}
      enter={enter}
      onDone={() => goTo(undefined)}
    >
      <StepBody
        id={id}
        setup={setup}
        view={view}
        enter={enter}
        onStep={goTo}
        onDone={onDone}
        onTrace={trace}
      />
    </OfferedFirst>
  ) : (
    <LookingOn id={id} setup={setup} onTrace={trace} />
  )
  const banners = (
    <RunBanners
      setupId={id}
      setup={setup}
      enter={enter}
      onRegister={(address) => goTo(`key-in:${address}`)}
      at={view.register?.address}
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
            {banners}
            <StepAfterProvider
              value={fills ? null : <DrawingsBeside setup={setup} step={current.step} across />}
            >
              {body}
            </StepAfterProvider>
          </View>
          <Scroll
            label="the numbers"
            width={widest ? 380 : 320}
            flexGrow={0}
            borderLeftWidth={1}
            borderColor="$line"
            backgroundColor="$card"
            contentContainerStyle={{ padding: 16, gap: 20 }}
            role="complementary"
          >
            {traceView}
            {fills && <DrawingsBeside setup={setup} step={current.step} />}
            <RegistersPanel solution={solution} onTrace={trace} />
            <RunActions
              program={document.programs.at(-1)?.name}
              onProgram={toProgram}
              onPlan={toPlan}
              onChanged={mayEnter ? () => setChanging(true) : undefined}
              keying={keying && { words: keying.words, turn: turnKeying }}
              onAgain={mayEnter ? toAgain : undefined}
            />
          </Scroll>
        </View>
        {changed}
      </View>
    )
  return (
    <View flex={1} height="100%" backgroundColor="$paper">
      <RunBar
        name={document.sheet.name}
        machine={document.sheet.machine.name}
        onMenu={() => setMenu(true)}
        onChanged={mayEnter ? () => setChanging(true) : undefined}
      />
      {banners}
      <Column gap={0}>
        {!low && (
          <Trail
            steps={steps}
            current={current.step.station}
            onStation={(station) => goTo(view.entrance(station))}
          />
        )}
        <Row justifyContent="space-between" paddingHorizontal="$3">
          <Words as="note" tone="act" strong numberOfLines={1}>
            {view.place}
          </Words>
          <Words as="note" numberOfLines={1} flexShrink={1}>
            {view.about}
          </Words>
        </Row>
      </Column>
      <View flex={1} minHeight={0} role="main">
        {body}
      </View>
      {changed}
      {menu && (
        <RunMenu
          steps={steps}
          current={current.step.station}
          program={document.programs.at(-1)?.name}
          onStation={(station) => {
            setMenu(false)
            goTo(view.entrance(station))
          }}
          onProgram={toProgram}
          onPlan={toPlan}
          keying={keying && { words: keying.words, turn: turnKeying }}
          onAgain={mayEnter ? toAgain : undefined}
          onClose={() => setMenu(false)}
        />
      )}
      {traceView && <Overlay onClose={() => setTraced(undefined)}>{traceView}</Overlay>}
    </View>
  )
}

interface StepBodyProps {
  readonly id: string
  readonly setup: StandingSetup
  readonly view: RunView
  readonly enter: Enter
  readonly onStep: (key: string | undefined) => void
  readonly onDone: (keyed?: Address) => void
  readonly onTrace: (title: string, chain: Chain) => void
}

function StepBody({ id, setup, view, enter, onStep, onDone, onTrace }: StepBodyProps) {
  const { document } = setup
  const { current, waitsFor, register } = view
  const { step } = current
  const parts = { setupId: id, setup, enter, onDone: () => onDone() }
  if (waitsFor !== undefined)
    return <NeededStep document={document} current={current} needed={waitsFor} onStep={onStep} />
  switch (step.does) {
    case 'sheet':
      return <SheetStep document={document} onDone={onDone} />
    case 'check':
      return (
        <CheckStep
          key={step.key}
          {...parts}
          // A zero that was found again mends what its loss had opened: what is open is asked afresh.
          onDone={
            step.check === 'home' && document.sheet.machine.homing !== 'axis-by-axis'
              ? () => onStep(undefined)
              : onDone
          }
          check={step.check}
          stop={step.stop}
          onStep={onStep}
        />
      )
    case 'read':
      return (
        <ReadingStep
          key={step.key}
          {...parts}
          onDone={onDone}
          quantity={step.quantity}
          onTrace={onTrace}
        />
      )
    case 'key-in':
      return (
        register && (
          <KeyInStep
            key={step.key}
            {...parts}
            register={register}
            onLater={() => onStep(view.later)}
            onStep={onStep}
            onTrace={onTrace}
          />
        )
      )
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
