import type { SetupDocument } from '../../facts/document'
import { isToolByTool } from '../../sheet/tool-rows'

/**
 * How a program goes on after a tool broke: what was active is cancelled, the new tool is measured and proven, and it begins
 * again where its operation begins.
 *
 * Source: common practice, no source.
 */
export function describeRestart(
  { sheet, programs }: Pick<SetupDocument, 'sheet' | 'programs'>,
  tool: number,
): readonly string[] {
  const program = programs.at(-1)
  const from = program?.reading.operations.find((one) => one.tool === tool)?.from.line
  const where =
    program === undefined || from === undefined
      ? 'the start of its operation: the line that calls it'
      : `line ${from} of ${program.name}, where T${tool} is called`
  return [
    `Cancel what is active: G40 ${isToolByTool(sheet) ? '' : 'G49 '}G80. Lift Z clear: ${sheet.machine.retract ?? 'by hand'}.`,
    `Spindle stopped, then the tool: T${tool} seated, touched, keyed and proven as the steps say.`,
    `Begin at ${where}; not in the middle of a cut.`,
    'Z to a safe height first, then X and Y, single block, rapid at its lowest.',
  ]
}
