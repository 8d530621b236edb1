import type { School } from './schools'

/** How Z of a work offset can be found: what a sheet's plan is `by`. */
export type ZWay =
  'carried-difference' | 'nose-on-part' | 'part-top' | 'tool-on-part' | 'fixture-difference'

/**
 * The ways in which Z of a work offset can be found, the usual one first.
 *
 * Where lengths are not counted from the part's top, the tools on it say nothing of Z: `part-top` would leave Z of
 * the row at minus the facing and send every tip off by the whole distance. Lengths are counted from one top only,
 * the first one: a later part needs a touch, or a difference, of its own.
 *
 * @param place of the row on the sheet, from 0: a difference from another fixture needs one before it.
 */
export function waysOfZ(school: School, place: number): readonly ZWay[] {
  const always: readonly ZWay[] = ['carried-difference', 'nose-on-part', 'tool-on-part']
  if (place > 0)
    return school === 'part-top'
      ? ['fixture-difference', 'tool-on-part', 'nose-on-part', 'carried-difference']
      : [...always, 'fixture-difference']
  return school === 'part-top' ? ['part-top', ...always] : always
}
