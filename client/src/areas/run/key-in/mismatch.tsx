import { useState } from 'react'
import { registerName } from '@pine/core/address'
import { type Register } from '@pine/core/registers'
import { causeName, groupTies, type Explanation } from '@pine/core/slips'
import { describeReadBackError, describeCause, typographic } from '@pine/core/words'
import type { LoadedSetup } from '@/data/setup/standing'
import { Button } from '@/kit/button'
import { Card, Column, Row } from '@/kit/surfaces'
import { Digits, Words } from '@/kit/words'
import { lengthWriter } from '../frame/entry/write-length'

/** A disagreement, explained: what it would do, and what it most likely is. */
export function Mismatch({ register, setup }: { register: Register; setup: LoadedSetup }) {
  const { document, solution } = setup
  const { readBack, address } = register
  const [allShown, setAllShown] = useState(false)
  if (readBack === undefined) return null
  // The likeliest is told large, those that give the very same number beneath it; the rest can wait.
  const [[likeliest, ...alike] = [], ...others] = groupTies(readBack.causes)
  const write = lengthWriter(solution)
  return (
    <Card padded tone="wrong" role="alert" testID="mismatch">
      <Row justifyContent="space-between" flexWrap="wrap">
        <Words tone="wrong">The control shows</Words>
        <Digits as="number" tone="wrong">
          {typographic(readBack.shownText)} {readBack.shownUnit}
        </Digits>
      </Row>
      <Words strong>
        {describeReadBackError(
          address,
          readBack.error,
          (nm) => `${write(nm)} ${solution.unit}`,
          document.sheet.machine.control,
        )}
      </Words>
      {readBack.causes.length === 0 && (
        <Words>
          None of the usual slips gives this number. Read the row again, digit by digit, and look
          whether it is the right row.
        </Words>
      )}
      {likeliest && (
        <Column gap={0}>
          <Words as="title" tone="wrong">
            {describeCause(likeliest).title}
          </Words>
          <Words>{lookAt(likeliest)}</Words>
        </Column>
      )}
      {alike.length > 0 && <Words as="note">These give the same number:</Words>}
      {alike.map((cause) => (
        <Words key={causeName(cause)} as="note">
          <Words as="note" strong tone="wrong">
            {describeCause(cause).title}.
          </Words>{' '}
          {lookAt(cause)}
        </Words>
      ))}
      {others.length > 0 && !allShown && (
        <Button kind="plain" onPress={() => setAllShown(true)}>
          {`other causes (${others.flat().length})`}
        </Button>
      )}
      {allShown &&
        others.flat().map((cause) => (
          <Words key={causeName(cause)}>
            <Words strong>{describeCause(cause).title}.</Words> {describeCause(cause).look}
          </Words>
        ))}
    </Card>
  )
}

/** What to look at for a cause; for another row, which one. */
const lookAt = (cause: Explanation): string =>
  describeCause(cause).look +
  (cause.about === undefined || cause.code !== 'other-row' ? '' : ` (${registerName(cause.about)})`)
