import type { School } from './schools'

/** How Z of a work offset can be found: what a sheet's plan is `by`. */
export type ZWay =
  'carried-difference' | 'nose-on-part' | 'part-top' | 'tool-on-part' | 'fixture-difference'

/**
 * The ways in which Z of a work offset can be found, the usual one first.
 *
 * Lengths that are counted from a plane need a touch of that plane: the tools on the part's top alone, `part-top`, would leave
 * open how far it lies from there. Counted from the nose or from a master, whatever all of them touch will do, since it cancels: the
 * nose, or the master, is touched there as well. Lengths are counted from one top only, the first one: a later part needs a touch,
 * or a difference, of its own.
 *
 * @param place of the row on the sheet, from 0: a difference from another fixture needs one before it.
 */
export function waysOfZ(school: School, place: number): readonly ZWay[] {
  const always: readonly ZWay[] = ['carried-difference', 'nose-on-part', 'tool-on-part']
  if (place > 0)
    return school === 'part-top'
      ? ['fixture-difference', 'tool-on-part', 'nose-on-part', 'carried-difference']
      : [...always, 'fixture-difference']
  if (school === 'part-top') return ['part-top', ...always]
  return school === 'setting-plane' ? always : [...always, 'part-top']
}
