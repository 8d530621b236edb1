import { parseSetupText, setupJsonSchema, viewSolution, type ReportedProblem } from '@pine/contract'
import { type SetupDocument } from '@pine/core/facts'
import { formatLength } from '@pine/core/length'
import { readProgramPieces } from '@pine/core/program'
import { SCHOOLS } from '@pine/core/schools'
import { convertSolution, solve } from '@pine/core/solve'
import { describeGap } from '@pine/core/words'
import { Misunderstood, readArguments } from './arguments'
import { explainRegister } from './explain-register'
import { findSlips } from './find-slips'
import { programTable, programView } from './program-report'
import { solutionTable } from './solution-table'

export interface Outcome {
  readonly out: string
  readonly err: string
  /** 0: done; 1: the file is not a good set-up; 2: the call is not understood; 3: the file cannot be read. */
  readonly exitCode: 0 | 1 | 2 | 3
}

/** Reads a whole file as text; throws what the file system throws. */
export type FileReader = (path: string) => string

/** Gives a file's bytes piece by piece, however long it is; throws what the file system throws. */
export type PieceReader = (path: string, take: (piece: Uint8Array) => void) => void

const USAGE = `Usage: pine COMMAND

  solve FILE [--json]              Work out every register of a set-up file (docs/setup-file.md).
  explain FILE REGISTER            How a register came: its terms, its uncertainty, the ladder.
  convert FILE --to SCHOOL [--json]
                                   The same lengths and Z offsets in another school:
                                   ${SCHOOLS.join(', ')}.
  slip --expected N --observed N [--unit mm|in] [--decimals N] [--before N] [--with FILE]
                                   Which slips turn one number into the other. With a FILE, the terms
                                   of its register that has the expected value are tried too.
  read PROGRAM [--with FILE] [--json]
                                   What a program needs: tools, registers, offsets, extents; what is
                                   wrong with it, and with a FILE, what that set-up lacks for it.
  schema                           The set-up file as JSON Schema.

  FILE may be - for standard input. --json prints JSON.
`

/** What ends a command early, with its outcome. */
class Ended extends Error {
  constructor(readonly outcome: Outcome) {
    super('ended')
  }
}

/** Runs one call of the command line; all effects are in the outcome. */
export function run(
  args: readonly string[],
  readFile: FileReader,
  readPieces: PieceReader = (path, take) => take(new TextEncoder().encode(readFile(path))),
): Outcome {
  const [command, ...rest] = args
  if (command === undefined || command === '--help' || command === '-h') return done(USAGE)
  try {
    return done(runCommand(command, rest, readFile, readPieces))
  } catch (cause) {
    if (cause instanceof Ended) return cause.outcome
    if (cause instanceof Misunderstood)
      return { out: '', err: `pine: ${cause.message}\n\n${USAGE}`, exitCode: 2 }
    throw cause
  }
}

function runCommand(
  command: string,
  args: readonly string[],
  readFile: FileReader,
  readPieces: PieceReader,
): string {
  const json = { json: { type: 'boolean' } } as const
  switch (command) {
    case 'solve': {
      const { positionals, values } = readArguments(args, json, ['FILE'])
      const document = open(positionals[0], values.json === true, readFile)
      const view = viewSolution(document, solve(document))
      return values.json ? asJson(view) : solutionTable(document.sheet.name, view)
    }
    case 'explain': {
      const { positionals } = readArguments(args, {}, ['FILE', 'REGISTER'])
      const text = explainRegister(open(positionals[0], false, readFile), positionals[1] ?? '')
      if (text === undefined)
        throw new Misunderstood(`the set-up has no register “${positionals[1]}”`)
      return text
    }
    case 'convert': {
      const { positionals, values } = readArguments(
        args,
        { ...json, to: { type: 'string' } } as const,
        ['FILE'],
      )
      return convert(
        open(positionals[0], values.json === true, readFile),
        values.to,
        values.json === true,
      )
    }
    case 'slip': {
      const text = { type: 'string' } as const
      const { values } = readArguments(
        args,
        { expected: text, observed: text, unit: text, decimals: text, before: text, with: text },
        [],
      )
      return findSlips(
        values,
        values.with === undefined ? undefined : open(values.with, false, readFile),
      )
    }
    case 'read': {
      const { positionals, values } = readArguments(
        args,
        { ...json, with: { type: 'string' } } as const,
        ['PROGRAM'],
      )
      const path = positionals[0] ?? ''
      const setup =
        values.with === undefined ? undefined : open(values.with, values.json === true, readFile)
      const decoder = new TextDecoder()
      const reading = readable(path, () =>
        readProgramPieces(
          (take) => readPieces(path, take),
          (bytes) => decoder.decode(bytes),
        ),
      )
      return values.json ? asJson(programView(reading, setup)) : programTable(path, reading, setup)
    }
    case 'schema':
      readArguments(args, {}, [])
      return asJson(setupJsonSchema())
    default:
      throw new Misunderstood(`there is no command “${command}”`)
  }
}

function convert(document: SetupDocument, to: string | undefined, json: boolean): string {
  const school = SCHOOLS.find((one) => one === to)
  if (school === undefined)
    throw new Misunderstood(
      `--to is ${to === undefined ? 'missing' : `“${to}”`}: expected ${SCHOOLS.join(', ')}`,
    )
  const solution = solve(document)
  const converted = convertSolution(document, solution, school)
  if (!converted.ok)
    throw new Ended({
      out: '',
      err: `pine: cannot convert to ${school}: ${describeGap(converted.missing)}\n`,
      exitCode: 1,
    })
  const rows = [...converted.table.lengths, ...converted.table.offsets].map(([address, value]) => ({
    address,
    unit: solution.unit,
    value: formatLength(value, solution.unit, solution.decimals),
  }))
  if (json) return asJson({ school, registers: rows })
  return `${document.sheet.name}, as ${school}\n${rows.map(({ address, value, unit }) => `${address.padEnd(6)} ${value.padStart(10)} ${unit}\n`).join('')}`
}

const readText = (file: string, readFile: FileReader): string =>
  readable(file, () => readFile(file))

function readable<T>(file: string, read: () => T): T {
  try {
    return read()
  } catch (cause) {
    const reason = cause instanceof Error ? cause.message : String(cause)
    throw new Ended({ out: '', err: `pine: cannot read ${file}: ${reason}\n`, exitCode: 3 })
  }
}

function open(path: string | undefined, json: boolean, readFile: FileReader): SetupDocument {
  const file = path ?? '-'
  const parsed = parseSetupText(readText(file, readFile))
  if (!parsed.ok) throw new Ended(refused(file, parsed.problems, json))
  return parsed.document
}

function refused(path: string, problems: readonly ReportedProblem[], json: boolean): Outcome {
  if (json) return { out: asJson({ problems }), err: '', exitCode: 1 }
  const lines = problems.map(
    ({ place, message, expected, received, remedy }) =>
      `${place === '' ? path : place}: ${message}\n    expected ${expected}; got ${received}. ${remedy}\n`,
  )
  return { out: '', err: lines.join(''), exitCode: 1 }
}

const asJson = (value: object): string => `${JSON.stringify(value, null, 2)}\n`

const done = (out: string): Outcome => ({ out, err: '', exitCode: 0 })
