import { memo } from 'react'
import { StyleSheet, View as Plain } from 'react-native'
import { View } from '@tamagui/core'
import { type Chain } from '@pine/core/chain'
import { formatLength, type Nanometres } from '@pine/core/length'
import { type Implied } from '@pine/core/plan'
import { causeName } from '@pine/core/slips'
import { type Solution } from '@pine/core/solve'
import { describeImplied, describeCause, typographic } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { lengthWriter } from '../frame/entry/write-length'

export interface ImpliedLineProps {
  readonly implied: Implied | undefined
  readonly solution: Solution
  /** The length of the same tool last time, to hold today's against. */
  readonly lastTime?: string | undefined
  /** What should be read, before it is. */
  readonly expected?: string | undefined
  /** Offers a rule to be held to the tool, where nothing tells its length yet. */
  readonly onRule?: (() => void) | undefined
  /** How far the repeats of this touch lie apart, the one being typed counted in. */
  readonly spread?: Nanometres | undefined
  readonly onTrace: (title: string, chain: Chain) => void
}

/** What the number means, while it is typed: the length, the face, the size against the drawing. */
export function ImpliedLine({
  implied,
  solution,
  lastTime,
  expected,
  onRule,
  spread,
  onTrace,
}: ImpliedLineProps) {
  if (implied === undefined)
    return (
      <Row minHeight={28} justifyContent="space-between" flexWrap="wrap">
        <Words as="note" flexGrow={1} flexShrink={1} flexBasis={160}>
          {onRule !== undefined
            ? 'Nothing tells how long it is yet.'
            : expectedWords(expected, lastTime)}
        </Words>
        {onRule && (
          <Button kind="plain" onPress={onRule} testID="hold-rule">
            Hold a rule to it
          </Button>
        )}
      </Row>
    )
  const write = lengthWriter(solution)
  const name = describeImplied(implied)
  return (
    <Plain aria-live="polite" style={styles.lines}>
      <Plain style={styles.line}>
        <Name>{name}</Name>
        <View
          render="button"
          backgroundColor="transparent"
          borderWidth={0}
          padding={0}
          // The number is small, what can be hit is not.
          minHeight={44}
          minWidth={44}
          marginVertical={-8}
          justifyContent="center"
          cursor="pointer"
          aria-label={`${name}: where this number comes from`}
          onPress={() => onTrace(name, implied.chain)}
        >
          <Digits
            as="lead"
            fontSize={22}
            fontWeight="600"
            textDecorationLine="underline"
            textDecorationStyle="dotted"
            testID="implied"
          >
            {write(implied.value)}
          </Digits>
        </View>
        <Note>{solution.unit}</Note>
        {spread !== undefined && <Words as="note">spread {write(spread)}</Words>}
        {lastTime !== undefined && <Words as="note">last time {lastTime}</Words>}
        {implied.edge && (
          <Words as="note" tone={implied.edge.agrees === false ? 'wrong' : 'soft'}>
            off over the part’s length{implied.edge.agrees === false ? ', TOO MUCH' : ''}
          </Words>
        )}
        {implied.size && (
          <Words as="note" tone={implied.size.agrees ? 'soft' : 'wrong'}>
            size {write(implied.size.implied)}, drawing {write(implied.size.drawing)} ±
            {typographic(formatLength(implied.size.tolerance, solution.unit, solution.decimals))}
            {implied.size.agrees ? ' agrees' : ' DISAGREES'}
          </Words>
        )}
      </Plain>
      {implied.size?.causes.slice(0, 2).map((cause) => (
        <Words key={causeName(cause)} as="note" tone="wrong">
          {describeCause(cause).title}. {describeCause(cause).look}
        </Words>
      ))}
    </Plain>
  )
}

/** What stays the same while a number is typed is not drawn anew with it. */
const Name = memo(function Name({ children }: { children: string }) {
  return <Words>{children}</Words>
})
const Note = memo(function Note({ children }: { children: string }) {
  return <Words as="note">{children}</Words>
})

const styles = StyleSheet.create({
  lines: { gap: 2 },
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', gap: 8 },
})

function expectedWords(expected: string | undefined, lastTime: string | undefined): string {
  if (expected !== undefined) return `Expected ${expected}`
  return lastTime === undefined
    ? 'Type what you read; what it means stands here.'
    : `Last time it measured ${lastTime}.`
}
