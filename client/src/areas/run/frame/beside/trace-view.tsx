import { View } from '@tamagui/core'
import { expandedUncertainty } from '@pine/core/budget'
import { traceOf, valueOf, type Chain } from '@pine/core/chain'
import { formatLength } from '@pine/core/length'
import { quantityKey } from '@pine/core/quantities'
import { adviceForRegister } from '@pine/core/registers'
import { needOf } from '@pine/core/sheet'
import {
  describeAdvice,
  describeRole,
  describeStale,
  describeTerm,
  describeVerdict,
  saysSomething,
} from '@pine/core/words'
import type { LoadedSetup } from '@/data/setup/standing'
import { Button } from '@/kit/button'
import { Card, Column, Line, Row } from '@/kit/surfaces'
import { momentWords } from '@/kit/when'
import { Digits, Words } from '@/kit/words'
import { lengthWriter } from '../entry/write-length'

export interface TraceViewProps {
  readonly title: string
  readonly chain: Chain
  readonly setup: Pick<LoadedSetup, 'document' | 'solution' | 'steps'>
  /** To the step that a number was read at. */
  readonly onStep?: (key: string) => void
  readonly onClose: () => void
}

/** How a number came: its terms as a sum, each with who read it and when. */
export function TraceView({ title, chain, setup, onStep, onClose }: TraceViewProps) {
  const { solution } = setup
  const readings = readingSteps(setup, chain)
  return (
    <Column role="region" aria-label={`Where ${title} comes from`} gap="$2" testID="trace">
      <Row justifyContent="space-between">
        <Words as="title">{title}, how it came</Words>
        <Button kind="plain" onPress={onClose}>
          Close
        </Button>
      </Row>
      <Card overflow="hidden">
        {traceOf(chain)
          .filter(saysSomething)
          .map((line, index) => (
            <Line
              key={line.sourceId}
              paddingVertical="$2"
              first={index === 0}
              alignItems="baseline"
              flexWrap="wrap"
            >
              <Column flexGrow={1} flexBasis={170} gap={0}>
                <Words>{describeRole(line.role)}</Words>
                <Words as="note">
                  {line.kind === 'reading'
                    ? `${line.by}, ${line.at ? momentWords(line.at) : ''}`
                    : line.name}
                </Words>
              </Column>
              {/* Where there is no room beside its words, beneath them. */}
              <Row alignItems="baseline" marginLeft="auto">
                <Digits as="lead">
                  {describeTerm(line, index === 0)} {line.unit}
                </Digits>
                <ToStep step={readings.get(line.sourceId)} onStep={onStep} />
              </Row>
            </Line>
          ))}
        <View borderTopWidth={2} borderColor="$ink">
          <Row justifyContent="space-between" paddingHorizontal="$3" paddingVertical="$2">
            <Words strong>{title}</Words>
            <Digits as="number">
              {lengthWriter(solution)(valueOf(chain))} {solution.unit}
            </Digits>
          </Row>
        </View>
      </Card>
      <Words as="note">
        sure to ±{formatLength(expandedUncertainty(chain), solution.unit, solution.decimals)}{' '}
        {solution.unit}, 95 % (readings and gauges)
      </Words>
      <HowGood setup={setup} chain={chain} />
    </Column>
  )
}

/** Of each number that was read in this set-up: the step that it was read at. */
function readingSteps(
  { document, steps }: TraceViewProps['setup'],
  { terms }: Chain,
): ReadonlyMap<string, string> {
  return new Map(
    terms.flatMap(({ source }) => {
      const reading = document.readings.find(({ id }) => id === source.reading)
      const key = reading && quantityKey(reading)
      return key !== undefined && steps.some(({ step }) => step.key === key)
        ? [[source.id, key] as const]
        : []
    }),
  )
}

function ToStep({
  step,
  onStep,
}: {
  readonly step: string | undefined
  readonly onStep: TraceViewProps['onStep']
}) {
  if (step === undefined || onStep === undefined) return null
  return (
    <Button kind="plain" onPress={() => onStep(step)} label={`to the touch ${step}`}>
      Touch ›
    </Button>
  )
}

/** Whether it is sure enough for the job, what would make it so, and whether it still holds. */
function HowGood({
  setup: { document, solution },
  chain,
}: Pick<TraceViewProps, 'setup' | 'chain'>) {
  const register = solution.registers.find((one) => one.chain === chain)
  if (register === undefined) return null
  const { address, fitness, stale, accepted, state } = register
  const need = needOf(document.sheet, address)?.written
  const advice = adviceForRegister(document, register)
  return (
    <Column gap="$1" testID="how-good">
      {need && fitness && (
        <Words tone={fitness === 'fit' ? 'ink' : 'wrong'}>
          The job needs ±{need.text} {need.unit}: {describeVerdict(fitness)}.
          {advice ? ` Better: ${describeAdvice(advice)}.` : ''}
        </Words>
      )}
      <Words tone={state === 'stale' ? 'wrong' : 'ink'}>
        {stale
          ? `No longer good: ${describeStale(stale, document.sheet.gauges)}.`
          : 'Still good: nothing it counts on has moved.'}
        {accepted ? ` Accepted by ${accepted.by.name}: ${accepted.reason}.` : ''}
      </Words>
    </Column>
  )
}
