import { useEffect, useRef, type ComponentRef, type ReactNode } from 'react'
import { View } from '@tamagui/core'

/** Something looked up over the work, at the lower edge where the thumb is; Escape or a tap beside it closes. */
export function Overlay({ children, onClose }: { children: ReactNode; onClose: () => void }) {
  useEffect(() => {
    const closeOnEscape = (event: KeyboardEvent) => {
      if (event.key === 'Escape') onClose()
    }
    window.addEventListener('keydown', closeOnEscape)
    return () => window.removeEventListener('keydown', closeOnEscape)
  }, [onClose])
  const frame = useRef<ComponentRef<typeof View>>(null)
  // What lies behind cannot be reached while this is open, by keyboard or by screen reader.
  useEffect(() => {
    const element = frame.current as unknown as HTMLElement | null
    const behind = [...(element?.parentElement?.children ?? [])].filter((one) => one !== element)
    for (const one of behind) one.setAttribute('inert', '')
    return () => {
      for (const one of behind) one.removeAttribute('inert')
    }
  }, [])
  return (
    <View
      ref={frame}
      position="absolute"
      top={0}
      left={0}
      right={0}
      bottom={0}
      justifyContent="flex-end"
    >
      <View
        render="button"
        aria-label="close"
        position="absolute"
        top={0}
        left={0}
        right={0}
        bottom={0}
        borderWidth={0}
        backgroundColor="rgba(10,20,16,0.45)"
        onPress={onClose}
      />
      <View
        role="dialog"
        position="relative"
        aria-modal
        backgroundColor="$paper"
        borderTopLeftRadius="$large"
        borderTopRightRadius="$large"
        padding="$4"
        maxHeight="80%"
        overflow="scroll"
      >
        {children}
      </View>
    </View>
  )
}
