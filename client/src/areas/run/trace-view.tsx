import { format } from 'date-fns'
import { View } from 'tamagui'
import {
  describeCoefficient,
  describeRole,
  expandedUncertainty,
  formatLength,
  traceOf,
  typographic,
  valueOf,
  type Chain,
  type Solution,
} from '@pine/core'
import { Button } from '@/kit/button'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { lengthWriter } from './write-length'

export interface TraceViewProps {
  readonly title: string
  readonly chain: Chain
  readonly solution: Solution
  readonly onClose: () => void
}

/** How a number came: its terms as a sum, each with who read it and when. */
export function TraceView({ title, chain, solution, onClose }: TraceViewProps) {
  return (
    <Column role="region" aria-label={`Where ${title} comes from`} gap="$2" testID="trace">
      <Row justifyContent="space-between">
        <Words as="title">{title}, how it came</Words>
        <Button kind="plain" onPress={onClose}>
          Close
        </Button>
      </Row>
      <Card overflow="hidden">
        {traceOf(chain).map((line, index) => (
          <Row
            key={line.sourceId}
            paddingHorizontal="$3"
            paddingVertical="$2"
            borderTopWidth={index === 0 ? 0 : 1}
            borderColor="$line"
            alignItems="baseline"
          >
            <Column flex={1} gap={0}>
              <Words>{describeRole(line.role)}</Words>
              <Words as="note">
                {line.kind === 'reading'
                  ? `${line.by}, ${line.at ? format(new Date(line.at), 'd MMM yyyy, HH:mm') : ''}`
                  : line.name}
              </Words>
            </Column>
            <Digits as="lead">
              {describeCoefficient(line)} {typographic(line.text)} {line.unit}
            </Digits>
          </Row>
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
    </Column>
  )
}
