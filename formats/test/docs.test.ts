import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { decimalOf, guessMapping, importRows } from '@pine/core/import-list'
import { describeImported, describeImportFault } from '@pine/core/words'
import { readOffsetText } from '@pine/core/offset-text'
import { openArchive, writeArchive } from '../src/archive'
import { readTable } from '../src/table-file'
import { exportSetup, fileHash, type TextExport } from '../src/exports'
import { example } from './example'

// The examples of docs/formats.md are what comes out. PINE_WRITE_DOCS=1 writes them.

const PAGE = join(__dirname, '../../docs/formats.md')
const MADE = /<!-- example: ([^>]+) -->\n\n```(\w*)\n([^]*?)```/g

async function manifestExample(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'pine-docs-'))
  const file = join(folder, 'x.zip')
  const entries = async function* () {
    yield {
      name: 'people.json',
      bytes: async function* () {
        yield '[]'
      },
    }
  }
  const about = {
    shop: 'Larkspur Optics Works',
    madeBy: 'Mira Toller',
    madeAt: '2026-11-30T14:05:00.000Z',
  }
  await pipeline(writeArchive(entries(), about), createWriteStream(file))
  const archive = await openArchive(file)
  archive.close()
  rmSync(folder, { recursive: true })
  return `${JSON.stringify(archive.manifest, null, 2)}\n`
}

async function made(what: string): Promise<string> {
  if (what === 'manifest') return manifestExample()
  const [as = '', name = '', offsets, tools] = what.split(' ')
  const setup = example(name)
  const { sheet } = setup.document
  const control = {
    ...sheet.machine.control,
    ...(offsets !== undefined && {
      offsetProgram: { offsets: offsets as 'L2', tools: tools as 'L10' },
    }),
  }
  const document = {
    ...setup.document,
    sheet: { ...sheet, machine: { ...sheet.machine, control } },
  }
  const request = {
    by: 'Mira Toller',
    at: '30 Nov 2026 14:05',
    hash: fileHash(setup.file),
    unproven: 'marked' as const,
  }
  const { text } = exportSetup(as as TextExport, { ...setup, document }, request)
  return text.replace(/^\uFEFF/, '').replace(/\r\n/g, '\n')
}

test('each example of the page is what comes out', async () => {
  const page = readFileSync(PAGE, 'utf8')
  const examples = [...page.matchAll(MADE)]
  expect(examples.length).toBe(3)
  let written = page
  for (const [all, what = '', kind = '', shown = ''] of examples) {
    const is = await made(what)
    if (process.env['PINE_WRITE_DOCS'] === '1')
      written = written.replace(
        all,
        () => `<!-- example: ${what} -->\n\n\`\`\`${kind}\n${is}\`\`\``,
      )
    else expect(shown).toBe(is)
  }
  if (written !== page) writeFileSync(PAGE, written)
})

test('the list that the page shows comes to what the page says', () => {
  const page = readFileSync(PAGE, 'utf8')
  const [, text = '', rows = ''] =
    /<!-- list: tools -->\n\n```\n([^]*?)```\n\n([^]*?)\n\n/.exec(page) ?? []
  const file = readTable(new TextEncoder().encode(text))
  if ('refused' in file) throw new Error(file.refused)
  const columns = guessMapping('tools', file.table.header)
  const { rows: good, problems } = importRows('tools', file.table, {
    ...{ columns, unit: 'mm', decimal: decimalOf('tools', file.table, columns) },
    ...{ machines: new Map([['mill', 'mill']]), machine: 'mill' },
  })
  const told = [
    ...good.map(({ row, body }) => `${row} ${describeImported(body, () => 'Mill')}`),
    ...problems.map(
      ({ row, fault, text }) => `${row} “${text}”: ${describeImportFault({ fault, text })}`,
    ),
  ]
  const shown = rows
    .split('\n')
    .slice(2)
    .map((line) =>
      line
        .split('|')
        .slice(1, 3)
        .map((cell) => cell.trim())
        .join(' '),
    )
  expect(shown).toEqual(told)
})

test('the table that the page shows is read as the example holds it', () => {
  const [, name = '', text = ''] =
    /<!-- table: ([^>]+) -->\n\n```\n([^]*?)```/.exec(readFileSync(PAGE, 'utf8')) ?? []
  const { document, solution } = example(name)
  const { rows, problems } = readOffsetText(text, 'mm', document.sheet.machine)
  expect(problems).toEqual([])
  const holds = new Map(rows.map(({ address, shown }) => [address, shown.text]))
  for (const { address, keyIn } of solution.registers) expect(holds.get(address)).toBe(keyIn?.after)
})
