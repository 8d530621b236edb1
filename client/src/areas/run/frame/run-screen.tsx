import { useRouter } from 'expo-router'
import { memo, useCallback, useState } from 'react'
import { useMedia, View } from '@tamagui/core'
import type { Address } from '@pine/core/address'
import { type Chain } from '@pine/core/chain'
import { useMay } from '@/data/server/session'
import type { Enter } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { AppBar } from '@/kit/frame/app-bar'
import { Overlay } from '@/kit/frame/overlay'
import { Scroll } from '@/kit/frame/scroll'
import { useLatest } from '@/kit/use-latest'
import { Column, Row } from '@/kit/surfaces'
import { stepName } from '@pine/core/words'
import { Words } from '@/kit/words'
import { RecheckNext } from '@/areas/quick/recheck-next'
import { QuickNext } from '@/areas/quick/quick-next'
import { BackTo } from './back-to'
import { NoteEntry } from './banners/note-banner'
import { RowsStand } from './banners/rows-stand'
import { OfferedFirst } from '../kept/offered-first'
import { DrawingsBeside } from './beside/drawings-beside'
import { fillsTheMiddle } from './beside/drawings-view'
import { LookingOn } from './looking-on'
import { OpenedSetup } from './opened-setup'
import { RunActions, type SetupPage } from './run-actions'
import { RunBanners } from './banners/run-banners'
import { RunBar } from './run-bar'
import { RunMenu } from './run-menu'
import { keyingView, lastTouch, runView } from './run-view'
import { RegistersPanel } from './beside/registers-panel'
import { SomethingChanged } from './banners/something-changed'
import { StepAfterProvider } from './beside/step-after'
import { StepBody } from './step-body'
import { StepsRail } from './beside/steps-rail'
import { TraceView } from './beside/trace-view'
import { Trail } from './beside/trail'

/** Somewhere else for a moment: where from, and the touch that is made once more there. */
interface Jump {
  readonly from: string
  readonly again?: string
}

/** The run of one set-up. The step is in the address, so that a reload or another device finds it. */
export function RunScreen({ id, stepKey }: { id: string; stepKey: string | undefined }) {
  return (
    <OpenedSetup id={id}>
      {(setup, enter) => <Run id={id} setup={setup} enter={enter} stepKey={stepKey} />}
    </OpenedSetup>
  )
}

interface RunProps {
  readonly id: string
  readonly setup: LoadedSetup
  readonly enter: Enter
  readonly stepKey: string | undefined
}

/** Drawn anew for another step or another fact, and not for an entry that has arrived. */
const Run = memo(function Run({ id, setup, enter, stepKey }: RunProps) {
  const router = useRouter()
  const { wide, widest, low } = useMedia()
  const [traced, setTraced] = useState<{ title: string; chain: Chain }>()
  const { document, solution, steps } = setup
  const view = runView(setup, stepKey)
  const { current } = view
  const fills = fillsTheMiddle(current.step) && view.waitsFor === undefined
  const [jump, setJump] = useState<Jump>()
  const goTo = (step: string | undefined) => {
    setTraced(undefined)
    setJump(undefined)
    router.setParams({ step })
  }
  /** Elsewhere for a moment: the way back is kept, and what is done there leads back. */
  const jumpTo = (to: string, again = false) => {
    const from = jump?.from ?? current.step.key
    goTo(to)
    setMenu(false)
    if (to !== from) setJump({ from, ...(again && { again: to }) })
  }
  const toPage = (page: SetupPage) => router.push({ pathname: `/setups/${page}`, params: { id } })
  // The same for as long as the set-up is open, so that a key that is typed draws nothing anew for it.
  const trace = useCallback((title: string, chain: Chain) => setTraced({ title, chain }), [])
  // A quick one goes to what is open, and once nothing is asks what comes next.
  const isQuick = document.sheet.quick !== undefined
  const onDone = (keyed?: Address) =>
    goTo(jump?.from ?? (isQuick ? undefined : view.following(keyed)))
  const back =
    jump && steps.find(({ step }) => step.key === jump.from && step.key !== current.step.key)
  const last = lastTouch(setup)
  const [changing, setChanging] = useState(false)
  const [menu, setMenu] = useState(false)
  const openMenu = useLatest(() => setMenu(true))
  const tellChange = useLatest(() => setChanging(true))
  const [aside, setAside] = useState<'note' | 'stands'>()
  const closeAside = () => {
    setAside(undefined)
    setMenu(false)
  }
  const asideView = aside && (
    <Overlay onClose={() => setAside(undefined)}>
      {aside === 'note' ? (
        <NoteEntry enter={enter} onClose={closeAside} />
      ) : (
        <RowsStand setup={setup} enter={enter} onClose={closeAside} />
      )}
    </Overlay>
  )
  const changed = changing && (
    <Overlay onClose={() => setChanging(false)}>
      <SomethingChanged
        setup={setup}
        enter={enter}
        onClose={() => setChanging(false)}
        onEntered={() => {
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
  const isIdle = isQuick && setup.next === undefined && stepKey === undefined
  const body =
    isIdle && mayEnter ? (
      document.sheet.quick === 'recheck' ? (
        <RecheckNext setup={setup} enter={enter} />
      ) : (
        <QuickNext id={id} setup={setup} enter={enter} />
      )
    ) : mayEnter ? (
      <OfferedFirst
        setupId={id}
        setup={setup}
        // What is measured again is not taken over.
        current={
          view.waitsFor === undefined && document.sheet.quick !== 'recheck' ? current : undefined
        }
        enter={enter}
        onDone={() => goTo(undefined)}
      >
        <StepBody
          id={id}
          setup={setup}
          view={view}
          enter={enter}
          again={jump?.again === current.step.key}
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
      onStep={jumpTo}
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
              onPage={toPage}
              onChanged={mayEnter ? tellChange : undefined}
              onNote={mayEnter ? () => setAside('note') : undefined}
              onStands={mayEnter ? () => setAside('stands') : undefined}
              lastTouch={last && { name: last.name, again: () => jumpTo(last.key, true) }}
              keying={keying && { words: keying.words, turn: turnKeying }}
              mayEnter={mayEnter}
            />
          </Scroll>
        </View>
        {changed}
        {asideView}
      </View>
    )
  return (
    <View flex={1} height="100%" backgroundColor="$paper">
      <RunBar
        name={document.sheet.name}
        machine={document.sheet.machine.name}
        onMenu={openMenu}
        onChanged={mayEnter ? tellChange : undefined}
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
          {back === undefined ? (
            <Words as="note" numberOfLines={1} flexShrink={1}>
              {view.about}
            </Words>
          ) : (
            <BackTo name={stepName(document, back.step)} onPress={() => goTo(back.step.key)} />
          )}
        </Row>
      </Column>
      <View flex={1} minHeight={0} role="main">
        {body}
      </View>
      {changed}
      {menu && (
        <RunMenu
          document={document}
          steps={steps}
          current={current}
          program={document.programs.at(-1)?.name}
          onStep={jumpTo}
          lastTouch={last && { name: last.name, again: () => jumpTo(last.key, true) }}
          onNote={mayEnter ? () => setAside('note') : undefined}
          onStands={mayEnter ? () => setAside('stands') : undefined}
          onPage={toPage}
          keying={keying && { words: keying.words, turn: turnKeying }}
          mayEnter={mayEnter}
          onClose={() => setMenu(false)}
        />
      )}
      {asideView}
      {traceView && <Overlay onClose={() => setTraced(undefined)}>{traceView}</Overlay>}
    </View>
  )
})
