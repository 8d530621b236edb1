import { memo, useEffect, useMemo, useRef } from 'react'
import { styled, View } from '@tamagui/core'
import Delete from 'lucide-react-native/icons/delete'
import { useRoles } from '@/theme/use-roles'
import { Digits, Words } from '../words'

const Key = styled(View, {
  name: 'Key',
  render: 'button',
  flexGrow: 1,
  flexBasis: 0,
  minHeight: 50,
  minWidth: 0,
  // A browser's own padding would make a row with fewer keys fall out of line.
  padding: 0,
  alignItems: 'center',
  justifyContent: 'center',
  borderRadius: 12,
  borderWidth: 1,
  borderColor: '$line',
  backgroundColor: '$key',
  cursor: 'pointer',
  pressStyle: { backgroundColor: '$readPaper' },
  $small: { minHeight: 44 },
  variants: {
    act: { true: { backgroundColor: '$act', borderColor: '$act' } },
    wanted: { true: { borderColor: '$act', borderWidth: 3 } },
  } as const,
})

export interface KeypadProps {
  readonly onType: (character: string) => void
  readonly onDelete: () => void
  /** Left out where no decimal is asked for. */
  readonly withoutPoint?: boolean
  /** Turns the sign; left out where a size is asked for, which has none. */
  readonly onSign?: () => void
  /** Plus and minus as keys of their own, where the sign is entered by itself; takes the places of the sign and the point. */
  readonly onPlusOrMinus?: (sign: '+' | '-') => void
  /** It is their turn. */
  readonly asksSign?: boolean
  readonly onUnit?: () => void
  readonly onNext: () => void
  readonly next: string
  /** Where no field takes what is typed: the keyboard of a wide screen presses these keys. */
  readonly byKeyboard?: boolean
}

/** What the keys are called, all of them together. */
const KEYS = 'number keys'

/** A longer word is written smaller: the key is a quarter of a small phone. */
const LONG_WORD = 5

const LINES = [
  ['7', '8', '9'],
  ['4', '5', '6'],
] as const

/** Keys made for numbers with oily thumbs: large, few, the next step under the thumb. */
export function Keypad({
  onType,
  onDelete,
  onSign,
  onPlusOrMinus,
  onUnit,
  onNext,
  byKeyboard = false,
  ...rest
}: KeypadProps) {
  // What the keys do changes with every number that is typed, what they look like does not: drawing
  // seventeen of them anew for each digit would be most of the work of a keystroke.
  const latest = useRef({ onType, onDelete, onSign, onPlusOrMinus, onUnit, onNext })
  useEffect(() => {
    latest.current = { onType, onDelete, onSign, onPlusOrMinus, onUnit, onNext }
  })
  const keys = useMemo(
    () => ({
      onType: (character: string) => latest.current.onType(character),
      onDelete: () => latest.current.onDelete(),
      onSign: () => latest.current.onSign?.(),
      onPlusOrMinus: (sign: '+' | '-') => latest.current.onPlusOrMinus?.(sign),
      onUnit: () => latest.current.onUnit?.(),
      onNext: () => latest.current.onNext(),
    }),
    [],
  )
  useEffect(() => listenToKeyboard(keys, byKeyboard), [byKeyboard, keys])
  return (
    <Keys
      {...keys}
      {...rest}
      withSign={onSign !== undefined}
      withPlusAndMinus={onPlusOrMinus !== undefined}
      withUnit={onUnit !== undefined}
    />
  )
}

/**
 * Digits, delete and Enter of the keyboard, until it is told to stop. Enter on a button presses that button. Where a field takes what
 * is typed, only while one of these keys has the focus: what is typed then would be lost.
 */
