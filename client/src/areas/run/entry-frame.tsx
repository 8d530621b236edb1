import type { ReactNode } from 'react'
import { ScrollView, useMedia, View } from 'tamagui'
import { Button } from '@/kit/button'
import { Keypad, type KeypadProps } from '@/kit/keypad'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'

export interface EntryFrameProps extends Pick<
  KeypadProps,
  'onType' | 'onDelete' | 'onSign' | 'onUnit' | 'onNext' | 'next'
> {
  /** What to do and how it looks; scrolls where there is little room. */
  readonly children: ReactNode
  /** The numbers that are typed, and what they mean. */
  readonly numbers: ReactNode
  readonly problem?: string | undefined
  /** Shown last where there is room: a wide screen shows more, not bigger. */
  readonly after?: ReactNode
}

/** A step that takes numbers: what to do, the numbers, and on a phone the keys under the thumb. */
export function EntryFrame({ children, numbers, problem, after, next, ...keys }: EntryFrameProps) {
  const { wide, short } = useMedia()
  const told = problem !== undefined && (
    <Words as="note" tone="wrong" role="alert">
      {problem}
    </Words>
  )
  if (wide)
    return (
      <ScrollView flex={1} contentContainerStyle={{ padding: 24, gap: 14 }}>
        {children}
        {numbers}
        {told}
        <Row justifyContent="flex-end">
          <Button kind="act" onPress={keys.onNext} testID="next">
            {next} (Enter)
          </Button>
        </Row>
        {after}
      </ScrollView>
    )
  if (short)
    return (
      <ScrollView flex={1} contentContainerStyle={{ gap: 8 }}>
        <Column padding="$3">
          {children}
          {numbers}
          {told}
        </Column>
        <Keypad {...keys} next={next} />
      </ScrollView>
    )
  return (
    <View flex={1} minHeight={0}>
      <ScrollView flex={1} contentContainerStyle={{ padding: 12, paddingTop: 6, gap: 8 }}>
        {children}
      </ScrollView>
      <Column paddingHorizontal="$3" paddingTop="$1" paddingBottom="$2" gap={4}>
        {numbers}
        {told}
      </Column>
      <Keypad {...keys} next={next} />
    </View>
  )
}
