import { memo, useEffect, useRef, type ComponentRef } from 'react'
import type { LengthUnit } from '@pine/core/length'
import { StyleSheet, View as Plain } from 'react-native'
import { styled, useMedia, View } from '@tamagui/core'
import { Input } from '@tamagui/input'
import { useRoles } from '@/theme/use-roles'
import { Row } from '../surfaces'
import { Digits, Words } from '../words'

export interface ReadingFieldProps {
  readonly label: string
  /** A tap on it says which number it is; without it the label is words alone. */
  readonly onLabel?: () => void
  /** What it is read with, on the right of the label; a tap changes it. */
  readonly aside?: string
  readonly onAside?: () => void
  /** Another reading to take: the number is given the keys again. */
  readonly focusKey?: string
  /** What stands before the part that is typed. */
  readonly before?: string
  readonly placeholder?: string
  readonly value: string
  /** Empty where it is a number without one. */
  readonly unit: LengthUnit | ''
  readonly onChange: (text: string) => void
  readonly onSubmit: () => void
  readonly wrong?: boolean
  readonly describedBy?: string
}

/**
 * The one number of a step, large, with its unit. On a phone our own keys serve it, so the
 * device's keyboard stays down; a real keyboard works everywhere.
 */
export function ReadingField({
  label,
  onLabel,
  aside,
  onAside,
  focusKey,
  before,
  placeholder = '0.000',
  value,
  unit,
  onChange,
  onSubmit,
  wrong = false,
  describedBy,
}: ReadingFieldProps) {
  const { wide } = useMedia()
  const roles = useRoles()
  const input = useRef<ComponentRef<typeof Input>>(null)
  // Typing goes to the number at once: with a keyboard there is nothing to click first.
  useEffect(() => input.current?.focus(), [label, focusKey])
  return (
    // Plain views: they are drawn anew with every key.
    <Plain
      style={[
        styles.paper,
        { backgroundColor: roles.card, borderColor: wrong ? roles.wrong : roles.act },
      ]}
    >
      <Head label={label} onLabel={onLabel} aside={aside} onAside={onAside} />
      <Plain style={styles.line}>
        {before !== undefined && (
          <Digits as="reading" fontSize={38} lineHeight={48} fontWeight="600">
            {before}
          </Digits>
        )}
        <Input
          ref={input}
          unstyled
          flex={1}
          minWidth={0}
          value={value}
          onChangeText={onChange}
          onSubmitEditing={onSubmit}
          inputMode={wide ? 'decimal' : 'none'}
          aria-label={label}
          aria-invalid={wrong}
          aria-describedby={describedBy}
          testID="reading"
          autoComplete="off"
          placeholder={placeholder}
          placeholderTextColor="$line"
          color="$ink"
          backgroundColor="transparent"
          borderWidth={0}
          fontFamily="$mono"
          fontSize={38}
          fontWeight="600"
          height={48}
          padding={0}
          outlineWidth={0}
        />
        <Unit>{unit}</Unit>
      </Plain>
    </Plain>
  )
}

const styles = StyleSheet.create({
  paper: {
    borderRadius: 16,
    borderWidth: 3,
    paddingHorizontal: 12,
    paddingTop: 4,
    paddingBottom: 2,
  },
  line: { flexDirection: 'row', alignItems: 'baseline', gap: 8 },
})

/** The words are small, what can be hit is not. */
const Tapped = styled(View, {
  name: 'Tapped',
  render: 'button',
  minHeight: 44,
  marginVertical: -10,
  paddingHorizontal: 0,
  justifyContent: 'center',
  borderWidth: 0,
  backgroundColor: 'transparent',
  cursor: 'pointer',
})

/** What the number is: the same while it is typed. */
export const Head = memo(function Head({
  label,
  onLabel,
  aside,
  onAside,
}: {
  label: string
  onLabel?: (() => void) | undefined
  aside: string | undefined
  onAside: (() => void) | undefined
}) {
  return (
    <Row justifyContent="space-between">
      {onLabel === undefined ? (
        <Words as="note" numberOfLines={1} flexShrink={0}>
          {label}
        </Words>
      ) : (
        <Tapped onPress={onLabel} testID="which-number" flexShrink={0}>
          <Words as="note" numberOfLines={1}>
            {label} ▾
          </Words>
        </Tapped>
      )}
      {aside !== undefined && (
        <Tapped onPress={onAside} testID="with" flexShrink={1}>
          <Words as="note" tone="act" strong numberOfLines={1}>
            {aside}
          </Words>
        </Tapped>
      )}
    </Row>
  )
})

const Unit = memo(function Unit({ children }: { children: LengthUnit | '' }) {
  return (
    <Digits as="lead" tone="soft">
      {children}
    </Digits>
  )
})
