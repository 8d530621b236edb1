import { memo } from 'react'
import { useMedia } from '@tamagui/core'
import { Words } from '@/kit/words'

/** What to do, in one sentence: the same while a number is typed. */
export const Sentence = memo(function Sentence({ children }: { children: string }) {
  const { wide } = useMedia()
  return (
    <Words
      as="sentence"
      role="heading"
      aria-level={1}
      fontSize={wide ? 26 : 21}
      lineHeight={wide ? 32 : 26}
    >
      {children}
    </Words>
  )
})
