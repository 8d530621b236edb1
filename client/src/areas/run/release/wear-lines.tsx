import { Card, Column, Line } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import type { WearLine } from './first-part-view'

/** What was measured of a part, and what each asks for. */
export function WearLines({ lines }: { readonly lines: readonly WearLine[] }) {
  if (lines.length === 0) return null
  return (
    <Card overflow="hidden">
      {lines.map(({ measured, text, judged, tone }, index) => (
        <Line key={index} apart first={index === 0}>
          <Column gap={0} flex={1}>
            <Words>{measured}</Words>
            {judged !== undefined && (
              <Words as="note" strong tone={tone}>
                {judged}
              </Words>
            )}
          </Column>
          <Digits as="lead">{text}</Digits>
        </Line>
      ))}
    </Card>
  )
}
