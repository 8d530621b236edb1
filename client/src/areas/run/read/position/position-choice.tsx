import { type QuantityName } from '@pine/core/quantities'
import { Button } from '@/kit/button'
import { Choice } from '@/kit/entry/choice'
import { Field } from '@/kit/entry/field'
import { Column } from '@/kit/surfaces'
import { Words } from '@/kit/words'
import type { LoadedSetup } from '@/data/setup/standing'
import { positionView } from './position-draft'
import type { useReading } from '../use-reading'

export interface PositionChoiceProps {
  readonly setup: LoadedSetup
  readonly reading: ReturnType<typeof useReading>
  readonly quantity: QuantityName
  readonly onClose: () => void
}

/** Which of the numbers on the display is read: only one of them is a place of the machine. */
export function PositionChoice({ setup, reading, quantity, onClose }: PositionChoiceProps) {
  const { reads, changePosition } = reading
  const view = positionView(setup.document, setup.solution, quantity, reads)
  const { unit } = setup.document.sheet
  return (
    <Column gap="$4">
      <Words as="title">Which number do you read off the screen?</Words>
      <Choice
        label="On the screen it is called"
        value={view.chosen}
        options={view.reads}
        onChange={(chosen) => changePosition({ reads: chosen })}
        note="A length comes from any of them, read twice on the same. Where a part lies comes from the machine position, or from a work position with what its row shows."
      />
      {view.zeroed.length > 0 && (
        <Choice
          label="Where was the counter zeroed?"
          value={reads.zeroed}
          options={view.zeroed}
          onChange={(zeroed) => changePosition({ zeroed })}
        />
      )}
      {view.rows.length > 0 && (
        <Choice
          label="Which row is active?"
          value={reads.row ?? view.rows[0]?.value}
          options={view.rows}
          onChange={(row) => changePosition({ row, holds: {} })}
        />
      )}
      {view.shown.map(({ key, label, value }) => (
        <Field
          key={key}
          label={label}
          value={value}
          unit={unit}
          onChange={(text) => changePosition({ holds: { ...reads.holds, [key]: text } })}
          testID={`holds-${key}`}
        />
      ))}
      {view.lengths.length > 0 && (
        <Choice
          label="Which tool length is active?"
          value={reads.length}
          options={view.lengths}
          onChange={(length) => changePosition({ length })}
        />
      )}
      {view.lengthShown !== undefined && (
        <Field
          label={view.lengthShown.label}
          value={view.lengthShown.value}
          unit={unit}
          onChange={(lengthHolds) => changePosition({ lengthHolds })}
          testID="holds-length"
        />
      )}
      <Button kind="act" onPress={onClose} testID="position-done">
        Done
      </Button>
    </Column>
  )
}
