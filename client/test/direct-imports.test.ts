import { transformFileSync, transformSync, type TransformOptions } from '@babel/core'
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'

// What the bundle makes of the doors of core and contract, and how little of them the first page brings for it.

const ROOT = join(__dirname, '../..')
const FROM = join(ROOT, 'client/src/data/somewhere.ts')
const PLAIN: TransformOptions = {
  babelrc: false,
  configFile: false,
  plugins: [join(ROOT, 'client/direct-imports.cjs')],
}
const direct = (code: string, filename = FROM) =>
  transformSync(code, { ...PLAIN, filename, parserOpts: { plugins: ['typescript'] } })?.code ?? ''

test('what is asked at a door is asked of the file that makes it; types are asked of nobody', () => {
  expect(
    direct(`import { solve, type Solution } from '@pine/core/solve'
import { may as allowed } from '@pine/contract'
import type { SetupDocument } from '@pine/core/facts'
export { nextStep as next } from '@pine/core/plan'
import { useState } from 'react'`),
  ).toBe(`import { solve } from "../../../core/src/solve/solve";
import { may as allowed } from "../../../contract/src/roles";
export { nextStep as next } from "../../../core/src/plan/order/steps";
import { useState } from 'react';`)
  expect(direct(`import { nextStep } from '../plan'`, join(ROOT, 'core/src/words/a.ts'))).toBe(
    `import { nextStep } from "../plan/order/steps";`,
  )
})

test('a name that no door has, and a whole room at once, are refused where they are asked for', () => {
  expect(() => direct(`import { sovle } from '@pine/core/solve'`)).toThrow(
    /somewhere\.ts: .*core\/src\/solve\/index\.ts has no sovle\./,
  )
  expect(() => direct(`import * as words from '@pine/core/words'`)).toThrow(
    /name what is imported from .*words\/index\.ts, one by one/,
  )
})

test('what a field means stays out of the bundle, and other texts in it', () => {
  const file = join(ROOT, 'core/src/sheet/tool.ts')
  expect(
    direct(
      `const number = field(register, 'T of the program')
const kind = field(oneOf(['mill', 'router']), 'what it is')
const name = optional(name, 'what it is called')
const other = leaf('name', 'tools')`,
      file,
    ),
  ).toBe(`const number = field(register, "");
const kind = field(oneOf(['mill', 'router']), "");
const name = optional(name, "");
const other = leaf('name', 'tools');`)
  expect(direct(`field(a, 'b')`)).toBe(`field(a, 'b');`)
})

const doors = ['core/src', 'contract/src'].flatMap((folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => /(^|\/)index\.ts$/.test(name))
    .map((name) => join(ROOT, folder, name)),
)

test('every value behind every door is made in the file that it is asked of', () => {
  let asked = 0
  for (const door of doors) {
    // Read by Babel here and as text in the plugin: what one of them overlooks is missing at the other.
    const made = transformSync(readFileSync(door, 'utf8'), {
      ...{ babelrc: false, configFile: false, code: false, ast: true },
      parserOpts: { plugins: ['typescript'] },
    })!.ast!.program.body
    for (const statement of made) {
      if (statement.type !== 'ExportNamedDeclaration' || statement.exportKind === 'type') continue
      for (const one of statement.specifiers) {
        if (one.type !== 'ExportSpecifier' || one.exportKind === 'type') continue
        const name = one.exported.type === 'Identifier' ? one.exported.name : one.exported.value
        const folder = relative(dirname(FROM), dirname(door))
        const [, source] = /from "(.+)"/.exec(direct(`import { ${name} } from '${folder}'`)) ?? []
        const file = readFileSync(`${resolve(dirname(FROM), source!)}.ts`, 'utf8')
        expect(file).toMatch(
          new RegExp(`export (const|function|class|async function) ${one.local.name}\\b`),
        )
        asked += 1
      }
    }
  }
  expect(asked).toBeGreaterThan(300)
})

/** What is nothing once it runs. */
const isOfTypes = (statement: object): boolean =>
  ('importKind' in statement && statement.importKind === 'type') ||
  ('exportKind' in statement && statement.exportKind === 'type') ||
  ('specifiers' in statement &&
    Array.isArray(statement.specifiers) &&
    statement.specifiers.length > 0 &&
    statement.specifiers.every((one: { importKind?: string }) => one.importKind === 'type'))

/** Every file of ours that a page brings when it opens: what is imported late is not among them. */
function broughtBy(...pages: readonly string[]): readonly string[] {
  const seen = new Set<string>()
  const look = (file: string) => {
    if (seen.has(file)) return
    seen.add(file)
    const { ast } = transformFileSync(file, {
      ...{ ...PLAIN, ast: true, code: false },
      parserOpts: { plugins: file.endsWith('x') ? ['typescript', 'jsx'] : ['typescript'] },
    })!
    for (const statement of ast!.program.body) {
      if (!('source' in statement) || !statement.source || isOfTypes(statement)) continue
      const source = statement.source.value
      const path = source.startsWith('@/')
        ? join(ROOT, 'client/src', source.slice(2))
        : resolve(dirname(file), source)
      const found = ['.ts', '.tsx'].map((ending) => path + ending).find((one) => existsSync(one))
      if (found !== undefined && statSync(found).isFile()) look(found)
    }
  }
  for (const page of pages) look(join(ROOT, 'client/src/app', page))
  return [...seen].map((file) => relative(ROOT, file)).sort()
}

test('the first page brings no solver, no plan and no sentences of them; what stands of a set-up does', () => {
  const first = broughtBy('_layout.tsx', 'sign-in.tsx', 'index.tsx')
  expect(first).toContain('client/src/areas/people/sign-in-screen.tsx')
  expect(first).toContain('contract/src/api.ts')
  const heavy = /^core\/src\/(solve|freshness|sources|slips|running|proof|keyin|planner)\//
  expect(first.filter((file) => heavy.test(file))).toEqual([])
  expect(first.filter((file) => file.startsWith('core/src/words/'))).toEqual([
    'core/src/words/day-words.ts',
    'core/src/words/setup/station-names.ts',
    'core/src/words/typographic.ts',
  ])
  expect(first.filter((file) => /areas\/(run|new-setup|program|machines)\//.test(file))).toEqual([])
  expect(broughtBy('../data/setup/standing.ts')).toContain('core/src/solve/solve.ts')
})
