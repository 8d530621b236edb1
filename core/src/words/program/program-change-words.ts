import { deeperBy, type ProgramChange } from '../../program/judgement/compare-programs'
import type { LengthWriter } from '../trust/warning-words'

/** What a change of a program means, in a sentence for the person at the machine. */
export function describeProgramChange(change: ProgramChange, write: LengthWriter): string {
  switch (change.kind) {
    case 'unit':
      return `The unit was ${change.before ?? 'not set'}, now it is ${change.after ?? 'not set'}.`
    case 'order':
      return `The tools come in another order: ${change.after.map((tool) => `T${tool}`).join(', ')}.`
    case 'tool-added':
      return `${toolOf(change.tool)} is new${change.name === undefined ? '' : ` (${change.name})`}: measure it.`
    case 'tool-removed':
      return `${toolOf(change.tool)} is not used any more.`
    case 'lengths':
      return `${toolOf(change.tool)} used ${registers('H', change.before)}, now ${registers('H', change.after)}.`
    case 'diameters':
      return `${toolOf(change.tool)} used ${registers('D', change.before)}, now ${registers('D', change.after)}.`
    case 'rows':
      return `${toolOf(change.tool)} worked in ${listed(change.before)}, now in ${listed(change.after)}.`
    case 'depth':
      return depthWords(change, write)
    case 'extent':
      return `${toolOf(change.tool)}, ${change.row} ${change.axis}: went from ${write(change.before[0])} to ${write(change.before[1])}, now from ${write(change.after[0])} to ${write(change.after[1])}.`
    case 'speeds':
      return `${toolOf(change.tool)} turned at ${listed(change.before)}, now at ${listed(change.after)} a minute.`
    case 'feeds':
      return `${toolOf(change.tool)} fed at ${listed(change.before)}, now at ${listed(change.after)} mm a minute.`
  }
}

function depthWords(
  { tool, before, after }: Extract<ProgramChange, { kind: 'depth' }>,
  write: LengthWriter,
): string {
  if (before === undefined || after === undefined)
    return `${toolOf(tool)} goes down to ${after === undefined ? 'no known depth' : write(after)}, before to ${before === undefined ? 'no known depth' : write(before)}.`
  const deeper = deeperBy(before, after)
  const by = write(Math.abs(deeper) as typeof deeper)
  return `${toolOf(tool)} goes ${by} ${deeper > 0 ? 'deeper' : 'less deep'}: down to ${write(after)}.`
}

const toolOf = (tool: number | undefined): string =>
  tool === undefined ? 'What comes before any tool' : `T${tool}`

const registers = (letter: 'H' | 'D', numbers: readonly number[]): string =>
  numbers.length === 0 ? `no ${letter}` : listed(numbers.map((number) => `${letter}${number}`))

const listed = (values: readonly (string | number)[]): string =>
  values.length === 0 ? 'none' : values.join(', ')
