import { createRequire } from 'node:module'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { type SetupFile, type SetupDocument } from '@pine/core/facts'
import { solve } from '@pine/core/solve'
import {
  exportSetup,
  fileHash,
  PICTURES,
  TEXT_EXPORTS,
  type ExportedFile,
  type PictureExport,
  type TextExport,
} from '@pine/formats/exports'
import { momentOnPaper } from '@pine/formats/moment'
import { sheetContent } from '@pine/formats/setup-sheet'
import { type PaperSize } from '@pine/formats/paper-size'

/** What of a set-up can be made into a file of its own. */
const PICTURE_NAMES = Object.keys(PICTURES) as PictureExport[]
export const EXPORTS = [...TEXT_EXPORTS, ...PICTURE_NAMES, 'set-up-sheet'] as const

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

/** What leaves as bytes: nothing that a terminal shows. */
export type ByteExport = PictureExport | 'set-up-sheet'

export const isBytes = (as: ExportOptions['as']): as is ByteExport =>
  as === 'set-up-sheet' || as in PICTURES

/** The sheet or a picture, as it is written. */
export const exportBytes = (
  setup: ReadSetup,
  options: ExportOptions,
  as: ByteExport,
  at: Date,
): Promise<NodeJS.ReadableStream> =>
  as === 'set-up-sheet'
    ? exportSheet(setup, options, at)
    : exportDrawn(exportText(setup, options, PICTURES[as], at))

/** One file of a set-up as text. */
export function exportText(
  { document, file }: ReadSetup,
  { by, unproven }: ExportOptions,
  as: TextExport,
  at: Date,
): ExportedFile {
  const setup = { document, file, solution: solve(document) }
  const request = {
    by,
    unproven,
    hash: fileHash(file),
    at: momentOnPaper(at.toISOString(), -at.getTimezoneOffset()),
  }
  return exportSetup(as, setup, request)
}

async function exportDrawn(drawing: ExportedFile): Promise<NodeJS.ReadableStream> {
  const { fontFiles } = await import('@pine/formats/pdf')
  const { exportPicture, pictureFiles } = await import('@pine/formats/png')
  const { png } = await exportPicture(drawing, pictureFiles(resolve, fontFiles(resolve)))
  return Readable.from([png])
}

/** From where the packages are installed. */
const { resolve } = createRequire(join(__dirname, 'pine.cjs'))

/** The set-up sheet on paper, as it is written. What only the shop knows (holders, pockets, checks due) is left blank. */
async function exportSheet(
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
  const fonts = fontFiles(resolve)
  return setupSheetPdf(content, { size: paper, fonts, at, decimals: solution.decimals })
}
