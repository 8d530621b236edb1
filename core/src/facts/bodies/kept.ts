import { field, moment, name, optional, uuid, yes, type RecordOf } from '../../fields/shape'

/** Where a reading was made that is reused. */
export const KEPT_FIELDS = {
  setup: field(uuid, 'the set-up that it was made in'),
  reading: field(uuid, 'the reading there'),
  name: field(name, 'what that set-up is called'),
  by: field(name, 'who read it'),
  at: field(moment, 'when: it grows old from then on'),
  proven: optional(yes, 'its number was proven there by a cautious move'),
  generation: optional(
    name,
    'of the plane: touches that tell the same one were made while the plane lay in one place, as far as the shop knows. Without it, only touches of one set-up are taken to be of one generation',
  ),
  check: optional(
    yes,
    'it is touched again all the same: all that is reused stands or falls with it',
  ),
}

export type Kept = RecordOf<typeof KEPT_FIELDS>

/** When it was read, in whichever set-up that was. ISO 8601. */
export const readAt = ({ at, kept }: { readonly at: string; readonly kept?: Kept }): string =>
  kept?.at ?? at
