import QRCode from 'qrcode'
import type { SheetContent, SheetNumber, SheetTool } from '../setup-sheet/sheet-content'
import { element, escaped } from '../svg/element'
import { ladderSvg } from '../svg/ladder-svg'
import { planSvg } from '../svg/plan-svg'

/** Points of paper, as in the drawings. */
const DRAWN = { width: 200, height: 140 }
const CODE = 64

/** Black on white, one column of numbers under the other; what is for the screen alone is not printed. */
const STYLE = `
@page { margin: 12mm }
* { box-sizing: border-box }
body { font: 11pt/1.35 'Atkinson Hyperlegible Next', sans-serif; color: #000; background: #fff; margin: 16px auto; max-width: 190mm; padding: 0 8px }
h1 { font-size: 20pt; line-height: 1.1; margin: 0 } h2 { font-size: 12pt; margin: 14px 0 4px; border-bottom: 1.5pt solid #000; break-after: avoid }
p { margin: 3px 0 } header, .drawn { display: flex; gap: 12px; justify-content: space-between; align-items: flex-start; flex-wrap: wrap }
table { width: 100%; border-collapse: collapse } td, th { text-align: left; vertical-align: top; padding: 3px 8px 3px 0; border-bottom: 0.5pt solid #888 } tr { break-inside: avoid }
.number { font-family: 'Atkinson Hyperlegible Mono', monospace; font-size: 14pt; white-space: nowrap } .beneath { font-size: 8.5pt }
.stale { text-decoration: line-through } .signs { display: flex; gap: 12px; margin-top: 34px } .signs div { flex: 1; border-top: 0.5pt solid #000; font-size: 8.5pt }
.screen { background: #eee; padding: 8px } @media print { .screen { display: none } }
`

const text = (name: string, words: string, of?: string) =>
  element(name, { class: of }, escaped(words))
const joined = (...parts: readonly string[]) => parts.filter((one) => one !== '').join(' · ')

/**
 * The set-up sheet as a page that a browser prints: the same content as on paper, whole by itself, with no script and nothing
 * that is fetched.
 *
 * @param decimals of the control.
 */
export async function setupSheetHtml(content: SheetContent, decimals: number): Promise<string> {
  const { job, printed, hash } = content
  const foot = `${printed} · SHA-256 ${hash.slice(0, 16)} · not valid once anything is touched or keyed later`
  const page = element(
    'html',
    { lang: 'en' },
    element(
      'head',
      {},
      '<meta charset="utf-8"><meta name="viewport" content="width=device-width">',
      text('title', `${job}, set-up sheet`),
      element('style', {}, STYLE),
    ),
    element(
      'body',
      {},
      text('p', 'Print this page with your browser.', 'screen'),
      await head(content),
      about(content, decimals),
      rows(content),
      tools(content),
      beneath(content),
      signatures(),
      text('p', foot, 'beneath'),
    ),
  )
  return `<!doctype html>${page}\n`
}

async function head({ job, machine, unit, released, link }: SheetContent): Promise<string> {
  const code = await QRCode.toString(link, {
    ...{ type: 'svg', margin: 0, errorCorrectionLevel: 'M', width: CODE },
  })
  return element(
    'header',
    {},
    element(
      'div',
      {},
      text('h1', job),
      text('p', `${machine} · all numbers in ${unit === 'in' ? 'inches' : 'mm'}`),
      element('p', {}, text('strong', released ?? 'NOT RELEASED')),
    ),
    code,
  )
}

function about({ about, plan, ladder, unit }: SheetContent, decimals: number): string {
  const lines = about.map(([name, says]) =>
    element('p', {}, text('strong', `${name}: `), escaped(says)),
  )
  return element(
    'div',
    { class: 'drawn' },
    element('div', { style: 'flex: 1; min-width: 180px' }, ...lines, ''),
    plan === undefined ? '' : planSvg(plan, DRAWN),
    ladderSvg(ladder, { unit, decimals, ...DRAWN }),
  )
}

const cell = (...within: readonly string[]) => element('td', {}, ...within, '')

function numberCell(number: SheetNumber | undefined): string {
  if (number === undefined) return cell()
  const { register, value, sureTo, state, isStale, by } = number
  return cell(
    text('span', register, 'beneath'),
    element(
      'div',
      { class: isStale && value !== '' ? 'number stale' : 'number' },
      escaped(value === '' ? '—' : value),
    ),
    text('div', joined(sureTo, state, by), 'beneath'),
  )
}

const table = (title: string, lines: readonly string[]): string =>
  lines.length === 0 ? '' : text('h2', title) + element('table', {}, ...lines)

const rows = ({ rows: all }: SheetContent): string =>
  table(
    'Work offsets',
    all.map(({ X, Y, Z }) => element('tr', {}, ...[X, Y, Z].map(numberCell))),
  )

const tools = ({ tools: all }: SheetContent): string =>
  table(
    'Tools',
    all.map((tool) =>
      element(
        'tr',
        {},
        cell(text('div', tool.T, 'number')),
        cell(text('div', tool.name), text('div', besideTool(tool), 'beneath')),
        ...tool.numbers.map(numberCell),
      ),
    ),
  )

const besideTool = ({ holder, stickOut, pocket }: SheetTool): string =>
  joined(
    holder,
    stickOut === '' ? '' : `stick-out ${stickOut}`,
    pocket === '' ? '' : `pocket ${pocket}`,
  )

function beneath({ warnings, gauges, program, cautions }: SheetContent): string {
  return [
    warnings.length === 0 ? '' : text('h2', 'To be looked at'),
    ...warnings.map((warning) => element('p', {}, text('strong', `! ${warning}`))),
    table(
      'Gauges',
      gauges.map(([name, size, due]) =>
        element('tr', {}, ...[name, size, due].map((one) => cell(escaped(one)))),
      ),
    ),
    program.length === 0 ? '' : text('h2', 'Program'),
    ...program.map((line) => text('p', line)),
    text('h2', 'Before you start'),
    ...cautions.map((caution) => text('p', caution, 'beneath')),
  ].join('')
}

const signatures = (): string =>
  element(
    'div',
    { class: 'signs' },
    ...['Set up by', 'Second look', 'First part good', 'Date'].map((name) => text('div', name)),
  )
