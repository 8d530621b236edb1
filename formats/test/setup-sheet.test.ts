import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { SaxesParser } from 'saxes'
import { setupSheetHtml } from '../src/html'
import { type PaperSize } from '../src/paper-size'
import { cribListPdf, labelsPdf, setupSheetPdf } from '../src/pdf'
import { sheetContent, type ShopBeside } from '../src/setup-sheet'
import { example, FONTS } from './example'

const REQUEST = {
  by: 'Mira Toller',
  at: '2026-11-30T14:05:00Z',
  zone: 60,
  hash: 'ab'.repeat(32),
  link: 'http://127.0.0.1:4310/setups/x',
}
const NOTHING: ShopBeside = { tools: new Map(), gaugesDue: new Map() }

interface Page {
  readonly width: number
  readonly height: number
  readonly texts: readonly { readonly text: string; readonly x: number; readonly y: number }[]
}

/** The pages of a document as a general reader (pdf.js) finds them. */
async function pagesOf(document: NodeJS.ReadableStream): Promise<readonly Page[]> {
  const pieces: Buffer[] = []
  for await (const piece of document) pieces.push(Buffer.from(piece as Uint8Array))
  const input = Buffer.concat(pieces)
  return JSON.parse(
    execFileSync(process.execPath, [join(__dirname, 'read-pdf.mjs')], { input, encoding: 'utf8' }),
  ) as Page[]
}

async function printed(
  name: string,
  size: PaperSize = 'A4',
  beside = NOTHING,
  change = (content: ReturnType<typeof sheetContent>) => content,
) {
  const { document, solution } = example(name)
  const content = change(sheetContent(document, solution, beside, REQUEST))
  const paper = { size, fonts: FONTS, at: new Date(REQUEST.at), decimals: solution.decimals }
  return pagesOf(await setupSheetPdf(content, paper))
}

/** The page that a browser prints, read by a general reader of XML (saxes): its texts, and what it is made of. */
async function page(name: string, change = (content: ReturnType<typeof sheetContent>) => content) {
  const { document, solution } = example(name)
  const content = change(sheetContent(document, solution, NOTHING, REQUEST))
  const html = await setupSheetHtml(content, solution.decimals)
  const [texts, tags]: [string[], string[]] = [[], []]
  const reader = new SaxesParser()
  reader.on('text', (text) => texts.push(text))
  reader.on('opentag', ({ name: tag }) => tags.push(tag))
  reader.on('error', (error) => {
    throw error
  })
  // Of HTML, what is no XML: its first line, and elements that are never closed.
  reader.write(html.replace('<!doctype html>', '').replace(/(<meta[^>]*)>/g, '$1/>')).close()
  return { content, html, texts, tags }
}

test('the print view has every number, name and caution of the sheet, its drawings and its code', async () => {
  const { content, texts, tags } = await page('whole-run')
  const numbers = [
    ...content.rows.flatMap(({ X, Y, Z }) => [X, Y, Z]),
    ...content.tools.flatMap((tool) => tool.numbers),
  ].flatMap((one) => one ?? [])
  expect(numbers.length).toBeGreaterThan(3)
  for (const { register, value, by } of numbers) {
    expect(texts).toContain(register)
    expect(texts).toContain(value)
    expect(texts.some((text) => text.endsWith(by))).toBe(true)
  }
  expect(texts).toEqual(expect.arrayContaining([content.job, 'NOT RELEASED', ...content.cautions]))
  for (const [, size] of content.gauges) expect(texts).toContain(size)
  expect(tags.filter((tag) => tag === 'svg')).toHaveLength(3)
  for (const tag of ['script', 'link', 'img', 'iframe']) expect(tags).not.toContain(tag)
})

test('what was typed is text of the print view and nothing else; what no longer holds is struck through', async () => {
  const { texts, tags, html } = await page('whole-run', (content) => ({
    ...content,
    job: '<script>alert("1")</script> & more',
    rows: content.rows.map((row) => ({ ...row, X: row.X && { ...row.X, isStale: true } })),
  }))
  expect(tags).not.toContain('script')
  expect(texts).toContain('<script>alert("1")</script> & more')
  expect(html.match(/class="number stale"/g)).toHaveLength(1)
})

const all = ({ texts }: Page) => texts.map(({ text }) => text)

test.each([
  ['A4', 595, 842],
  ['Letter', 612, 792],
] as const)(
  '%s: every number is on the paper as it is keyed, and nothing stands beyond its edge',
  async (size, width, height) => {
    const pages = await printed('whole-run', size)
    const [paper] = pages
    expect([Math.round(paper!.width), Math.round(paper!.height)]).toEqual([width, height])
    expect(pages).toHaveLength(1)
    const words = all(pages[0]!)
    expect(words).toEqual(
      expect.arrayContaining([
        'NOT RELEASED',
        'Mill 2 · all numbers in mm',
        'H1',
        '−271.350',
        '±0.0072 · proven · Mira Toller',
        '−347.300',
        '−250.000',
        '50.000',
        'Set up by',
        'Second look',
      ]),
    )
    for (const { x, y } of paper!.texts) {
      expect(x).toBeGreaterThan(20)
      expect(x).toBeLessThan(width - 20)
      expect(y).toBeGreaterThan(20)
      expect(y).toBeLessThan(height - 20)
    }
  },
)

