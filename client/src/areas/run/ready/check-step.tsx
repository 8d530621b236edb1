import { v7 as uuid } from 'uuid'
import { type CheckOff } from '@pine/core/facts'
import { isSamePerson } from '@pine/core/journal'
import { standingCheckOff } from '@pine/core/plan'
import { GAUGE_FACTS } from '@pine/core/touch'
import { describeCheck, describeWarning, MEASURE_NAMES } from '@pine/core/words'
import { useSession } from '@/data/session'
import { Button } from '@/kit/button'
import { Card, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { AirCutStep } from '../prove/air-cut-step'
import { CheckFrame } from './check-frame'
import { FirstPartStep } from '../release/first-part-step'
import { HomeMarksStep } from './home-marks-step'
import { ProgramStep } from '../prove/program-step'
import { RegistersPanel } from '../frame/registers-panel'
import type { StepProps } from '../frame/step-props'
import { lengthWriter } from '../frame/write-length'

export interface CheckStepProps extends StepProps {
  readonly check: CheckOff['of']
}

/** A step that is seen to: home, clean, gauges, the part held, the program, the air cut, the first part, a second look. */
export function CheckStep(props: CheckStepProps) {
  const { check, setup } = props
  if (check === 'home' && setup.document.sheet.machine.homing === 'marks')
    return <HomeMarksStep {...props} />
  if (check === 'program') return <ProgramStep {...props} />
  if (check === 'air-cut') return <AirCutStep {...props} />
  if (check === 'first-part') return <FirstPartStep {...props} />
  return <SimpleCheck {...props} check={check} />
}

function SimpleCheck({
  check,
  setup,
  enter,
  onDone,
}: StepProps & { check: Exclude<CheckOff['of'], 'program' | 'air-cut' | 'first-part'> }) {
  const { document } = setup
  const words = describeCheck(document.sheet, check)
  const done = standingCheckOff(document, check)
  const { person } = useSession()
  const keyedBySame =
    check === 'look' &&
    person &&
    document.keyIns.some(({ by }) => isSamePerson(by, person)) &&
    done === undefined
  const see = () => {
    if (done === undefined) void enter({ id: uuid(), kind: 'check-off', body: { of: check } })
    onDone()
  }
  return (
    <CheckFrame
      words={words}
      foot={
        keyedBySame ? (
          <Words as="lead" tone="wrong">
            {person?.name} keyed numbers in here. Somebody else signs in and looks.
          </Words>
        ) : (
          <Button kind="act" focused onPress={see} testID="next">
            {done === undefined ? words.done : 'Next'}
          </Button>
        )
      }
    >
      {check === 'gauges' && <GaugeList setup={setup} />}
      {check === 'holding' && <HoldingLines setup={setup} />}
      {check === 'look' && <RegistersPanel solution={setup.solution} onTrace={() => undefined} />}
      {done && (
        <Words as="note">
          seen to by {done.by.name}
          {done.leftOut === undefined ? '' : `, left out: ${done.leftOut}`}
        </Words>
      )}
    </CheckFrame>
  )
}

/** Each gauge with its true size, large enough to be held beside the thing itself. */
function GaugeList({ setup: { document } }: Pick<StepProps, 'setup'>) {
  return (
    <Card overflow="hidden">
      {document.sheet.gauges.map(({ id, name, kind, size }, index) => (
        <Row
          key={id}
          justifyContent="space-between"
          minHeight="$touch"
          paddingHorizontal="$3"
          borderTopWidth={index === 0 ? 0 : 1}
          borderColor="$line"
        >
          <Words as="lead">{name}</Words>
          <Row gap="$2" alignItems="baseline">
            <Words as="note">{MEASURE_NAMES[GAUGE_FACTS[kind].measure]}</Words>
            <Digits as="lead">
              {size.text} {size.unit}
            </Digits>
          </Row>
        </Row>
      ))}
    </Card>
  )
}

/** Grip and what stands out, worked out from jaws and parallels. */
function HoldingLines({ setup: { document, solution } }: Pick<StepProps, 'setup'>) {
  const { holding, unit } = solution
  if (holding === undefined) return null
  const write = lengthWriter(solution)
  const { jaw, parallels } = document.sheet.holding ?? {}
  const lines = [
    ['Jaws', jaw && `${jaw.text} ${jaw.unit}`],
    ['Parallels', parallels && `${parallels.text} ${parallels.unit}`],
    ['The jaws grip', `${write(holding.grip)} ${unit}`],
    ['The part stands out', `${write(holding.protrusion)} ${unit}`],
    ['Deepest side cut clears by', holding.clear && `${write(holding.clear)} ${unit}`],
  ] as const
  const wrong = solution.warnings.filter(({ place }) => place === 'holding')
  return (
    <>
      <Card overflow="hidden">
        {lines.flatMap(([name, value], index) =>
          value === undefined
            ? []
            : [
                <Row
                  key={name}
                  justifyContent="space-between"
                  minHeight="$touch"
                  paddingHorizontal="$3"
                  borderTopWidth={index === 0 ? 0 : 1}
                  borderColor="$line"
                >
                  <Words>{name}</Words>
                  <Digits as="lead">{value}</Digits>
                </Row>,
              ],
        )}
      </Card>
      {wrong.map((warning) => (
        <Words key={warning.code} tone="wrong" strong role="alert">
          {describeWarning(warning, (nm) => `${write(nm)} ${unit}`)}
        </Words>
      ))}
    </>
  )
}
