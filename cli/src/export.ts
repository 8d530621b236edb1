import { createRequire } from 'node:module'
import { join } from 'node:path'
import { type SetupFile, type SetupDocument } from '@pine/core/facts'
import { solve } from '@pine/core/solve'
import { exportSetup, fileHash, TEXT_EXPORTS, type TextExport } from '@pine/formats/exports'
import { momentOnPaper } from '@pine/formats/moment'
import { sheetContent } from '@pine/formats/setup-sheet'
import { type PaperSize } from '@pine/formats/paper-size'

/** What of a set-up can be made into a file of its own. */
export const EXPORTS = [...TEXT_EXPORTS, 'set-up-sheet'] as const

export interface ExportOptions {
  readonly as: (typeof EXPORTS)[number]
  readonly paper: PaperSize
  readonly unproven: 'left-out' | 'marked'
  readonly by: string
}

/** A set-up as it was read from its file. */
export interface ReadSetup {
  readonly document: SetupDocument
  readonly file: SetupFile
}

/** One file of a set-up as text. */
export function exportText(
  { document, file }: ReadSetup,
  { by, unproven }: ExportOptions,
  as: TextExport,
  at: Date,
): string {
  const setup = { document, file, solution: solve(document) }
  const request = {
    by,
    unproven,
    hash: fileHash(file),
    at: momentOnPaper(at.toISOString(), -at.getTimezoneOffset()),
  }
  return exportSetup(as, setup, request).text
}

/** The set-up sheet on paper, as it is written. What only the shop knows (holders, pockets, checks due) is left blank. */
export async function exportSheet(
  { document, file }: ReadSetup,
  { by, paper }: ExportOptions,
  at: Date,
): Promise<NodeJS.ReadableStream> {
  const solution = solve(document)
  const content = sheetContent(
    document,
    solution,
    { tools: new Map(), gaugesDue: new Map() },
    {
      by,
      at: at.toISOString(),
      zone: -at.getTimezoneOffset(),
      hash: fileHash(file),
      link: document.id,
    },
  )
  // Only who prints loads what draws on paper.
  const { fontFiles, setupSheetPdf } = await import('@pine/formats/pdf')
  const { resolve } = createRequire(join(__dirname, 'pine.cjs'))
  const fonts = fontFiles(resolve)
  return setupSheetPdf(content, { size: paper, fonts, at, decimals: solution.decimals })
}
