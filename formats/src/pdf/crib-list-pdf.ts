import type { ToolAssembly } from '@pine/core/shop'
import { lengthWords } from '@pine/core/words'
import { Paper, type PaperRequest } from './paper'

/** A tool in a pocket, with the length that its last set-up measured. */
export interface CribTool {
  readonly tool: ToolAssembly
  /** Nose to tip, with its unit; empty where nobody has measured it in its holder. */
  readonly measured: string
}

/** What is in a changer, on one page for as many pockets as most have: what to look for, and what it last measured. */
export function cribListPdf(
  {
    machine,
    pockets,
    tools,
  }: { machine: string; pockets: number | undefined; tools: readonly CribTool[] },
  request: PaperRequest,
): PDFKit.PDFDocument {
  const foot = `${request.foot} · look at each tool against its pocket`
  const paper = new Paper({ ...request, foot }, `${machine}, what is in its changer`)
  paper.textAt(machine, paper.left, paper.y, paper.across, { face: 'bold', size: 20 })
  paper.skip(28)
  const held = `${tools.length} ${tools.length === 1 ? 'tool' : 'tools'}${pockets === undefined ? '' : ` in ${pockets} pockets`}`
  paper.textAt(held, paper.left, paper.y, paper.across, { size: 11 })
  paper.skip(18)
  paper.table(
    [
      { title: 'pocket', width: 42, face: 'numbers' },
      { title: 'tool', width: 'rest' },
      { title: 'holder', width: 92 },
      { title: 'stick-out', width: 58, face: 'numbers', align: 'right' },
      { title: 'length, last measured', width: 120, face: 'numbers', align: 'right' },
      { title: 'seen', width: 50 },
    ],
    tools.map(({ tool, measured }) => [
      String(tool.place?.pocket ?? ''),
      tool.name,
      tool.holder?.name ?? '',
      tool.stickOut === undefined ? '' : lengthWords(tool.stickOut),
      measured,
      '',
    ]),
  )
  paper.end()
  return paper.stream
}
