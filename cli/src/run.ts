import { parseSetupText, viewSolution, type ReportedProblem } from '@pine/contract'
import { solve } from '@pine/core'
import { solutionTable } from './solution-table'

export interface Outcome {
  readonly out: string
  readonly err: string
  /** 0: done; 1: the file is not a good set-up; 2: the call is not understood; 3: the file cannot be read. */
  readonly exitCode: 0 | 1 | 2 | 3
}

/** Reads a whole file as text; throws what the file system throws. */
export type FileReader = (path: string) => string

const USAGE = `Usage: pine solve FILE [--json]

  solve FILE   Work out every register of a set-up file (docs/setup-file.md) and print it with
               where it came from. FILE may be - for standard input.
  --json       Print JSON: registers with address, unit, value, state and trace, and warnings.
`

/** Runs one call of the command line; all effects are in the outcome. */
export function run(args: readonly string[], readFile: FileReader): Outcome {
  if (args.length === 0 || args.includes('--help') || args.includes('-h')) return done(USAGE)
  const [command, ...rest] = args
  if (command !== 'solve') return misunderstood(`there is no command “${command}”`)
  const unknown = rest.find((arg) => arg.startsWith('--') && arg !== '--json')
  if (unknown !== undefined) return misunderstood(`there is no option “${unknown}”`)
  const files = rest.filter((arg) => !arg.startsWith('--'))
  const [file] = files
  if (file === undefined || files.length > 1)
    return misunderstood(`solve takes one FILE, got ${files.length}`)
  return solveFile(file, rest.includes('--json'), readFile)
}

function solveFile(path: string, json: boolean, readFile: FileReader): Outcome {
  let text: string
  try {
    text = readFile(path)
  } catch (cause) {
    const reason = cause instanceof Error ? cause.message : String(cause)
    return { out: '', err: `pine: cannot read ${path}: ${reason}\n`, exitCode: 3 }
  }
  const parsed = parseSetupText(text)
  if (!parsed.ok) return refused(path, parsed.problems, json)
  const solution = solve(parsed.document)
  const view = viewSolution(solution)
  return done(
    json ? `${JSON.stringify(view, null, 2)}\n` : solutionTable(parsed.document.sheet.name, view),
  )
}

function refused(path: string, problems: readonly ReportedProblem[], json: boolean): Outcome {
  if (json) return { out: `${JSON.stringify({ problems }, null, 2)}\n`, err: '', exitCode: 1 }
  const lines = problems.map(
    ({ place, message, expected, received, remedy }) =>
      `${place === '' ? path : place}: ${message}\n    expected ${expected}; got ${received}. ${remedy}\n`,
  )
  return { out: '', err: lines.join(''), exitCode: 1 }
}

const done = (out: string): Outcome => ({ out, err: '', exitCode: 0 })

const misunderstood = (why: string): Outcome => ({
  out: '',
  err: `pine: ${why}\n\n${USAGE}`,
  exitCode: 2,
})
