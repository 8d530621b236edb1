import { execFileSync, spawnSync } from 'node:child_process'
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

// The guides of docs/development.md name every file that they need: two of them are followed in a copy, in which nothing else is
// changed. The compiler asks for what a guide forgot.

const ROOT = join(__dirname, '../..')
const MOST_FILES = 4

/** Where one line goes in: behind an anchor that has to be there. */
interface Line {
  readonly file: string
  readonly behind: string
  readonly line: string
}

const CONTACT: readonly Line[] = [
  { file: 'core/src/touch/gauge-kinds.ts', behind: `  'paper',\n`, line: `  'wire',\n` },
  {
    file: 'core/src/touch/gauge-kinds.ts',
    behind: 'Readonly<Record<GaugeKind, GaugeKindFacts>> = {\n',
    line: `  wire: { ...between, measure: 'thickness', shareInZ: 1, shareInXY: 1, repeatabilityMm: 0.01, minutes: 2 },\n`,
  },
  {
    file: 'core/src/words/trust/gauge-words.ts',
    behind: 'Readonly<Record<GaugeKind, string>> = {\n',
    line: `  wire: 'measured wire',\n`,
  },
]

const FACT: readonly Line[] = [
  {
    file: 'core/src/facts/bodies/bodies.ts',
    behind: 'export const SETUP_BODIES = {\n',
    line: `  weather: recordOf({ warmth: field(length, 'how far the table has grown') }),\n`,
  },
  {
    file: 'core/src/facts/bodies/bodies.ts',
    behind: 'export const LIST_OF = {\n',
    line: `  weather: 'weathers',\n`,
  },
  {
    file: 'core/src/facts/bodies/bodies.ts',
    behind: 'Readonly<Record<keyof SetupBodies, string>> = {\n',
    line: `  weather: 'how warm it was',\n`,
  },
  {
    file: 'contract/src/setup-facts.ts',
    behind: 'export const SETUP_FACTS = {\n',
    line: `  weather: setupKind('weather', ({ warmth }) => \`The weather \${warmth.text}\`),\n`,
  },
  {
    file: 'core/src/words/setup/story-words.ts',
    behind: '} = {\n',
    line: `  weather: { tells: 'other', words: ({ warmth }) => \`The table has grown by \${warmth.text}.\` },\n`,
  },
]

/** What must hold once both guides were followed. */
const HOLDS = `
import { readFileSync } from 'node:fs'
import { factWords, newFactSchema, parseSetupText, viewSolution } from '@pine/contract'
import { appendFact } from '@pine/core/facts'
import { solve } from '@pine/core/solve'

const registers = (kind) => {
  const file = JSON.parse(readFileSync(process.argv[2], 'utf8'))
  file.facts[0].body.gauges[0].kind = kind
  const parsed = parseSetupText(JSON.stringify(file))
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems))
  return viewSolution(parsed.document, solve(parsed.document)).registers.map(({ address, value }) => [address, value])
}
const fact = newFactSchema.parse({
  id: '0193d1a0-0000-7000-8000-000000000001',
  kind: 'weather',
  body: { warmth: { text: '0.002', unit: 'mm' } },
})
const { document } = parseSetupText(readFileSync(process.argv[2], 'utf8'))
const entered = { ...fact, by: { name: 'Mira' }, at: '2026-03-02T08:00:00Z', via: 'typed' }
console.log(JSON.stringify({
  wire: registers('wire'),
  shim: registers('shim'),
  words: factWords(fact),
  weathers: appendFact(document, entered).weathers.length,
}))
`

/** The files that a guide names. */
function filesOf(heading: string): readonly string[] {
  const page = readFileSync(join(ROOT, 'docs/development.md'), 'utf8')
  const guide = page.split(`## ${heading}\n`)[1]?.split('\n## ')[0] ?? ''
  return [...guide.matchAll(/`((?:core|contract|server|client|docs)\/[\w./-]+)`/g)].map(
    ([, file]) => file!,
  )
}

let copy: string
beforeAll(() => {
  copy = mkdtempSync(join(tmpdir(), 'pine-guides-'))
  for (const one of ['core', 'contract']) {
    cpSync(join(ROOT, one, 'src'), join(copy, one, 'src'), { recursive: true })
    cpSync(join(ROOT, one, 'package.json'), join(copy, one, 'package.json'))
  }
  mkdirSync(join(copy, 'node_modules/@pine'), { recursive: true })
  for (const name of ['core', 'contract'])
    symlinkSync(join(copy, name), join(copy, 'node_modules/@pine', name))
  symlinkSync(join(ROOT, 'node_modules/zod'), join(copy, 'node_modules/zod'))
  const { compilerOptions } = JSON.parse(readFileSync(join(ROOT, 'tsconfig.base.json'), 'utf8'))
  const options = {
    ...compilerOptions,
    composite: false,
    emitDeclarationOnly: false,
    noEmit: true,
    types: [],
  }
  writeFileSync(
    join(copy, 'tsconfig.json'),
    JSON.stringify({ compilerOptions: options, include: ['core/src', 'contract/src'] }),
  )
  writeFileSync(join(copy, 'holds.ts'), HOLDS)
})
afterAll(() => rmSync(copy, { recursive: true, force: true }))

test('two guides are followed in a copy: the files that they name are enough', () => {
  for (const [heading, lines] of [
    ['Add a contact method', CONTACT],
    ['Add a kind of fact', FACT],
  ] as const) {
    const named = filesOf(heading)
    for (const { file, behind, line } of lines) {
      expect(named).toContain(file)
      const text = readFileSync(join(copy, file), 'utf8')
      expect([file, behind, text.includes(behind)]).toEqual([file, behind, true])
      writeFileSync(join(copy, file), text.replace(behind, behind + line))
    }
    expect(new Set(lines.map(({ file }) => file)).size).toBeLessThanOrEqual(MOST_FILES)
  }
  const types = spawnSync(
    process.execPath,
    [join(ROOT, 'node_modules/typescript/bin/tsc'), '-p', copy],
    { encoding: 'utf8' },
  )
  expect(types.stdout).toBe('')
  const example = join(ROOT, 'docs/examples/setting-plane.json')
  const told = execFileSync(
    join(ROOT, 'node_modules/.bin/tsx'),
    [join(copy, 'holds.ts'), example],
    { encoding: 'utf8', cwd: copy },
  )
  const { wire, shim, words, weathers } = JSON.parse(told)
  expect(wire).toEqual(shim)
  expect(wire).toContainEqual(['G54.Z', expect.stringMatching(/^-\d/)])
  expect([words, weathers]).toEqual(['The weather 0.002', 1])
}, 120_000)