test('what the shop knows beside the set-up stands with its tools and gauges', async () => {
  const { document } = example('whole-run')
  const [tool] = document.sheet.tools
  const [gauge] = document.sheet.gauges
  const holder = { name: 'ER16 collet' }
  const kept = {
    name: tool!.name,
    holder,
    stickOut: { text: '35', unit: 'mm' as const },
    place: { machine: 'x', pocket: 4 },
  }
  const beside = { tools: new Map([['it', kept]]), gaugesDue: new Map([[gauge!.id, '2027-02-14']]) }
  const named = { ...document, sheet: { ...document.sheet, tools: [{ ...tool!, assembly: 'it' }] } }
  const { solution } = example('whole-run')
  const content = sheetContent(named, solution, beside, REQUEST)
  expect(content.tools[0]).toMatchObject({
    T: 'T1',
    holder: 'ER16 collet',
    stickOut: '35 mm',
    pocket: '4',
  })
  expect(content.gauges[0]).toEqual(['50 mm setter', '50.000 mm', '14 Feb 2027'])
})

test('eight tools stand on one page, and sixty go on with every one of them there', async () => {
  const many = (count: number) => (content: ReturnType<typeof sheetContent>) => ({
    ...content,
    tools: Array.from({ length: count }, (_, index) => ({
      ...content.tools[0]!,
      T: `T${index + 1}`,
    })),
  })
  const eight = await printed('whole-run', 'A4', NOTHING, many(8))
  expect(eight).toHaveLength(1)
  expect(await printed('whole-run', 'Letter', NOTHING, many(8))).toHaveLength(1)
  const pages = await printed('whole-run', 'A4', NOTHING, many(60))
  const found = pages.flatMap(all).filter((text) => /^T\d+$/.test(text))
  expect(found).toEqual(Array.from({ length: 60 }, (_, index) => `T${index + 1}`))
  expect(pages.map((page) => all(page).filter((text) => text.startsWith('page ')))).toEqual(
    pages.map((_, index) => [`page ${index + 1}`]),
  )
})

test('a name in other letters is written in those that the fonts have, and never as empty boxes', async () => {
  const change = (content: ReturnType<typeof sheetContent>) => ({
    ...content,
    job: 'Łożysko Ø 8 − größe ✓',
  })
  const [page] = await printed('whole-run', 'A4', NOTHING, change)
  expect(all(page!).join(' ')).toContain('Lozysko Ø 8 − größe ?')
})

test('one tool at a time: Z of the row with each tool stands at that tool', () => {
  const { document, solution } = example('tool-by-tool')
  const { rows, tools } = sheetContent(document, solution, NOTHING, REQUEST)
  expect(rows.map(({ row, Z }) => [row, Z])).toEqual([['G54', undefined]])
  expect(
    tools.map(({ T, numbers }) => [
      T,
      ...numbers.map(({ register, value }) => `${register} ${value}`),
    ]),
  ).toEqual([
    ['T1', 'G54 Z −44.160'],
    ['T2', 'G54 Z −36.605'],
  ])
})

test('a release says who and when; a number that no longer holds says so in words', () => {
  const { document, solution } = example('sensor-and-events')
  const content = sheetContent(document, solution, NOTHING, REQUEST)
  expect(content.released).toBeUndefined()
  const stale = solution.registers
    .filter(({ state }) => state === 'stale')
    .map(({ address }) => address)
  const all = [
    ...content.rows.flatMap(({ X, Y, Z }) => [X, Y, Z]),
    ...content.tools.flatMap(({ numbers }) => numbers),
  ]
  const said = all.filter((one) => one?.state === 'NO LONGER VALID')
  expect(stale.length).toBeGreaterThan(0)
  expect(said).toHaveLength(stale.length)
})

const ON_A4 = {
  size: 'A4',
  fonts: FONTS,
  at: new Date(REQUEST.at),
  author: 'Mira',
  foot: 'Printed for Mira',
} as const

test('a crib list has every pocket with its tool, holder, stick-out and last length', async () => {
  const tools = Array.from({ length: 24 }, (_, index) => ({
    tool: {
      name: `end mill ${index + 1}`,
      holder: { name: 'ER16' },
      stickOut: { text: '35.0', unit: 'mm' as const },
      place: { machine: 'x', pocket: index + 1 },
    },
    measured: index === 3 ? '118.500 mm' : '',
  }))
  const pages = await pagesOf(cribListPdf({ machine: 'Mill 2', pockets: 30, tools }, ON_A4))
  expect(pages).toHaveLength(1)
  const words = all(pages[0]!)
  expect(words).toEqual(
    expect.arrayContaining(['Mill 2', '24 tools in 30 pockets', 'end mill 24', 'ER16']),
  )
  expect(words.join(' ')).toContain('118.500 mm')
})

test('labels go on to the next sheet, each within its own', async () => {
  const labels = Array.from({ length: 25 }, (_, index) => ({
    ...{ name: `a tool with a rather long name ${index}`, place: 'Mill 2, pocket 4' },
    ...{ code: `CODE${String(index).padStart(4, '0')}`, link: 'http://shop/tools/x' },
  }))
  const pages = await pagesOf(await labelsPdf(labels, ON_A4))
  const codes = pages.map((page) => page.texts.filter(({ text }) => text.startsWith('CODE')))
  expect(codes.map(({ length }) => length)).toEqual([24, 1])
  // 70 mm is 198.4 points: three columns, and a row each 37 mm.
  const columns = new Set(codes[0]!.map(({ x }) => Math.floor(x / 198.4)))
  const rows = new Set(codes[0]!.map(({ y }) => Math.floor((841.89 - y) / 104.9)))
  expect([columns.size, rows.size]).toEqual([3, 8])
  const letter = await pagesOf(await labelsPdf(labels.slice(0, 24), { ...ON_A4, size: 'Letter' }))
  expect(letter).toHaveLength(1)
})
