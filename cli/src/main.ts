import { readFileSync } from 'node:fs'
import { run } from './run'

const outcome = run(process.argv.slice(2), (path) => readFileSync(path === '-' ? 0 : path, 'utf8'))
process.stdout.write(outcome.out)
process.stderr.write(outcome.err)
process.exitCode = outcome.exitCode
