import type { Reading, SetupDocument } from '../../src'
import { trials, type Chance } from '../random'
import { asFact, Machinist, withRepeatsAndReplaced, type Hand } from './machinist'
import { modelSheet, type ModelOptions, type ModelSheet } from './sheet'

export interface ModelCase extends ModelSheet {
  readonly document: SetupDocument
}

export const documentOf = (
  sheet: SetupDocument['sheet'],
  readings: readonly Reading[],
): SetupDocument => ({
  format: 'pine-compass/setup',
  version: 1,
  id: '019aaaaa-0000-7000-8000-00000000bbbb',
  sheet,
  readings,
  keyIns: [],
  readBacks: [],
})

/** A world, a sheet for it, and the readings that a careful machinist takes in it, some of them twice or anew. */
export function modelCase(chance: Chance, options: ModelOptions = {}): ModelCase {
  const model = modelSheet(chance, options)
  const machinist = new Machinist(chance, model, model.world)
  const again = (drawn: Parameters<typeof asFact>[0]) => repeatOf(machinist, drawn, model)
  const readings = withRepeatsAndReplaced(chance, machinist.everything(), again)
  return { ...model, document: documentOf(model.sheet, readings) }
}

/** The same quantity touched once more, with whatever is at hand. */
export function repeatOf(
  machinist: Machinist,
  drawn: Parameters<typeof asFact>[0],
  { sheet }: Pick<ModelSheet, 'sheet'>,
): Parameters<typeof asFact>[0] | undefined {
  const quantity = drawn as Reading
  switch (quantity.of) {
    case 'nose-on-plane':
      return machinist.noseOnPlane()
    case 'tip-on-plane':
      return machinist.tipOnPlane(quantity.tool)
    case 'nose-on-part':
      return machinist.noseOnPart(quantity.row)
    case 'tip-on-part':
      return machinist.tipOnPart(quantity.tool, quantity.row)
    case 'carried-difference':
      return machinist.carried(quantity.row)
    case 'fixture-difference':
      return machinist.difference(quantity.row, quantity.from)
    case 'tool-diameter':
      return machinist.diameter(quantity.tool)
    case 'face': {
      const plan = sheet.offsets.find(({ row }) => row === quantity.row)!
      const axis = quantity.face === 'left' || quantity.face === 'right' ? plan.X : plan.Y
      return axis.by === 'turned-corner'
        ? undefined
        : machinist.face(quantity.row, quantity.face, axis.side)
    }
    case 'circle-point':
    case 'edge-point':
    case 'sweep':
      return undefined
  }
}

/** One case with a hand that scatters, and with the same gauge at every touch of a kind. */
export function noisyCase(
  chance: Chance,
  options: ModelOptions,
  hand: Hand,
  usual: { readonly plane: string; readonly part: string; readonly face: string },
  change: (model: ModelSheet) => ModelSheet,
): ModelCase {
  const model = change(modelSheet(chance, options))
  const machinist = new Machinist(chance, model, model.world, hand, usual)
  return { ...model, document: documentOf(model.sheet, machinist.everything().map(asFact)) }
}

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
