import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'

const ROOT = join(__dirname, '../..')
const read = (path: string) => readFileSync(join(ROOT, path), 'utf8')
const tracked = (...patterns: string[]) =>
  execFileSync('git', ['ls-files', '--', ...patterns], { cwd: ROOT, encoding: 'utf8' })
    .split('\n')
    .filter((path) => path !== '' && existsSync(join(ROOT, path)))

const PAGES = tracked('README.md', 'docs/*.md')
const SOURCES = tracked('core/src', 'client/src', 'server/src', 'cli/src').filter((path) =>
  /\.tsx?$/.test(path),
)
const headings = (page: string) => [...read(page).matchAll(/^#+ (.+)$/gm)].map(([, title]) => title)

describe('the pages', () => {
  test('are all reached from the README', () => {
    const reached = read('README.md')
    expect(PAGES.filter((page) => page !== 'README.md' && !reached.includes(page))).toEqual([])
  })

  test('lead nowhere that is not there', () => {
    const dead = PAGES.flatMap((page) =>
      [...read(page).matchAll(/\]\((?!https?:)([^)#]+)(?:#[^)]*)?\)/g)].flatMap(([, to = '']) =>
        existsSync(join(ROOT, dirname(page), to)) ? [] : [`${page}: ${to}`],
      ),
    )
    expect(dead).toEqual([])
  })

  test('name no file that is not there; NAME stands for any', () => {
    const room =
      /`((?:core|machine|contract|server|client|cli|e2e|bench|scripts|docs|bin)\/[\w./-]+)`/g
    const gone = PAGES.flatMap((page) =>
      [...read(page).matchAll(room)].flatMap(([, path = '']) =>
        path.includes('NAME') || existsSync(join(ROOT, path)) ? [] : [`${page}: ${path}`],
      ),
    )
    expect(gone).toEqual([])
  })

  test('are cited by headings that they have', () => {
    const known = headings('docs/domain.md')
    const cited = tracked('*.ts', '*.tsx').flatMap((path) =>
      [...read(path).matchAll(/docs\/domain\.md,\s+(?:\*\s+|\/\/\s+)?“([^”]+)”/g)].map(
        ([, title = '']) => [path, title.replace(/\s*\n\s*(\*|\/\/)\s*/g, ' ')] as const,
      ),
    )
    expect(cited.length).toBeGreaterThan(20)
    expect(cited.filter(([, title]) => !known.includes(title))).toEqual([])
  })
})

describe('the sentences of the pages', () => {
  const MOST_WORDS = 30
  /** Paragraphs and points of lists: no code, no tables, no headings; of a link its words alone. */
  const blocks = (page: string) =>
    read(page)
      .replace(/```[^]*?```/g, '')
      .replace(/\]\([^)]*\)/g, ']')
      .split(/\n\s*\n|\n(?=\s*(?:[-*]|\d+\.) )/)
      .filter((block) => !/^\s*[#|<]/.test(block))

  test.each(PAGES)('of %s are short enough to be read once', (page) => {
    const sentences = blocks(page).flatMap((block) => block.trim().split(/(?<=[.!?:])\s+/))
    expect(sentences.filter((one) => one.split(/\s+/).length > MOST_WORDS)).toEqual([])
  })
})

describe('the words of the screens (docs/words.md)', () => {
  const rows = [...read('docs/words.md').matchAll(/^\| ([^|]+)\|([^|]+)\|([^|]+)\|$/gm)]
    .map((row) => row.slice(1).map((cell) => cell!.trim()))
    .slice(2)
  const unused = rows.flatMap(([, , not = '']) => (not === '—' ? [] : not.split(', ')))
  /** What a person may read: strings, templates and text between tags; comments are not. */
  const readable = (path: string): string =>
    read(path)
      .replace(/\/\*[^]*?\*\//g, '')
      .replace(/(^|\s)\/\/.*$/gm, '')

  test('each has its own meaning', () => {
    const names = rows.map(([name]) => name)
    expect(new Set(names).size).toBe(names.length)
    expect(rows.every((cells) => cells.every((cell) => cell !== ''))).toBe(true)
  })

  test.each(unused)('nobody reads “%s”', (words) => {
    const pattern = new RegExp(`\\b${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}\\b`, 'i')
    const pages = PAGES.filter((page) => page !== 'docs/words.md')
    const found = [
      ...SOURCES.filter((path) => pattern.test(readable(path))),
      ...pages.filter((page) => pattern.test(read(page))),
    ]
    expect(found).toEqual([])
  })
})
