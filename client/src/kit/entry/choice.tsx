import { styled, View } from '@tamagui/core'
import { Digits, Words } from '../words'
import { Column, Row } from '../surfaces'

const Option = styled(View, {
  name: 'Option',
  render: 'button',
  minHeight: '$touch',
  minWidth: '$touch',
  alignItems: 'center',
  // A long answer wraps within its card.
  maxWidth: '100%',
  justifyContent: 'center',
  paddingHorizontal: '$3',
  paddingVertical: '$1',
  borderRadius: '$small',
  borderWidth: 2,
  borderColor: '$edge',
  backgroundColor: '$card',
  cursor: 'pointer',
  variants: { chosen: { true: { backgroundColor: '$act', borderColor: '$act' } } } as const,
})

export interface ChoiceProps<Value extends string> {
  /** What is asked. */
  readonly label: string
  readonly options: readonly {
    readonly value: Value
    readonly label: string
    /** What the control shows then. */
    readonly picture?: string
  }[]
  readonly value: Value | undefined
  readonly onChange: (value: Value) => void
  readonly note?: string
  /** What is wrong, and what to do. */
  readonly problem?: string | undefined
}

/** One of a few: all of them seen at once, one tap. */
export function Choice<Value extends string>({
  label,
  options,
  value,
  onChange,
  note,
  problem,
}: ChoiceProps<Value>) {
  return (
    <Column gap="$1" role="radiogroup" aria-label={label}>
      <Words as="note">{label}</Words>
      <Row flexWrap="wrap">
        {options.map((option) => (
          <Option
            key={option.value}
            role="radio"
            aria-checked={option.value === value}
            chosen={option.value === value}
            onPress={() => onChange(option.value)}
          >
            {option.picture !== undefined && (
              <Digits as="lead" color={option.value === value ? '$onAct' : '$ink'}>
                {option.picture}
              </Digits>
            )}
            <Words
              tone={option.value === value ? 'onAct' : 'ink'}
              strong={option.value === value}
              textAlign="left"
            >
              {option.label}
            </Words>
          </Option>
        ))}
      </Row>
      {problem !== undefined && (
        <Words as="note" tone="wrong" role="alert">
          {problem}
        </Words>
      )}
      {note !== undefined && <Words as="note">{note}</Words>}
    </Column>
  )
}

export interface SeveralProps {
  readonly label: string
  readonly options: readonly { readonly value: string; readonly label: string }[]
  readonly values: readonly string[]
  readonly onChange: (values: readonly string[]) => void
  /** Shown, and chosen, when nothing is; left out where nothing need be said of that. */
  readonly none?: string
}

/** Any number of a few, in the order in which they were chosen: what lay beneath, on what. */
export function Several({ label, options, values, onChange, none }: SeveralProps) {
  const toggle = (value: string) =>
    onChange(values.includes(value) ? values.filter((one) => one !== value) : [...values, value])
  return (
    <Column gap="$1" role="group" aria-label={label}>
      <Words as="note">{label}</Words>
      <Row flexWrap="wrap">
        {none !== undefined && (
          <Option
            role="checkbox"
            aria-checked={values.length === 0}
            chosen={values.length === 0}
            onPress={() => onChange([])}
          >
            <Words tone={values.length === 0 ? 'onAct' : 'ink'}>{none}</Words>
          </Option>
        )}
        {options.map((option) => {
          const chosen = values.includes(option.value)
          return (
            <Option
              key={option.value}
              role="checkbox"
              aria-checked={chosen}
              chosen={chosen}
              onPress={() => toggle(option.value)}
            >
              <Words tone={chosen ? 'onAct' : 'ink'} strong={chosen}>
                {option.label}
              </Words>
            </Option>
          )
        })}
      </Row>
    </Column>
  )
}
