import QRCode from 'qrcode'
import type { SheetContent, SheetNumber, SheetTool } from '../setup-sheet/sheet-content'
import { ladderSvg } from '../svg/ladder-svg'
import { planSvg } from '../svg/plan-svg'
import { Paper, type PaperRequest } from './paper'

/** A side of the code that a phone reads off the sheet, in points. */
const CODE = 58
/** How high the drawings stand. */
const DRAWN = 124
/** Numbers that are read at arm's length, and what stands beneath them. */
const LARGE = 13.5
const SMALL = 8
/** How wide the name of a register is, and its number. */
const NAME = 46
const VALUE = 92
/** One number with what is beneath it. */
const NUMBER_HEIGHT = 25

export interface SheetOnPaper extends Omit<PaperRequest, 'author' | 'foot'> {
  /** Decimals of the control. */
  readonly decimals: number
}

/** The set-up sheet on paper. It is streamed as it is written: whoever takes it sees its pages come. */
export async function setupSheetPdf(
  content: SheetContent,
  { decimals, ...request }: SheetOnPaper,
): Promise<PDFKit.PDFDocument> {
  const foot = `${content.printed} · SHA-256 ${content.hash.slice(0, 16)} · not valid once anything is touched or keyed later`
  const about = { ...request, author: content.printed, foot }
  const paper = new Paper(about, `${content.job}, set-up sheet`)
  const code = await QRCode.toString(content.link, {
    type: 'svg',
    margin: 0,
    errorCorrectionLevel: 'M',
    width: CODE,
  })
  head(paper, content, code)
  aboutAndDrawings(paper, content, decimals)
  rows(paper, content)
  tools(paper, content)
  beneath(paper, content)
  signatures(paper)
  paper.end()
  return paper.stream
}

function head(paper: Paper, { job, machine, unit, released }: SheetContent, code: string): void {
  const width = paper.across - CODE - 12
  const { y, left } = paper
  const size = paper.sizeThatFits(job, width, { most: 20, least: 11, face: 'bold' })
  paper.textAt(job, left, y + (20 - size), width, { face: 'bold', size })
  paper.textAt(
    `${machine} · all numbers in ${unit === 'in' ? 'inches' : 'mm'}`,
    left,
    y + 27,
    width,
    { size: 11 },
  )
  paper.textAt(released ?? 'NOT RELEASED', left, y + 44, width, { face: 'bold', size: 11 })
  paper.drawingAt(code, left + paper.across - CODE, y)
  paper.skip(CODE + 6)
  paper.rule(1.5)
}

function aboutAndDrawings(
  paper: Paper,
  { about, plan, ladder, unit }: SheetContent,
  decimals: number,
): void {
  const third = (paper.across - 16) / 3
  const { y, left } = paper
  let line = y + 4
  for (const [name, says] of about) {
    paper.textAt(name, left, line, third, { face: 'bold', size: SMALL })
    line += 10 + paper.linesAt(says, left, line + 10, third, 9) + 3
  }
  if (plan !== undefined)
    paper.drawingAt(planSvg(plan, { width: third, height: DRAWN }), left + third + 8, y)
  const drawn = { unit, decimals, width: third, height: DRAWN }
  paper.drawingAt(ladderSvg(ladder, drawn), left + 2 * (third + 8), y)
  paper.skip(Math.max(DRAWN + 2, line - y))
}

/** A number in large digits with its register before it; beneath, how sure it is and how far it is to be trusted. */
function largeNumber(paper: Paper, number: SheetNumber, x: number, width: number): void {
  const { register, value, sureTo, state, isStale, by } = number
  paper.textAt(register, x, paper.y + 4, NAME, { face: 'numbers', size: 10 })
  const text = value === '' ? '—' : value
  paper.textAt(text, x + NAME, paper.y, VALUE, { face: 'numbers', size: LARGE, align: 'right' })
  if (isStale && value !== '') paper.lineThrough(x + NAME, paper.y + LARGE * 0.6, VALUE)
  const beneath = [sureTo, state, by].filter((one) => one !== '').join(' · ')
  paper.textAt(beneath, x, paper.y + 15.5, width, { size: SMALL })
}

/** One line for each work offset: X, Y and Z beside each other. */
function rows(paper: Paper, { rows: all }: SheetContent): void {
  paper.heading('Work offsets')
  paper.rule()
  const third = paper.across / 3
  for (const { X, Y, Z } of all) {
    paper.room(NUMBER_HEIGHT)
    ;[X, Y, Z].forEach((number, index) => {
      if (number !== undefined) largeNumber(paper, number, paper.left + index * third, third - 10)
    })
    paper.skip(NUMBER_HEIGHT)
    paper.hairline()
  }
}

/** One line for each tool, and one more for each number beyond its first two. */
function tools(paper: Paper, { tools: all }: SheetContent): void {
  paper.heading('Tools')
  paper.rule()
  for (const tool of all) oneTool(paper, tool)
}

function oneTool(paper: Paper, { T, name, holder, stickOut, pocket, numbers }: SheetTool): void {
  const [number, named] = [40, paper.across * 0.42]
  const each = (paper.across - named) / 2
  const beneath = [
    holder,
    stickOut && `stick-out ${stickOut}`,
    pocket && `pocket ${pocket}`,
  ].filter((one) => one !== '')
  const lines = Math.max(1, Math.ceil(numbers.length / 2))
  paper.room(lines * NUMBER_HEIGHT)
  paper.textAt(T, paper.left, paper.y, number, { face: 'numbers', size: LARGE })
  const width = named - number - 6
  const size = paper.sizeThatFits(name, width, { most: 11, least: 8 })
  paper.textAt(name, paper.left + number, paper.y + 3, width, { size })
  paper.textAt(beneath.join(' · '), paper.left + number, paper.y + 15.5, width + 4, { size: SMALL })
  for (let line = 0; line < lines; line += 1) {
    numbers.slice(2 * line, 2 * line + 2).forEach((one, index) => {
      largeNumber(paper, one, paper.left + named + index * each, each - 8)
    })
    paper.skip(NUMBER_HEIGHT)
  }
  paper.hairline()
}

function beneath(paper: Paper, { gauges, program, warnings, cautions }: SheetContent): void {
  if (warnings.length > 0) {
    paper.heading('To be looked at')
    for (const warning of warnings) paper.paragraph(`! ${warning}`, { face: 'bold', size: 9 })
  }
  paper.heading('Gauges')
  paper.table(
    [
      { title: 'gauge', width: 'rest' },
      { title: 'size', width: 110, face: 'numbers', align: 'right' },
      { title: 'next check', width: 130, align: 'right' },
    ],
    gauges,
  )
  if (program.length > 0) {
    paper.heading('Program')
    for (const line of program) paper.paragraph(line, { size: 8.5 })
  }
  paper.heading('Before you start')
  paper.paragraph(cautions.join(' '), { size: 8 })
}

/** Blanks to be signed by hand. */
function signatures(paper: Paper): void {
  paper.room(32)
  paper.skip(15)
  const quarter = paper.across / 4
  ;['Set up by', 'Second look', 'First part good', 'Date'].forEach((name, index) => {
    const x = paper.left + index * quarter
    paper.stream.lineWidth(0.5).strokeColor('black')
    paper.stream
      .moveTo(x, paper.y)
      .lineTo(x + quarter - 10, paper.y)
      .stroke()
    paper.textAt(name, x, paper.y + 3, quarter - 10, { size: SMALL })
  })
}
