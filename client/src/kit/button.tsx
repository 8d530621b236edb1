import { useEffect, useRef, type ComponentRef, type ReactNode } from 'react'
import { styled, useMedia, View } from '@tamagui/core'
import { Words } from './words'

const Frame = styled(View, {
  name: 'Button',
  render: 'button',
  flexDirection: 'row',
  alignItems: 'center',
  justifyContent: 'center',
  gap: '$2',
  minHeight: '$hand',
  paddingHorizontal: '$4',
  borderRadius: '$large',
  borderWidth: 2,
  cursor: 'pointer',
  variants: {
    kind: {
      act: { backgroundColor: '$act', borderColor: '$act', pressStyle: { opacity: 0.85 } },
      quiet: {
        backgroundColor: '$card',
        borderColor: '$act',
        pressStyle: { backgroundColor: '$tray' },
      },
      plain: {
        backgroundColor: 'transparent',
        borderColor: '$transparent',
        minHeight: '$touch',
        pressStyle: { backgroundColor: '$tray' },
      },
      wrong: {
        backgroundColor: '$card',
        borderColor: '$wrong',
        pressStyle: { backgroundColor: '$wrongPaper' },
      },
    },
    off: { true: { opacity: 0.55, cursor: 'not-allowed' } },
  } as const,
})

export interface ButtonProps {
  readonly children: ReactNode
  readonly onPress: () => void
  /** `act` is the one thing to do next; there is at most one on a screen. */
  readonly kind?: 'act' | 'quiet' | 'plain' | 'wrong'
  readonly icon?: ReactNode
  /** Cannot be pressed now; say why beside it. */
  readonly disabled?: boolean
  readonly testID?: string
  /** Name for a screen reader, where the text alone does not tell. */
  readonly label?: string
  readonly grow?: boolean
  /** Given the keyboard where there is one, so that Enter goes on. */
  readonly focused?: boolean
}

export function Button({
  children,
  onPress,
  kind = 'quiet',
  icon,
  disabled = false,
  testID,
  label,
  grow = false,
  focused = false,
}: ButtonProps) {
  const { wide } = useMedia()
  const frame = useRef<ComponentRef<typeof Frame>>(null)
  useEffect(() => {
    if (!focused || !wide) return undefined
    // Not at once: the Enter that led here must not press this as well.
    const later = setTimeout(() => (frame.current as unknown as HTMLElement | null)?.focus(), 200)
    return () => clearTimeout(later)
  }, [focused, wide])
  const tone = kind === 'act' ? 'onAct' : kind === 'wrong' ? 'wrong' : 'act'
  return (
    <Frame
      ref={frame}
      kind={kind}
      off={disabled}
      disabled={disabled}
      onPress={disabled ? undefined : onPress}
      aria-label={label}
      aria-disabled={disabled || undefined}
      testID={testID}
      {...(grow ? { flexGrow: 1, flexBasis: 0 } : {})}
    >
      {icon}
      <Words as="lead" tone={tone} strong textAlign="center">
        {children}
      </Words>
    </Frame>
  )
}
