import type { ReactNode } from 'react'
import { ScrollView as PlainScroll, StyleSheet, View as Plain } from 'react-native'
import { useMedia } from '@tamagui/core'
import { Button } from '@/kit/button'
import { Keypad, type KeypadProps } from '@/kit/entry/keypad'
import { Scroll } from '@/kit/frame/scroll'
import { Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { StepAfter } from '../beside/step-after'

export interface EntryFrameProps extends Pick<
  KeypadProps,
  | 'onType'
  | 'onDelete'
  | 'withoutPoint'
  | 'onSign'
  | 'onPlusOrMinus'
  | 'asksSign'
  | 'onUnit'
  | 'onNext'
  | 'next'
> {
  /** What to do and how it looks; scrolls where there is little room. */
  readonly children: ReactNode
  /** The numbers that are typed, and what they mean. */
  readonly numbers: ReactNode
  readonly problem?: string | undefined
  /** What can be pressed about it. */
  readonly remedy?: ReactNode
  /** Shown last where there is room: a wide screen shows more, not bigger. */
  readonly after?: ReactNode
}

/** A step that takes numbers: what to do, the numbers, and on a phone the keys under the thumb. */
export function EntryFrame({
  children,
  numbers,
  problem,
  remedy,
  after,
  next,
  ...keys
}: EntryFrameProps) {
  const { wide, tiny, lying } = useMedia()
  const trouble = problem !== undefined && (
    <>
      <Words as="note" tone="wrong" role="alert">
        {problem}
      </Words>
      {remedy}
    </>
  )
  if (wide)
    return (
      <Scroll label="what to do" flex={1} contentContainerStyle={{ padding: 24, gap: 14 }}>
        {children}
        {numbers}
        {trouble}
        <Row justifyContent="flex-end">
          <Button kind="act" onPress={keys.onNext} testID="next">
            {next} (Enter)
          </Button>
        </Row>
        {after}
        <StepAfter />
      </Scroll>
    )
  if (tiny)
    return (
      <Scroll label="what to do" flex={1} contentContainerStyle={{ gap: 8 }}>
        <Column padding="$3">
          {children}
          {numbers}
          {trouble}
        </Column>
        <Keypad {...keys} next={next} />
      </Scroll>
    )
  // Plain views: this frame is drawn anew with every key, and has nothing of the theme in it.
  const aboveKeys = (
    <Plain style={styles.frame}>
      {/* It scrolls where there is little room: by the keyboard as well, whether or not anything in it can be pressed. */}
      <PlainScroll
        style={styles.above}
        contentContainerStyle={styles.aboveContent}
        tabIndex={0}
        role="group"
        aria-label="what to do"
      >
        {children}
      </PlainScroll>
      <Plain style={styles.numbers}>
        {/* Many numbers give way before what is wrong and what can be pressed about it do: those stand above the keys, whole. */}
        <PlainScroll style={styles.givesWay}>{numbers}</PlainScroll>
        {trouble}
      </Plain>
    </Plain>
  )
  const pad = <Keypad {...keys} next={next} />
  return (
    <Plain style={lying ? styles.beside : styles.frame}>
      {aboveKeys}
      {lying ? <Plain style={styles.padBeside}>{pad}</Plain> : pad}
    </Plain>
  )
}

const styles = StyleSheet.create({
  frame: { flex: 1, minHeight: 0 },
  beside: { flex: 1, minHeight: 0, flexDirection: 'row' },
  padBeside: { flex: 1, minHeight: 0, justifyContent: 'flex-end' },
  above: { flex: 1 },
  aboveContent: { padding: 12, paddingTop: 6, gap: 8 },
  givesWay: { flexGrow: 0, flexShrink: 1 },
  // What goes on beneath it shows that it does.
  numbers: {
    flexShrink: 1,
    minHeight: 0,
    paddingHorizontal: 12,
    paddingTop: 4,
    paddingBottom: 8,
    gap: 4,
    boxShadow: '0 -7px 7px -7px rgba(10, 20, 16, 0.35)',
  },
})
