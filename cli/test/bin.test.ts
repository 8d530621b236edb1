import { execFileSync, spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'

const pine = join(__dirname, '../../bin/pine')
const example = join(__dirname, '../../docs/examples/gauge-line.json')

// The other tests call the function: this one runs what a person runs, built into its one file.
test('the command that people call answers, from a file and from standard input', () => {
  const out = execFileSync(pine, ['solve', example], { encoding: 'utf8' })
  expect(out).toMatch(/H1 +80\.000 mm/)
  expect(
    execFileSync(pine, ['solve', '-'], { encoding: 'utf8', input: readFileSync(example) }),
  ).toBe(out)
  const wrong = spawnSync(pine, ['solve', 'missing.json'], { encoding: 'utf8' })
  expect(wrong).toMatchObject({ status: 3, stdout: '' })
  expect(wrong.stderr).toContain('missing.json')
}, 60_000)

test('whoever reads only the first lines of a long answer ends it quietly', () => {
  const head = spawnSync('bash', ['-c', `set -o pipefail; ${pine} schema | head -1`], {
    encoding: 'utf8',
  })
  expect(head).toMatchObject({ status: 0, stdout: '{\n', stderr: '' })
})
