import type { QuantityName } from '@pine/core/quantities'
import { Head, ReadingField } from '@/kit/entry/reading-field'
import { Column } from '@/kit/surfaces'
import { NumbersEntry } from '../frame/entry/numbers-entry'
import type { useReading } from './use-reading'

/** The number of a touch, or its numbers, with what it is and what lies between, each one tap away. */
export function ReadingNumber({
  reading: { view, numbers, problem },
  quantity,
  onPlace,
  onChoose,
  onTyped,
  onSubmit,
}: {
  readonly reading: ReturnType<typeof useReading>
  readonly quantity: QuantityName
  readonly onPlace: () => void
  readonly onChoose: () => void
  readonly onTyped: () => void
  readonly onSubmit: () => void
}) {
  const { aside, label, words } = view
  const [only, ...others] = numbers.boxes
  if (only !== undefined && others.length === 0)
    return (
      <ReadingField
        label={label}
        {...(view.asksPosition && { onLabel: onPlace })}
        {...(aside !== '' && { aside })}
        onAside={onChoose}
        focusKey={words.title}
        value={only.value}
        {...(only.isBelowZero === true && { placeholder: '\u22120.000' })}
        unit={numbers.unit}
        onChange={(text) => {
          onTyped()
          numbers.change('read', text)
        }}
        onSubmit={onSubmit}
        wrong={problem !== undefined}
        describedBy="reading-problem"
      />
    )
  return (
    <Column gap={2}>
      {aside !== '' && (
        <Head
          label={quantity.of === 'sweep' ? 'At the sweep' : label}
          onLabel={view.asksPosition ? onPlace : undefined}
          aside={aside}
          onAside={onChoose}
        />
      )}
      <NumbersEntry numbers={numbers} onSubmit={onSubmit} />
    </Column>
  )
}
