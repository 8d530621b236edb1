import { NumberBoxes, type NumberBox } from '@/kit/entry/number-boxes'
import type { useNumbers } from './use-numbers'

export interface NumbersEntryProps<Key extends string> {
  readonly numbers: ReturnType<typeof useNumbers<Key>>
  /** Other labels than the numbers' own, where there is more to say beside them. */
  readonly boxes?: readonly NumberBox[]
  readonly onSubmit: () => void
}

/** The numbers of a step as boxes: a box that is touched takes the keys. */
export function NumbersEntry<Key extends string>({
  numbers,
  boxes = numbers.boxes,
  onSubmit,
}: NumbersEntryProps<Key>) {
  return (
    <NumberBoxes
      boxes={boxes}
      active={numbers.active ?? ''}
      unit={numbers.unit}
      onActivate={(key) => numbers.setActive(key as Key)}
      onChange={(key, text) => numbers.change(key as Key, text)}
      onSubmit={onSubmit}
    />
  )
}
