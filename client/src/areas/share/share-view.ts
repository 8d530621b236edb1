import { registerName } from '@pine/core/address'
import { isReleased } from '@pine/core/facts'
import { offsetProgram } from '@pine/core/offset-text'
import { describeLeftOut } from '@pine/core/words'
import { PICTURES, TEXT_EXPORTS, type PictureExport, type TextExport } from '@pine/formats/exports'
import type { LoadedSetup } from '@/data/setup/standing'

/** A file that can be had of a set-up, as it is offered. */
export interface OfferedFile {
  readonly what: TextExport
  readonly name: string
  /** What kind of file it is, for who knows: `CSV`. */
  readonly kind: string
}

const NAMES: Readonly<
  Record<Exclude<TextExport, 'offset-program'>, readonly [name: string, kind: string]>
> = {
  'registers-table': ['Registers', 'CSV'],
  'readings-table': ['Readings', 'CSV'],
  'tools-table': ['Tools', 'CSV'],
  'gauges-table': ['Gauges', 'CSV'],
  'keyed-table': ['Key-ins and read-backs', 'CSV'],
  'facts-table': ['Every fact, in order', 'CSV'],
  'setup-file': ['The whole set-up', 'JSON'],
  'ladder-drawing': ['Heights, drawn', 'SVG'],
  'plan-drawing': ['Part from above, drawn', 'SVG'],
}

/** Tables, drawings and the file, in the order in which they are offered. */
export const OFFERED_FILES: readonly OfferedFile[] = TEXT_EXPORTS.flatMap((what) => {
  if (what === 'offset-program') return []
  const [name, kind] = NAMES[what]
  return [{ what, name, kind }]
})

/** Drawings as pictures of points: the server draws them. */
export const OFFERED_PICTURES: readonly { readonly what: PictureExport; readonly name: string }[] =
  (Object.keys(PICTURES) as PictureExport[]).map((what) => ({
    what,
    name: NAMES[PICTURES[what]][0],
  }))

/** What a program would write of a set-up, and what not. */
export interface ProgramOffer {
  /** Whether its machine is declared to take any G10. */
  readonly isTaken: boolean
  readonly writes: string
  /** Each with why it is not in it. */
  readonly leftOut: readonly string[]
  readonly caution: string
}

/** The offset program of a set-up before it is made: what it writes and leaves out. */
export function programOffer(
  { document, solution }: Pick<LoadedSetup, 'document' | 'solution'>,
  unproven: 'left-out' | 'marked',
): ProgramOffer {
  const forms = document.sheet.machine.control.offsetProgram ?? {}
  const asked = { unproven, by: '', at: '', hash: '' }
  const { written, leftOut } = offsetProgram(document, solution, asked)
  return {
    isTaken: forms.offsets !== undefined || forms.tools !== undefined,
    writes:
      written.length === 0
        ? 'It writes nothing yet.'
        : `It writes ${written.map(registerName).join(', ')}.`,
    leftOut: leftOut.map(
      ({ address, because }) => `${registerName(address)}: ${describeLeftOut(because)}`,
    ),
    caution:
      unproven === 'marked'
        ? 'Numbers that nobody has proven are in it, each with a comment. Read every row back and prove it before you cut.'
        : 'It begins with a stop. Read every row back after it has run.',
  }
}

/** Whether what leaves now is what was released, or may still change. */
export const isFinal = ({ document }: Pick<LoadedSetup, 'document'>): boolean =>
  isReleased(document)
