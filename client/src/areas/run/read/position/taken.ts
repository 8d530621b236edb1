import type { Captured } from '@pine/core/facts'
import type { TakenPosition } from '@pine/core/plan'
import type { FieldKey } from '@pine/core/quantities'

/** What was taken from a machine, and the texts that it gave: a number that was typed over is typed. */
export interface Taken {
  readonly captured: Captured
  readonly texts: Readonly<Record<FieldKey, string>>
}

export const takenOf = (
  { numbers, captured }: TakenPosition,
  fields: readonly FieldKey[],
): Taken => ({
  captured,
  texts: Object.fromEntries(
    fields.map((field) => [field, numbers[field]?.text ?? '']),
  ) as Taken['texts'],
})

/** What was taken and stands in the fields still; undefined once it is typed over. */
export const standsAsTaken = (
  taken: Taken | undefined,
  fields: readonly FieldKey[],
  textOf: (field: FieldKey) => string,
): Captured | undefined =>
  fields.every((field) => taken?.texts[field] === textOf(field)) ? taken?.captured : undefined

/** How a reading came, where it is not typed. */
export const cameBy = (taken: Captured | undefined): { readonly via?: 'captured' } =>
  taken === undefined ? {} : { via: 'captured' }
