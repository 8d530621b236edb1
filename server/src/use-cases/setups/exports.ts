import { createRequire } from 'node:module'
import { foldSetup, type SetupFile } from '@pine/core/facts'
import { underForms } from '@pine/core/offset-text'
import { shopMachineOf, type MachineDeclaration } from '@pine/core/sheet'
import { solve } from '@pine/core/solve'
import {
  exportSetup,
  fileHash,
  fileStem,
  PICTURES,
  type ExportedFile,
  type PictureExport,
  type TextExport,
} from '@pine/formats/exports'
import { setupSheetHtml } from '@pine/formats/html'
import { momentOnPaper } from '@pine/formats/moment'
import type { PaperSize } from '@pine/formats/paper-size'
import { setupSheetPdf } from '@pine/formats/pdf'
import { exportPicture, pictureFiles, type ExportedPicture } from '@pine/formats/png'
import { sheetContent, type SheetContent, type ShopBeside } from '@pine/formats/setup-sheet'
import type { Member } from '@pine/contract'
import type { Clock } from '../../clock'
import { accept, type Outcome } from '../../refusal'
import type { Store } from '../../store/store'
import { gaugeStandings } from '../gauge-checks'
import { FONTS } from '../on-paper'
import { machinesOf } from '../shop'
import type { Setups } from './setups'

interface ExportParts {
  readonly store: Store
  readonly clock: Clock
  readonly setups: Setups
}

/** How somebody wants a file made. */
export interface ExportOptions {
  /** Minutes that their clock is east of UTC: the times on paper are theirs. */
  readonly zone: number | undefined
  readonly unproven: 'left-out' | 'marked'
  readonly paper: PaperSize
  /** Where the product is open for them: `http://shop:4310`. */
  readonly origin: string
}

/** One file of a set-up as it stands now. */
export async function exportedFile(
  { store, clock, setups }: ExportParts,
  { name }: Member,
  id: string,
  what: TextExport,
  { zone, unproven }: ExportOptions,
): Promise<Outcome<ExportedFile>> {
  const opened = await setups.open(id)
  if (!opened.ok) return opened
  const file = opened.value.file as SetupFile
  const now = clock().toISOString()
  const folded = foldSetup(file)
  const machine = shopMachineOf(await machinesOf(store), folded.sheet)?.machine
  const document = underForms(folded, machine as MachineDeclaration | undefined)
  const request = { by: name, at: momentOnPaper(now, zone), hash: fileHash(file), unproven }
  return accept(exportSetup(what, { document, solution: solve(document, { now }), file }, request))
}

/** A drawing of a set-up as it stands now, as a picture of points. */
export async function exportedPicture(
  parts: ExportParts,
  person: Member,
  id: string,
  what: PictureExport,
  options: ExportOptions,
): Promise<Outcome<ExportedPicture>> {
  const drawing = await exportedFile(parts, person, id, PICTURES[what], options)
  return drawing.ok ? accept(await exportPicture(drawing.value, PICTURE_FILES)) : drawing
}

const PICTURE_FILES = pictureFiles(createRequire(import.meta.url).resolve, FONTS)

export interface PrintedSheet {
  readonly name: string
  readonly pdf: NodeJS.ReadableStream
}

/** The set-up sheet on paper, with what the shop knows of its tools and gauges beside it. */
export async function printedSheet(
  parts: ExportParts,
  person: Member,
  id: string,
  options: ExportOptions,
): Promise<Outcome<PrintedSheet>> {
  const sheet = await sheetOf(parts, person, id, options)
  if (!sheet.ok) return sheet
  const { content, decimals, name } = sheet.value
  const pdf = await setupSheetPdf(content, {
    ...{ size: options.paper, fonts: FONTS, at: parts.clock(), decimals },
  })
  return accept({ name: `${fileStem(name)}-set-up-sheet.pdf`, pdf })
}

/** The same content as a page that a browser shows and prints. */
export async function sheetToPrint(
  parts: ExportParts,
  person: Member,
  id: string,
  options: ExportOptions,
): Promise<Outcome<string>> {
  const sheet = await sheetOf(parts, person, id, options)
  if (!sheet.ok) return sheet
  const { content, decimals } = sheet.value
  return accept(await setupSheetHtml(content, decimals))
}

/** What stands on the sheet of a set-up, as it stands now. */
async function sheetOf(
  { store, clock, setups }: ExportParts,
  { name }: Member,
  id: string,
  { zone, origin }: ExportOptions,
): Promise<
  Outcome<{ readonly content: SheetContent; readonly decimals: number; readonly name: string }>
> {
  const opened = await setups.open(id)
  if (!opened.ok) return opened
  const file = opened.value.file as SetupFile
  const document = foldSetup(file)
  const now = clock().toISOString()
  const solution = solve(document, { now })
  const content = sheetContent(document, solution, await shopBeside(store, clock, document), {
    ...{ by: name, at: now, zone, hash: fileHash(file) },
    link: `${origin}/setups/${id}`,
  })
  return accept({ content, decimals: solution.decimals, name: document.sheet.name })
}

/** The holders of its tools, and when its gauges are to be checked. */
async function shopBeside(
  store: Store,
  clock: Clock,
  { sheet }: ReturnType<typeof foldSetup>,
): Promise<ShopBeside> {
  const assemblies = sheet.tools.flatMap(({ assembly }) => assembly ?? [])
  const [tools, standings] = await Promise.all([
    assemblies.length === 0 ? [] : store.toolsById(assemblies),
    gaugeStandings(store, clock),
  ])
  return {
    tools: new Map(tools.map(({ id, tool }) => [id, tool])),
    gaugesDue: new Map(
      standings.flatMap(({ id, dueOn }) => (dueOn === undefined ? [] : [[id, dueOn] as const])),
    ),
  }
}
