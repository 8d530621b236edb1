import PDFDocument from 'pdfkit'
import svgToPdf from 'svg-to-pdfkit'
import { PAPER_SIZES, type PaperSize } from '../paper-size'
import { printable } from './printable'
import { unpackedFont } from './unpacked-font'

/** Files of the fonts that ship with the product: of words, of words in bold, of numbers. */
export interface FontFiles {
  readonly words: string
  readonly bold: string
  readonly numbers: string
}

/** Where the packages of the fonts lie, asked of whoever can tell (`require.resolve`). */
export const fontFiles = (resolve: (file: string) => string): FontFiles => {
  const next = '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin'
  const mono = '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin'
  return {
    words: resolve(`${next}-400-normal.woff`),
    bold: resolve(`${next}-700-normal.woff`),
    numbers: resolve(`${mono}-500-normal.woff`),
  }
}

/** What every document on paper is made with. */
export interface PaperRequest {
  readonly size: PaperSize
  readonly fonts: FontFiles
  /** When it is made: told in the file. */
  readonly at: Date
  readonly author: string
  /** Beneath every page: by whom and when it was printed; empty for none. */
  readonly foot: string
}

export const MARGIN = 34

export type Face = keyof FontFiles

export interface Written {
  readonly face?: Face
  readonly size?: number
  readonly align?: 'left' | 'right' | 'center'
}

export interface TableColumn {
  readonly title: string
  /** Points; `rest` takes what the others leave. */
  readonly width: number | 'rest'
  readonly face?: Face
  readonly align?: 'left' | 'right'
}

/**
 * A document on paper that is written from the top down. What does not fit goes on to the next page, a table with its header.
 * It is streamed: a page that is full is not kept.
 */
export class Paper {
  readonly stream: PDFKit.PDFDocument
  private readonly width: number
  private readonly height: number
  private top = MARGIN
  private page = 1

  private readonly foot: string

  constructor({ size, fonts, at, author, foot }: PaperRequest, title: string) {
    this.foot = foot
    const [width, height] = PAPER_SIZES[size]
    this.width = width
    this.height = height
    this.stream = new PDFDocument({
      size: [width, height],
      margin: 0,
      // No font but ours: the usual ones have no minus sign.
      font: unpackedFont(fonts.words) as unknown as string,
      info: { Title: title, Author: author, CreationDate: at },
      lang: 'en',
      displayTitle: true,
    })
    for (const face of ['words', 'bold', 'numbers'] as const)
      this.stream.registerFont(face, unpackedFont(fonts[face]))
    this.writeFoot()
  }

  get left(): number {
    return MARGIN
  }

  get across(): number {
    return this.width - 2 * MARGIN
  }

  get y(): number {
    return this.top
  }

  /** Moves on, down the page. */
  skip(points: number): void {
    this.top += points
  }

  /** Begins another page where there is no room for so much. */
  room(points: number): void {
    if (this.top + points > this.height - MARGIN - 16) this.nextPage()
  }

  end(): void {
    this.stream.end()
  }

  /** Text at a place, cut to its width; returns how high it stands. */
  textAt(
    text: string,
    x: number,
    y: number,
    width: number,
    { face = 'words', size = 9.5, align = 'left' }: Written = {},
  ): number {
    this.stream.font(face).fontSize(size).fillColor('black')
    this.stream.text(printable(text), x, y, {
      width,
      align,
      lineBreak: false,
      height: size * 1.3,
      ellipsis: true,
    })
    return size * 1.3
  }

  /** The largest size at which a text stands on one line, from what is wished for down to the least that can be read. */
  sizeThatFits(
    text: string,
    width: number,
    { most, least, face = 'words' }: { most: number; least: number; face?: Face },
  ): number {
    const wide = this.stream.font(face).fontSize(most).widthOfString(text)
    return Math.max(least, Math.min(most, (most * width) / Math.max(wide, 1)))
  }

  /** Text in as many lines as it takes at a place; returns how high it stands. */
  linesAt(text: string, x: number, y: number, width: number, size: number): number {
    this.stream.font('words').fontSize(size).fillColor('black')
    const words = printable(text)
    const height = this.stream.heightOfString(words, { width })
    this.stream.text(words, x, y, { width })
    return height
  }

  /** A line through what must not be used. */
  lineThrough(x: number, y: number, width: number): void {
    this.stream
      .lineWidth(1.2)
      .strokeColor('black')
      .moveTo(x, y)
      .lineTo(x + width, y)
      .stroke()
  }

  /** A thin line beneath what was written last. */
  hairline(): void {
    this.stream.lineWidth(0.25).strokeColor('black')
    this.stream
      .moveTo(this.left, this.top)
      .lineTo(this.left + this.across, this.top)
      .stroke()
    this.top += 2
  }

  /** A paragraph over the whole width, in as many lines as it takes. */
  paragraph(text: string, { face = 'words', size = 9.5 }: Written = {}): void {
    this.stream.font(face).fontSize(size).fillColor('black')
    const words = printable(text)
    const height = this.stream.heightOfString(words, { width: this.across })
    this.room(height)
    this.stream.text(words, this.left, this.top, { width: this.across })
    this.top += height + 1
  }

  heading(text: string): void {
    this.room(44)
    this.top += 5
    this.textAt(text, this.left, this.top, this.across, { face: 'bold', size: 11 })
    this.top += 15
  }

  rule(weight = 0.75): void {
    this.stream.lineWidth(weight).strokeColor('black')
    this.stream
      .moveTo(this.left, this.top)
      .lineTo(this.left + this.across, this.top)
      .stroke()
    this.top += 3
  }

  /** A drawing whose size stands in it, at a place. */
  drawingAt(svg: string, x: number, y: number): void {
    svgToPdf(this.stream, svg, x, y, {
      assumePt: true,
      fontCallback: (family, bold) =>
        family.includes('Mono') ? 'numbers' : bold ? 'bold' : 'words',
    })
  }

  /** Rows beneath a header, which is repeated on each page that they go on to. */
  table(columns: readonly TableColumn[], rows: readonly (readonly string[])[]): void {
    const taken = columns.reduce((sum, { width }) => sum + (width === 'rest' ? 0 : width), 0)
    const widths = columns.map(({ width }) => (width === 'rest' ? this.across - taken : width))
    const line = (cells: readonly string[], written: (column: TableColumn) => Written) => {
      let x = this.left
      columns.forEach((column, index) => {
        const width = widths[index] ?? 0
        this.textAt(cells[index] ?? '', x, this.top, width - 6, {
          ...written(column),
          ...(column.align && { align: column.align }),
        })
        x += width
      })
      this.top += 12.5
    }
    const header = () => {
      line(
        columns.map(({ title }) => title),
        () => ({ face: 'bold', size: 8 }),
      )
      this.rule()
    }
    this.room(48)
    header()
    for (const cells of rows) {
      const page = this.page
      this.room(16)
      if (page !== this.page) header()
      line(cells, ({ face = 'words' }) => ({ face, size: face === 'numbers' ? 9.5 : 9 }))
      this.hairline()
    }
  }

  nextPage(): void {
    this.stream.addPage({ size: [this.width, this.height], margin: 0 })
    this.page += 1
    this.top = MARGIN
    this.writeFoot()
  }

  private writeFoot(): void {
    if (this.foot === '') return
    const y = this.height - MARGIN + 4
    this.textAt(this.foot, this.left, y, this.across - 60, { size: 7.5 })
    this.textAt(`page ${this.page}`, this.left + this.across - 60, y, 60, {
      size: 7.5,
      align: 'right',
    })
  }
}
