import type { ReactNode } from 'react'
import { useMedia } from '@tamagui/core'
import { ScrollView } from '@tamagui/scroll-view'
import type { CheckWords } from '@pine/core/words'
import { Caution } from '@/kit/caution'
import { Card, Column, Row } from '@/kit/surfaces'
import { Words } from '@/kit/words'

/** A step that reads nothing: what to see to, in order, and at the lower edge what to say when it is so. */
export function CheckFrame({
  words: { sentence, points, caution },
  children,
  foot,
}: {
  readonly words: CheckWords
  readonly children?: ReactNode
  readonly foot: ReactNode
}) {
  const { wide } = useMedia()
  return (
    <ScrollView flex={1} contentContainerStyle={{ padding: wide ? 24 : 12, gap: 12, flexGrow: 1 }}>
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
      <Column flexGrow={wide ? 0 : 1} justifyContent="flex-end" gap="$2">
        {foot}
      </Column>
    </ScrollView>
  )
}