function listenToKeyboard(
  {
    onType,
    onDelete,
    onSign,
    onPlusOrMinus,
    onNext,
  }: Required<Pick<KeypadProps, 'onType' | 'onDelete' | 'onSign' | 'onPlusOrMinus' | 'onNext'>>,
  always: boolean,
): () => void {
  const onKey = ({ key, target, ctrlKey, metaKey, altKey }: KeyboardEvent) => {
    if (ctrlKey || metaKey || altKey) return
    const isOnKeys =
      target instanceof HTMLButtonElement && target.closest(`[aria-label="${KEYS}"]`) !== null
    if (!always && !isOnKeys) return
    if (/^\d$/.test(key) || (key === '.' && isOnKeys)) onType(key)
    else if (isOnKeys && (key === '-' || key === '+')) {
      if (key === '-') onSign()
      onPlusOrMinus(key)
    } else if (key === 'Backspace') onDelete()
    else if (key === 'Enter' && !(target instanceof HTMLButtonElement)) onNext()
  }
  window.addEventListener('keydown', onKey)
  return () => window.removeEventListener('keydown', onKey)
}

interface KeysProps extends Required<
  Pick<
    KeypadProps,
    'onType' | 'onDelete' | 'onSign' | 'onPlusOrMinus' | 'onUnit' | 'onNext' | 'next'
  >
> {
  readonly withoutPoint?: boolean
  readonly withSign: boolean
  readonly withPlusAndMinus: boolean
  readonly asksSign?: boolean
  readonly withUnit: boolean
}

const Keys = memo(function Keys({
  withoutPoint = false,
  withSign,
  withPlusAndMinus,
  asksSign = false,
  withUnit,
  onType,
  onDelete,
  onSign,
  onPlusOrMinus,
  onUnit,
  onNext,
  next,
}: KeysProps) {
  const roles = useRoles()
  const digit = (character: string) => (
    <Key
      key={character}
      onPress={() => onType(character)}
      aria-label={character === '.' ? 'decimal point' : character}
    >
      <Digits as="number" fontWeight="500">
        {character}
      </Digits>
    </Key>
  )
  const sign = (which: '+' | '-') => (
    <Key
      wanted={asksSign}
      onPress={() => onPlusOrMinus(which)}
      aria-label={which === '-' ? 'minus' : 'plus'}
    >
      <Digits as="number">{which === '-' ? '−' : '+'}</Digits>
    </Key>
  )
  return (
    <View backgroundColor="$tray" padding="$2" gap={6} role="group" aria-label={KEYS}>
      <View flexDirection="row" gap={6}>
        {LINES[0].map(digit)}
        <Key onPress={onDelete} aria-label="delete the last digit">
          <Delete size={26} color={roles.ink} aria-hidden />
        </Key>
      </View>
      <View flexDirection="row" gap={6}>
        {LINES[1].map(digit)}
        {withPlusAndMinus ? (
          sign('-')
        ) : withSign ? (
          <Key onPress={onSign} aria-label="change sign">
            <Digits as="number">±</Digits>
          </Key>
        ) : (
          <View flexGrow={1} flexBasis={0} />
        )}
      </View>
      <View flexDirection="row" gap={6}>
        <View flexGrow={3} flexBasis={12} gap={6}>
          <View flexDirection="row" gap={6}>
            {['1', '2', '3'].map(digit)}
          </View>
          <View flexDirection="row" gap={6}>
            {digit('0')}
            {withPlusAndMinus ? (
              sign('+')
            ) : withoutPoint ? (
              <View flexGrow={1} flexBasis={0} />
            ) : (
              digit('.')
            )}
            {withUnit ? (
              <Key onPress={onUnit} aria-label="change the unit of this number">
                <Words as="note" tone="ink">
                  mm ⇄ in
                </Words>
              </Key>
            ) : (
              <View flexGrow={1} flexBasis={0} />
            )}
          </View>
        </View>
        <View flexGrow={1} flexBasis={0}>
          <Key act onPress={onNext} testID="next">
            <Words as="title" tone="onAct" {...(next.length > LONG_WORD && { fontSize: 16 })}>
              {next}
            </Words>
          </Key>
        </View>
      </View>
    </View>
  )
})
