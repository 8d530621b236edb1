import { memo } from 'react'
import { useMedia } from '@tamagui/core'
import { Button } from '@/kit/button'
import { Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import type { CaptureView } from './capture-view'

/** What is keyed while the axis stands at the touch: the row is read afterwards, and nothing else. */
export const CaptureResult = memo(function CaptureResult({
  captured: { name, first, type, unit, does, not },
}: {
  readonly captured: Omit<CaptureView, 'stands'>
}) {
  const { low, wide } = useMedia()
  return (
    <Row role="note" aria-label={`key ${name} now`} justifyContent="space-between" gap="$2">
      <Words as="note" flex={1}>
        {type === '' ? (
          first
        ) : (
          <>
            {first ?? 'While it stands there,'} type this, then the key that{' '}
            <Words as="note" strong>
              {does}
            </Words>
            {wide ? ` (${not})` : ''}
          </>
        )}
      </Words>
      {type !== '' && (
        <Row alignItems="baseline" gap={6}>
          <Digits as="reading" fontSize={low ? 24 : 30} lineHeight={low ? 28 : 36} testID="to-type">
            {type}
          </Digits>
          <Digits as="note">{unit}</Digits>
        </Row>
      )}
    </Row>
  )
})

/** Before anything is typed: what is expected, and the way to read the position alone. */
export function CaptureBefore({
  expected,
  onReadAxis,
}: {
  readonly expected: string | undefined
  readonly onReadAxis: () => void
}) {
  return (
    <Row justifyContent="space-between" alignItems="center" gap="$2" minHeight={28}>
      <Words as="note" flex={1}>
        {expected === undefined
          ? 'Type what the row shows; where it stands follows.'
          : `Expected ${expected}`}
      </Words>
      <Button kind="plain" onPress={onReadAxis} testID="read-position">
        Read the position
      </Button>
    </Row>
  )
}

/** Where the axis must stand by what the row shows: compared with the position that the control shows now. */
export function CaptureChecked({
  axisAt,
  onReadAxis,
}: {
  readonly axisAt: string
  readonly onReadAxis: () => void
}) {
  const { wide } = useMedia()
  return (
    <Row
      flexDirection={wide ? 'column' : 'row'}
      justifyContent="space-between"
      alignItems={wide ? 'flex-start' : 'center'}
      gap="$2"
    >
      <Column gap={0} flexShrink={1} aria-live="polite">
        <Words as="note">Then the machine position must show</Words>
        <Digits as="lead" fontWeight="600" testID="stands">
          {axisAt}
        </Digits>
      </Column>
      <Button kind="plain" onPress={onReadAxis} testID="stands-else">
        It shows another
      </Button>
    </Row>
  )
}
