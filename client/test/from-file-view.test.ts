import { fileProblems, fromFileView } from '@/areas/new-setup/from-file-view'
import type { SetupFact, SetupFile } from '@pine/core/facts'
import type { ReportedProblem } from '@pine/contract'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'

const EXAMPLE = join(__dirname, '../../docs/examples/whole-run.json')
const file = JSON.parse(readFileSync(EXAMPLE, 'utf8')) as SetupFile
const sheet = file.facts[0]!.body as { readonly gauges: readonly { id: string; name: string }[] }

test('a file says its job, machine and people, whether it was released, and every number with its unit', () => {
  const machine = { id: 'm', machine: {} } as never
  const record = { ...file.facts.at(-1)!, kind: 'record', body: { hash: 'a'.repeat(64) } }
  const released = { ...file, facts: [...file.facts, record as SetupFact] }
  const view = fromFileView(released, { machine, gauges: sheet.gauges })
  expect(view).toMatchObject({ standing: 'It was released.', cautions: [] })
  expect(view.about).toMatch(/^Mill 2 · Mira Toller, Jory Fenn · .+ 08:14 to .+ 09:23$/)
  expect(view.lines.length).toBeGreaterThan(3)
  for (const { value } of view.lines) expect(value).toMatch(/^−?\d+\.\d{3} mm$/)
})

test('what the shop does not have is told: its machine, its gauges by name', () => {
  const [first, ...rest] = sheet.gauges
  const unfinished = { ...file, facts: file.facts.slice(0, 1) }
  const view = fromFileView(unfinished, { machine: undefined, gauges: rest })
  expect(view.standing).toBe('It was never released.')
  expect(view.lines).toEqual([])
  expect(view.cautions).toEqual([
    expect.stringMatching(/^No machine of this shop is called .+: pick the one/),
    expect.stringContaining(`Not among the gauges of this shop: ${first?.name}.`),
  ])
})

test('one problem comes with what to do, many as a list that says how many are left out', () => {
  const problem = (message: string): ReportedProblem => ({
    ...{ code: '', place: '', message, expected: '', received: '', remedy: 'Pick another.' },
  })
  expect(fileProblems({ problems: [problem('Broken.')], problemsInAll: 1 })).toEqual([
    'Broken. Pick another.',
  ])
  expect(fileProblems({ problems: [problem('A.'), problem('B.')], problemsInAll: 7 })).toEqual([
    ...['A.', 'B.', 'And 5 more.'],
  ])
})
