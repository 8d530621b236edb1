import { useId, type Ref } from 'react'
import type { LengthUnit } from '@pine/core/length'
import { styled, View, type TamaguiElement } from '@tamagui/core'
import { Input } from '@tamagui/input'
import { Column, Row } from '../surfaces'
import { Words } from '../words'

export const Entry = styled(Input, {
  name: 'Entry',
  unstyled: true,
  minHeight: '$touch',
  width: '100%',
  paddingHorizontal: '$3',
  borderRadius: '$small',
  borderWidth: 2,
  borderColor: '$edge',
  backgroundColor: '$card',
  color: '$ink',
  fontFamily: '$body',
  fontSize: '$lead',
  focusStyle: { borderColor: '$act' },
  variants: {
    wrong: { true: { borderColor: '$wrong' } },
    digits: { true: { fontFamily: '$mono' } },
  } as const,
})

export interface FieldProps {
  readonly label: string
  readonly value: string
  readonly onChange: (text: string) => void
  /** What is wrong, and what to do. */
  readonly problem?: string | undefined
  readonly note?: string
  /** Shown beside a length, and changed by a tap where `onUnit` is given. */
  readonly unit?: LengthUnit
  readonly onUnit?: () => void
  readonly digits?: boolean
  readonly hint?: string
  readonly testID?: string
  /** Where a form puts the cursor when something is wrong here. */
  readonly ref?: Ref<TamaguiElement>
}

/** A labelled entry. The label stays, the unit stands beside the number, a problem stands below. */
export function Field({
  label,
  value,
  onChange,
  problem,
  note,
  unit,
  onUnit,
  digits = unit !== undefined,
  hint,
  testID,
  ref,
}: FieldProps) {
  const id = useId()
  const problemId = `${id}-problem`
  return (
    <Column gap="$1" flexGrow={1} flexShrink={1}>
      <Words as="note" render={<label htmlFor={id} />}>
        {label}
      </Words>
      <Row>
        <View flex={1}>
          <Entry
            id={id}
            ref={ref as never}
            value={value}
            onChangeText={onChange}
            digits={digits}
            wrong={problem !== undefined}
            placeholder={hint && `such as ${hint}`}
            // A keypad for decimals has no stroke for a fraction of an inch.
            inputMode={digits && unit !== 'in' ? 'decimal' : 'text'}
            aria-invalid={problem !== undefined}
            aria-describedby={problem === undefined ? undefined : problemId}
            testID={testID}
            autoComplete="off"
          />
        </View>
        {unit !== undefined && (
          <View
            {...(onUnit
              ? {
                  render: 'button' as const,
                  onPress: onUnit,
                  'aria-label': `unit ${unit}, change`,
                  cursor: 'pointer' as const,
                  backgroundColor: '$card' as const,
                  borderWidth: 1,
                  borderColor: '$edge' as const,
                  borderRadius: '$small' as const,
                }
              : {})}
            minHeight="$touch"
            minWidth={44}
            alignItems="center"
            justifyContent="center"
          >
            <Words tone={onUnit ? 'act' : 'soft'}>{unit}</Words>
          </View>
        )}
      </Row>
      {problem !== undefined && (
        <Words id={problemId} as="note" tone="wrong" role="alert">
          {problem}
        </Words>
      )}
      {note !== undefined && problem === undefined && <Words as="note">{note}</Words>}
    </Column>
  )
}
