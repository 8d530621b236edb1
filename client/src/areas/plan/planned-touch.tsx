import { View } from '@tamagui/core'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { ReasonField } from '@/kit/entry/reason-field'
import { Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import type { PlanLine } from './plan-view'

export interface PlannedTouchProps {
  readonly line: PlanLine
  /** Its place in the order, from 0, and how many there are. */
  readonly place: number
  readonly count: number
  readonly open: boolean
  readonly onOpen: () => void
  readonly onMove: (to: number) => void
  readonly onWay: (way: number) => void
  readonly onLeaveOut: (reason: string) => void
}

/** A touch of the plan: with what, how long, how sure; opened, what else would do. */
export function PlannedTouch({
  line,
  place,
  count,
  open,
  onOpen,
  onMove,
  onWay,
  onLeaveOut,
}: PlannedTouchProps) {
  const { tool, name, how, takes, timed, sure, isUnsure, why, ways, chosen } = line
  return (
    <Column gap="$2" paddingRight="$3" paddingVertical="$2">
      <View
        render="button"
        flexDirection="column"
        alignItems="stretch"
        minHeight={56}
        padding={0}
        borderWidth={0}
        backgroundColor="transparent"
        cursor="pointer"
        onPress={onOpen}
        aria-expanded={open}
        testID={`planned-T${tool}`}
      >
        <Row justifyContent="space-between" gap="$2" alignItems="baseline">
          <Words as="lead" strong textAlign="left" flexShrink={1}>
            T{tool} {name}
          </Words>
          <Digits as="note">{takes}</Digits>
        </Row>
        <Row justifyContent="space-between" gap="$2" alignItems="baseline" flexWrap="wrap">
          <Words textAlign="left">{how}</Words>
          <Digits as="note" tone={isUnsure ? 'wrong' : 'soft'}>
            {sure}
          </Digits>
        </Row>
      </View>
      {open && (
        <Column gap="$3" testID={`about-T${tool}`}>
          <Words as="note">{why}</Words>
          <Words as="note">{timed}</Words>
          {ways.length > 1 && (
            <Choice
              label="Touched with"
              options={ways}
              value={chosen}
              onChange={(way) => onWay(Number(way))}
            />
          )}
          <Row>
            <Button grow disabled={place === 0} onPress={() => onMove(place - 1)}>
              Earlier
            </Button>
            <Button grow disabled={place === count - 1} onPress={() => onMove(place + 1)}>
              Later
            </Button>
          </Row>
          <ReasonField
            offer="Leave it out for now"
            question="Why is it left out?"
            confirm="Leave it out"
            onReason={onLeaveOut}
          />
        </Column>
      )}
    </Column>
  )
}
