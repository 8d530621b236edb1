import { GAUGE_FACTS } from '@pine/core/touch'
import { MEASURE_NAMES } from '@pine/core/words'
import { type CheckOff } from '@pine/core/facts'
import { knownPlaces } from '@pine/core/plan'
import { gaugesElsewise } from '@pine/core/freshness'
import { useSession } from '@/data/server/session'
import { useGauges } from '@/data/shop/shop'
import { ProgramDrawing } from '@/drawings/program-drawing'
import { Button } from '@/kit/button'
import { ReasonField } from '@/kit/entry/reason-field'
import { Card, Line, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { RegistersPanel } from '../frame/beside/registers-panel'
import type { StepProps } from '../frame/step-props'
import { AirCutStep } from '../prove/air-cut-step'
import { ProgramStep } from '../prove/program-step'
import { FirstPartStep } from '../release/first-part-step'
import { CheckFrame } from '../frame/entry/check-frame'
import {
  checkView,
  cutViews,
  gaugeElsewiseView,
  heldBecause,
  holdingView,
  holdsAgainstAdvice,
  type SimpleCheck,
} from './check-view'
import { HomeAgainStep } from './home-again-step'
import { HomeAxesStep } from './home-axes-step'
import { HomeMarksStep } from './home-marks-step'
import { PartZeroStep } from './part-zero-step'

export interface CheckStepProps extends StepProps {
  readonly check: CheckOff['of']
  /** The tool whose turn it is, where one tool is set at a time. */
  readonly stop?: number | undefined
  readonly onStep: (key: string) => void
}

/** A step that is seen to: home, clean, gauges, the part held, the program, the dry run, the first part, a second look. */
export function CheckStep(props: CheckStepProps) {
  const { check, setup } = props
  const { homing } = setup.document.sheet.machine
  if (check === 'home' && homing === 'marks') return <HomeMarksStep {...props} />
  if (check === 'home' && knownPlaces(setup.document).length > 0)
    return <HomeAgainStep {...props} />
  if (check === 'home' && homing === 'axis-by-axis') return <HomeAxesStep {...props} />
  if (check === 'part-zero') return <PartZeroStep {...props} />
  if (check === 'program') return <ProgramStep {...props} />
  if (check === 'air-cut') return <AirCutStep {...props} />
  if (check === 'first-part') return <FirstPartStep {...props} />
  return <SimpleStep {...props} check={check} />
}

function SimpleStep({
  check,
  stop,
  setup,
  enter,
  onDone,
}: CheckStepProps & { check: SimpleCheck }) {
  const { person } = useSession()
  const { words, seen, barred, text, facts } = checkView(setup, check, person, stop)
  const see = () => {
    for (const draft of facts) void enter(draft)
    onDone()
  }
  return (
    <CheckFrame
      words={words}
      foot={
        check === 'holding' && holdsAgainstAdvice(setup) ? (
          <ReasonField
            offer="It holds all the same"
            question="Why does it hold?"
            confirm="It sits and holds"
            onReason={(reason) => {
              void enter(heldBecause(reason))
              onDone()
            }}
          />
        ) : barred === undefined ? (
          <Button kind="act" focused onPress={see} testID="next">
            {text}
          </Button>
        ) : (
          <Words as="lead" tone="wrong">
            {barred}
          </Words>
        )
      }
    >
      {check === 'gauges' && <GaugeList setup={setup} />}
      {check === 'gauges' && <GaugesElsewise setup={setup} enter={enter} />}
      {check === 'holding' && <HoldingLines setup={setup} />}
      {check === 'cut' && <CutPicture setup={setup} tool={stop} />}
      {check === 'look' && <RegistersPanel solution={setup.solution} onTrace={() => undefined} />}
      {seen !== undefined && <Words as="note">{seen}</Words>}
    </CheckFrame>
  )
}

/** One tool at a time: where the program goes with the one whose turn it is. */
function CutPicture({ setup, tool }: Pick<StepProps, 'setup'> & { tool: number | undefined }) {
  return cutViews(setup, tool).map(({ view, label }) => (
    <Card key={view.row}>
      <ProgramDrawing view={view} up="Y" height={210} tool={tool} label={label} />
    </Card>
  ))
}

/** Each gauge with its true size, large enough to be held beside the thing itself. */
function GaugeList({ setup: { document } }: Pick<StepProps, 'setup'>) {
  return (
    <Card overflow="hidden">
      {document.sheet.gauges.map(({ id, name, kind, size }, index) => (
        <Line key={id} apart first={index === 0}>
          <Words as="lead">{name}</Words>
          <Row gap="$2" alignItems="baseline">
            <Words as="note">{MEASURE_NAMES[GAUGE_FACTS[kind].measure]}</Words>
            <Digits as="lead">
              {size.text} {size.unit}
            </Digits>
          </Row>
        </Line>
      ))}
    </Card>
  )
}

/** Gauges that the shop has corrected since the sheet was written: each is taken over, or not. */
function GaugesElsewise({ setup: { document }, enter }: Pick<StepProps, 'setup' | 'enter'>) {
  const { gauges = [] } = useGauges()
  return gaugesElsewise(document, gauges).map((one) => {
    const { draft, words, takes } = gaugeElsewiseView(one)
    return (
      <Card key={one.gauge} padded tone="wrong" role="alert" testID="gauge-elsewise">
        <Words tone="wrong">{words}</Words>
        <Button onPress={() => void enter(draft)}>{takes}</Button>
      </Card>
    )
  })
}

/** Grip and what stands out, worked out from jaws and parallels. */
function HoldingLines({ setup }: Pick<StepProps, 'setup'>) {
  const view = holdingView(setup)
  if (view === undefined) return null
  return (
    <>
      <Card overflow="hidden">
        {view.lines.map(({ name, text }, index) => (
          <Line key={name} apart first={index === 0}>
            <Words>{name}</Words>
            <Digits as="lead">{text}</Digits>
          </Line>
        ))}
      </Card>
      {view.wrong.map(({ key, words }) => (
        <Words key={key} tone="wrong" strong role="alert">
          {words}
        </Words>
      ))}
    </>
  )
}
