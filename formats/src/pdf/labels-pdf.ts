import QRCode from 'qrcode'
import type { PaperSize } from '../paper-size'
import { Paper, type PaperRequest } from './paper'

/** A label: what stands beside the code that a phone reads. */
export interface PrintedLabel {
  readonly name: string
  readonly place: string
  /** Typed where no camera is at hand. */
  readonly code: string
  readonly link: string
}

const MM = 72 / 25.4

/**
 * Sheets of labels that stationers sell: 3 × 8 of 70 × 37 mm on A4, 3 × 10 of 2 5/8 × 1 in on Letter. Common practice, no source;
 * in points.
 */
const SHEETS: Readonly<
  Record<
    PaperSize,
    {
      readonly columns: number
      readonly rows: number
      readonly left: number
      readonly top: number
      readonly width: number
      readonly height: number
      readonly pitch: number
    }
  >
> = {
  A4: {
    columns: 3,
    rows: 8,
    left: 0,
    top: 0.5 * MM,
    width: 70 * MM,
    height: 37 * MM,
    pitch: 70 * MM,
  },
  Letter: { columns: 3, rows: 10, left: 13.5, top: 36, width: 189, height: 72, pitch: 198 },
}

/** Kept free at the edge of a label: printers stray. */
const QUIET = 9

/** Labels of tools, as many sheets of them as it takes. */
export async function labelsPdf(
  labels: readonly PrintedLabel[],
  request: PaperRequest,
): Promise<PDFKit.PDFDocument> {
  const paper = new Paper({ ...request, foot: '' }, 'labels of tools')
  const { columns, rows, left, top, width, height, pitch } = SHEETS[request.size]
  for (const [index, { name, place, code, link }] of labels.entries()) {
    const at = index % (columns * rows)
    if (index > 0 && at === 0) paper.nextPage()
    const x = left + (at % columns) * pitch + QUIET
    const y = top + Math.floor(at / columns) * height + QUIET
    const side = height - 2 * QUIET
    const drawn = await QRCode.toString(link, {
      type: 'svg',
      margin: 0,
      errorCorrectionLevel: 'M',
      width: side,
    })
    paper.drawingAt(drawn, x, y)
    const words = x + side + 8
    const room = width - side - 2 * QUIET - 8
    const size = paper.sizeThatFits(name, room, { most: 11, least: 7, face: 'bold' })
    paper.textAt(name, words, y, room, { face: 'bold', size })
    paper.textAt(place, words, y + 15, room, { size: 8 })
    paper.textAt(code, words, y + 28, room, { face: 'numbers', size: 12 })
  }
  paper.end()
  return paper.stream
}
