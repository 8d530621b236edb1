import { useState } from 'react'
import type { LayoutChangeEvent } from 'react-native'

/** The width that a drawing has, so that its text keeps its size on any screen. */
export function useWidth(initial: number) {
  const [width, setWidth] = useState(initial)
  const onLayout = (event: LayoutChangeEvent) => setWidth(event.nativeEvent.layout.width)
  return { width, onLayout }
}
