import type { ReactNode } from 'react'
import { useMedia } from '@tamagui/core'
import type { CheckWords } from '@pine/core/words'
import { Caution } from '@/kit/caution'
import { Scroll } from '@/kit/frame/scroll'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { StepAfter } from '../beside/step-after'

/** A step that reads nothing: what to see to, in order, and at the lower edge what to say when it is so. */
export function CheckFrame({
  words: { sentence, points, caution },
  children,
  after,
  foot,
}: {
  readonly words: CheckWords
  readonly children?: ReactNode
  /** What comes after the caution: it can wait. */
  readonly after?: ReactNode
  readonly foot: ReactNode
}) {
  const { wide, tiny, lying } = useMedia()
  const inOne = wide || tiny
  const footing = (
    <Column
      flexGrow={wide || !inOne ? 0 : 1}
      flexDirection={lying || wide ? 'row' : 'column'}
      justifyContent="flex-end"
      gap="$2"
      // What goes on beneath it shows that it does.
      {...(!inOne && {
        paddingHorizontal: 12,
        paddingVertical: 8,
        boxShadow: '0 -7px 7px -7px rgba(10, 20, 16, 0.35)',
      })}
    >
      {foot}
    </Column>
  )
  const body = (
    <Scroll
      label="what to see to"
      flex={1}
      contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12, flexGrow: 1 }}
    >
      <Words as="sentence" role="heading" aria-level={1}>
        {sentence}
      </Words>
      {points.length > 0 && (
        <Card padded gap="$3">
          {points.map((point, index) => (
            <Row key={point} alignItems="baseline" gap="$3">
              <Words tone="act" strong>
                {index + 1}
              </Words>
              <Words as="lead" flex={1}>
                {point}
              </Words>
            </Row>
          ))}
        </Card>
      )}
      {children}
      <Caution>{caution}</Caution>
      {after}
      {inOne && footing}
      <StepAfter />
    </Scroll>
  )
  // What to say stays in view: what there is to see to scrolls above it.
  return inOne ? (
    body
  ) : (
    <Column flex={1} gap={0} minHeight={0}>
      {body}
      {footing}
    </Column>
  )
}
