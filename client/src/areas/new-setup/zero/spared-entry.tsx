import { useState } from 'react'
import type { OffsetPlan } from '@pine/core/sheet'
import { FACES } from '@pine/core/touch'
import { Button } from '@/kit/button'
import { PickRow } from '@/kit/entry/pick-row'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import { withSpared } from './zero-draft'

/** Faces that must not be touched: asked only of who presses for it, since most parts have none. */
export function SparedEntry({
  offset,
  onChange,
  problem,
}: {
  readonly offset: OffsetPlan
  readonly onChange: (offset: OffsetPlan) => void
  readonly problem: string | undefined
}) {
  const { spared = [] } = offset
  const [opened, setOpened] = useState(false)
  if (!opened && spared.length === 0)
    return (
      <Button kind="plain" onPress={() => setOpened(true)} testID={`spare-${offset.row}`}>
        Faces that must not be touched …
      </Button>
    )
  return (
    <Column gap="$2">
      <Words as="note">Not to be touched: finished already, or soft</Words>
      {FACES.map((face) => (
        <PickRow
          key={face}
          picked={spared.includes(face)}
          onPress={() => onChange(withSpared(offset, face))}
        >
          <Words>{face} face</Words>
        </PickRow>
      ))}
      {problem !== undefined && (
        <Words as="note" tone="wrong" role="alert">
          {problem}
        </Words>
      )}
    </Column>
  )
}
