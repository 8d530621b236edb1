import { useState, type ReactNode } from 'react'
import { REPLACED_BECAUSE, type Reading, type ReplacedBecause } from '@pine/core/facts'
import { describeKept, typographic } from '@pine/core/words'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Card, Column, Row } from '@/kit/surfaces'
import { momentWords } from '@/kit/when'
import { Digits, Words } from '@/kit/words'

const REASON_LABELS: Readonly<Record<ReplacedBecause, string>> = {
  misread: 'I misread it',
  'touched again': 'touched it again',
  'another gauge': 'another gauge',
  'tool re-gripped': 're-gripped',
}

const REASONS = REPLACED_BECAUSE.map((value) => ({ value, label: REASON_LABELS[value] }))

export interface ReviewedProps {
  readonly standing: readonly Reading[]
  readonly children: ReactNode
  readonly onNext: () => void
  readonly onRepeat: () => void
  readonly onReplace: (reason: string) => void
}

/** A step that was read: by whom and when; go on, read once more, or replace it with a reason. */
export function Reviewed({ standing, children, onNext, onRepeat, onReplace }: ReviewedProps) {
  const [replacing, setReplacing] = useState(false)
  return (
    <Column gap="$3">
      <Card padded>
        {standing.map((reading) => (
          <Row key={reading.id} justifyContent="space-between" flexWrap="wrap">
            <Digits as="number">
              {typographic(reading.read.text)} {reading.read.unit}
            </Digits>
            <Words as="note">
              {reading.kept
                ? describeKept({ kept: reading.kept })
                : `${reading.by.name}, ${momentWords(reading.at)}`}
              {reading.via === 'captured' && ', told by the row'}
            </Words>
            {reading.surprise !== undefined && (
              <Words as="note" tone="caution" testID="kept-surprise">
                Not what was expected: {reading.surprise}.
              </Words>
            )}
          </Row>
        ))}
        {children}
      </Card>
      {replacing ? (
        <Choice
          label="Why is the last one replaced? Both are kept."
          value={undefined}
          onChange={onReplace}
          options={REASONS}
        />
      ) : (
        <Row flexWrap="wrap">
          <Button grow onPress={onRepeat}>
            Read it once more
          </Button>
          <Button grow onPress={() => setReplacing(true)}>
            Replace it
          </Button>
        </Row>
      )}
      <Button kind="act" focused onPress={onNext} testID="next">
        Next
      </Button>
    </Column>
  )
}
