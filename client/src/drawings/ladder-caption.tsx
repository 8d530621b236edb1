import { memo } from 'react'
import { Text as SvgText } from 'react-native-svg'
import type { Roles } from '@/theme/roles'

const WORDS = 'Atkinson Hyperlegible Next'

/** In which frame the numbers are. A spindle stands in the middle of the upper edge: then it is folded beside it. */
export const Caption = memo(function Caption({
  words,
  beside,
  width,
  roles,
}: {
  words: string
  beside: boolean
  width: number
  roles: Roles
}) {
  const lines = beside ? folded(words) : [words]
  return lines.map((line, index) => (
    <SvgText
      key={line}
      x={beside ? 10 : width - 8}
      y={16 + 15 * index}
      textAnchor={beside ? 'start' : 'end'}
      fontFamily={WORDS}
      fontSize={width < NARROW ? 11 : 12}
      fill={roles.inkSoft}
    >
      {line}
    </SvgText>
  ))
})

/** Below this the spindle stands close to the caption. */
const NARROW = 320

/** A caption in two lines of about the same length. */
function folded(words: string): readonly string[] {
  const spaces = [...words.matchAll(/ /g)].map(({ index }) => index)
  const middle = spaces.reduce(
    (best, at) => (Math.abs(at - words.length / 2) < Math.abs(best - words.length / 2) ? at : best),
    0,
  )
  return middle === 0 ? [words] : [words.slice(0, middle), words.slice(middle + 1)]
}
