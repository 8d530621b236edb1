import { Readable } from 'node:stream'
import { Hono, type Context } from 'hono'
import { z } from 'zod'
import { PICTURES, TEXT_EXPORTS, type PictureExport } from '@pine/formats/exports'
import { PAPER_SIZES, type PaperSize } from '@pine/formats/paper-size'
import { accept, type Outcome } from '../../refusal'
import { printedCribList, printedLabels } from '../../use-cases/on-paper'
import type { Clock } from '../../clock'
import type { Store } from '../../store/store'
import {
  exportedFile,
  exportedPicture,
  printedSheet,
  sheetToPrint,
  type ExportOptions,
} from '../../use-cases/setups/exports'
import type { Setups } from '../../use-cases/setups/setups'
import { query } from '../body'
import type { Connection } from '../door/connection'
import type { Signed } from '../door/session'
import { noRoute } from '../refusals'
import { replyRefusal } from '../reply'
import { describes } from './describes'

const PAPERS = Object.keys(PAPER_SIZES) as [PaperSize, ...PaperSize[]]

const PICTURE_NAMES = Object.keys(PICTURES) as PictureExport[]

const attached = (name: string) => ({ 'Content-Disposition': `attachment; filename="${name}"` })

/** Minutes east of UTC, as far as any zone lies. */
const zone = z.coerce.number().int().min(-840).max(840).optional()
const exportQuery = z.object({ zone, unproven: z.enum(['left-out', 'marked']).optional() })
const paperQuery = z.object({ zone, paper: z.enum(PAPERS).optional() })

/** What of a set-up leaves as a file: its sheet on paper, its offsets as a program, its tables and drawings. */
export const exportRoutes = (
  store: Store,
  clock: Clock,
  setups: Setups,
  connection: Connection,
) => {
  const parts = { store, clock, setups }
  const options = (c: Context, asked: Partial<ExportOptions>): ExportOptions => ({
    ...{ zone: asked.zone, unproven: asked.unproven ?? 'left-out', paper: asked.paper ?? 'A4' },
    origin: `${connection.isSecure(c) ? 'https' : 'http'}://${new URL(c.req.url).host}`,
  })
  const pdf = (c: Context, printed: Outcome<NodeJS.ReadableStream>, name: string) =>
    printed.ok
      ? c.body(Readable.toWeb(printed.value as Readable) as ReadableStream, 200, {
          'Content-Type': 'application/pdf',
          'Content-Disposition': `inline; filename="${name}"`,
        })
      : replyRefusal(c, printed.refusal)
  return new Hono<Signed>()
    .get(
      '/machines/:id/crib-list.pdf',
      describes('What is in the changer of a machine, on paper', 'application/pdf'),
      query(paperQuery),
      async (c) => {
        const { zone, paper } = options(c, c.req.valid('query'))
        const { person } = c.var
        const id = c.req.param('id')
        return pdf(
          c,
          await printedCribList(store, clock, person, id, { zone, paper }),
          'crib-list.pdf',
        )
      },
    )
    .get(
      '/machines/:id/labels.pdf',
      describes('Labels of the tools in its changer, in sheets', 'application/pdf'),
      query(paperQuery),
      async (c) => {
        const asked = options(c, c.req.valid('query'))
        const { person } = c.var
        return pdf(
          c,
          await printedLabels(store, clock, person, c.req.param('id'), asked),
          'labels.pdf',
        )
      },
    )
    .get(
      '/setups/:id/set-up-sheet.pdf',
      describes('The set-up sheet on paper', 'application/pdf'),
      query(paperQuery),
      async (c) => {
        const asked = options(c, c.req.valid('query'))
        const printed = await printedSheet(parts, c.var.person, c.req.param('id'), asked)
        return printed.ok
          ? pdf(c, accept(printed.value.pdf), printed.value.name)
          : replyRefusal(c, printed.refusal)
      },
    )
    .get(
      '/setups/:id/set-up-sheet.html',
      describes('The set-up sheet as a page to be printed by the browser', 'text/html'),
      query(paperQuery),
      async (c) => {
        const asked = options(c, c.req.valid('query'))
        const page = await sheetToPrint(parts, c.var.person, c.req.param('id'), asked)
        if (!page.ok) return replyRefusal(c, page.refusal)
        // Names of jobs and tools stand in it: whatever is typed there, it runs and fetches nothing.
        c.header('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'")
        return c.html(page.value)
      },
    )
    .get(
      '/setups/:id/exports/:what',
      describes('A file of a set-up: a table, a drawing, its offsets as a program', 'text/plain'),
      query(exportQuery),
      async (c) => {
        const asked = options(c, c.req.valid('query'))
        const { id, what: wanted } = c.req.param()
        const picture = PICTURE_NAMES.find((one) => one === wanted)
        if (picture !== undefined) {
          const drawn = await exportedPicture(parts, c.var.person, id, picture, asked)
          if (!drawn.ok) return replyRefusal(c, drawn.refusal)
          const { name, png } = drawn.value
          return c.body(png, 200, { 'Content-Type': 'image/png', ...attached(name) })
        }
        const what = TEXT_EXPORTS.find((one) => one === wanted)
        if (what === undefined) return replyRefusal(c, noRoute(c.req.path))
        const made = await exportedFile(parts, c.var.person, id, what, asked)
        if (!made.ok) return replyRefusal(c, made.refusal)
        const { name, type, text } = made.value
        return c.body(text, 200, { 'Content-Type': type, ...attached(name) })
      },
    )
}
