import { Command, CommanderError, Option } from 'commander'
import { setupJsonSchema, viewSolution } from '@pine/contract'
import { type SetupDocument } from '@pine/core/facts'
import { PAPER_SIZES, type PaperSize } from '@pine/formats/paper-size'
import { LENGTH_UNITS } from '@pine/core/length'
import { readProgramPieces } from '@pine/core/program'
import { SCHOOLS, type School } from '@pine/core/schools'
import { solve } from '@pine/core/solve'
import { storyOf, type StoryLine } from '@pine/core/words'
import { convert } from './convert'
import { explainRegister } from './explain-register'
import { EXPORTS, exportBytes, exportText, isBytes, type ExportOptions } from './export'
import { openSetup, readable, type FileReader, type PieceReader } from './files'
import { findSlips, type NumbersGiven } from './find-slips'
import { asJson, Ended, Misunderstood, type Outcome } from './outcome'
import { programTable, programView } from './program-report'
import { solutionTable } from './solution-table'

/** Runs one call of the command line; all effects are in the outcome. */
export function run(
  args: readonly string[],
  readFile: FileReader,
  readPieces: PieceReader = (path, take) => take(new TextEncoder().encode(readFile(path))),
  now: () => Date = () => new Date(),
): Outcome {
  const output: Written = { out: '', err: '' }
  const pine = commands(output, readFile, readPieces, now)
  if (args.length === 0) return { ...output, out: pine.helpInformation(), exitCode: 0 }
  try {
    pine.parse(args, { from: 'user' })
  } catch (cause) {
    if (cause instanceof Ended) return cause.outcome
    if (cause instanceof Misunderstood)
      return { out: '', err: `pine: ${cause.message}\n\n${pine.helpInformation()}`, exitCode: 2 }
    if (cause instanceof CommanderError)
      return { ...output, exitCode: cause.exitCode === 0 ? 0 : 2 }
    throw cause
  }
  return { ...output, exitCode: 0 }
}

/** A line for each fact: when, by whom, what. */
const storyText = (lines: readonly StoryLine[]): string =>
  lines.map(({ at, by, words }) => `${at}  ${by}: ${words}\n`).join('')

interface Json {
  readonly json?: true
}

/** What a command has written. */
type Written = { -readonly [Key in keyof Omit<Outcome, 'exitCode'>]: Outcome[Key] }

/** The commands, with what each takes; what they write is kept in `output`. */
function commands(
  output: Written,
  readFile: FileReader,
  readPieces: PieceReader,
  now: () => Date,
): Command {
  const print = (text: string) => {
    output.out += text
  }
  const open = (file: string, { json }: Json = {}): SetupDocument =>
    openSetup(file, json === true, readFile).document
  const pine = new Command('pine')
    .description(
      'Works out, explains and converts set-up files (docs/setup-file.md). FILE may be - for standard input.',
    )
    .exitOverride()
    .configureOutput({
      writeOut: print,
      writeErr: (text) => {
        output.err += text
      },
      outputError: (text, write) => write(text.replace(/^error: /, 'pine: ')),
    })
    .showHelpAfterError()
    .helpCommand(false)

  pine
    .command('solve <FILE>')
    .description('work out every register of a set-up file')
    .option('--json', 'as JSON')
    .action((file: string, { json }: Json) => {
      const document = open(file, { json })
      const view = viewSolution(document, solve(document))
      print(json ? asJson(view) : solutionTable(document.sheet.name, view))
    })
  pine
    .command('explain <FILE> <REGISTER>')
    .description('how a register came: its terms, its uncertainty, the ladder')
    .action((file: string, register: string) => {
      const text = explainRegister(open(file), register)
      if (text === undefined) throw new Misunderstood(`the set-up has no register “${register}”`)
      print(text)
    })
  pine
    .command('convert <FILE>')
    .description('the same lengths and Z offsets in another school')
    .addOption(
      new Option('--to <SCHOOL>', 'which school').choices(SCHOOLS).makeOptionMandatory(true),
    )
    .option('--json', 'as JSON')
    .action((file: string, { to, json }: Json & { to: School }) =>
      print(convert(open(file, { json }), to, json === true)),
    )
  pine
    .command('log <FILE>')
    .description('the life of a set-up, a line for each fact')
    .option('--json', 'as JSON')
    .action((file: string, { json }: Json) => {
      const { document, file: stream } = openSetup(file, json === true, readFile)
      const lines = storyOf(document, stream.facts)
      print(json ? asJson(lines) : storyText(lines))
    })
  pine
    .command('export <FILE>')
    .description(
      'a file of its own of a set-up: its sheet on paper, its offsets as a program, its tables and drawings',
    )
    .addOption(new Option('--as <WHAT>', 'which').choices(EXPORTS).makeOptionMandatory(true))
    .addOption(
      new Option('--unproven <HOW>', 'what a program does with numbers that nobody has proven')
        .choices(['left-out', 'marked'])
        .default('left-out'),
    )
    .addOption(
      new Option('--paper <SIZE>', 'of a sheet')
        .choices(Object.keys(PAPER_SIZES))
        .default('A4' satisfies PaperSize),
    )
    .option('--by <NAME>', 'who has it made: stands in the file', 'the command line')
    .action((file: string, options: ExportOptions) => {
      const setup = openSetup(file, false, readFile)
      const { as } = options
      if (isBytes(as)) output.bytes = () => exportBytes(setup, options, as, now())
      else print(exportText(setup, options, as, now()).text)
    })
  pine
    .command('slip')
    .description('which slips turn one number into the other')
    .requiredOption('--expected <NUMBER>', 'the number that should stand there')
    .requiredOption('--observed <NUMBER>', 'the number that stands there')
    .addOption(new Option('--unit <UNIT>', 'of both').choices(LENGTH_UNITS))
    .option('--decimals <COUNT>', 'that the control shows')
    .option('--before <NUMBER>', 'what the row held before')
    .option('--with <FILE>', 'the terms of its register with the expected value are tried too')
    .action((given: NumbersGiven & { with?: string }) =>
      print(findSlips(given, given.with === undefined ? undefined : open(given.with))),
    )
  pine
    .command('read <PROGRAM>')
    .description('what a program needs, and what is wrong with it')
    .option('--with <FILE>', 'what this set-up lacks for it is told too')
    .option('--json', 'as JSON')
    .action((path: string, { with: beside, json }: Json & { with?: string }) => {
      const setup = beside === undefined ? undefined : open(beside, { json })
      const decoder = new TextDecoder()
      const reading = readable(path, () =>
        readProgramPieces(
          (take) => readPieces(path, take),
          (bytes) => decoder.decode(bytes),
        ),
      )
      print(json ? asJson(programView(reading, setup)) : programTable(path, reading, setup))
    })
  pine
    .command('schema')
    .description('the set-up file as JSON Schema')
    .action(() => print(asJson(setupJsonSchema())))
  return pine
}
