import type { Reading, SetupDocument } from '../../src/facts'
import { trials, type Chance } from '../random'
import { setupOf } from '../worked-example'
import { asFact, Machinist, withRepeatsAndReplaced } from './machinist'
import { modelSheet, type ModelOptions, type ModelSheet } from './sheet'

export interface ModelCase extends ModelSheet {
  readonly document: SetupDocument
}

/** A world, a sheet for it, and the readings that a careful machinist takes in it, some of them twice or anew. */
export function modelCase(chance: Chance, options: ModelOptions = {}): ModelCase {
  const model = modelSheet(chance, options)
  const machinist = new Machinist(chance, model, model.world)
  const again = (drawn: Parameters<typeof asFact>[0]) => repeatOf(machinist, drawn, model)
  const readings = withRepeatsAndReplaced(chance, machinist.everything(), again)
  return { ...model, document: setupOf(model.sheet, readings) }
}

/** The same quantity touched once more, with whatever is at hand. */
export function repeatOf(
  machinist: Machinist,
  drawn: Parameters<typeof asFact>[0],
  { sheet }: Pick<ModelSheet, 'sheet'>,
): Parameters<typeof asFact>[0] | undefined {
  const quantity = drawn as Reading
  // Around a circle, along an edge and in a sweep each touch has its own place.
  return 'readY' in quantity || (quantity.of === 'face' && isCorner(quantity, sheet))
    ? undefined
    : machinist.read(quantity)
}

const isCorner = ({ row }: { readonly row: string }, sheet: SetupDocument['sheet']): boolean =>
  sheet.offsets.find((one) => one.row === row)?.X.by === 'turned-corner'

/** Runs a property on many seeds and names the seed of the first that fails, or all of them. */
export function forSeeds(
  count: number,
  property: (chance: Chance, seed: number) => void,
  make: (seed: number) => Chance,
): void {
  const failed: string[] = []
  for (let seed = 1; seed <= trials(count); seed += 1) {
    try {
      property(make(seed), seed)
    } catch (cause) {
      failed.push(`seed ${seed}: ${cause instanceof Error ? cause.message : String(cause)}`)
    }
  }
  if (failed.length > 0)
    throw new Error(`${failed.length} of ${count} failed\n${failed.slice(0, 12).join('\n')}`)
}
