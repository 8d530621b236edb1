import type { ComponentProps } from 'react'
import { ScrollView } from '@tamagui/scroll-view'

/**
 * An area that scrolls where there is little room: reached by the keyboard as well, whether or not anything in it can be pressed.
 * Nothing else scrolls (lint holds that).
 */
export const Scroll = ({
  label,
  ...props
}: ComponentProps<typeof ScrollView> & {
  /** What is in it, for who does not see it. */
  readonly label: string
}) => <ScrollView tabIndex={0} role="group" aria-label={label} {...props} />
