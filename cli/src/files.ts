import { parseSetupText, type ReportedProblem } from '@pine/contract'
import { type ReadSetup } from './export'
import { asJson, Ended, type Outcome } from './outcome'

/** Reads a whole file as text; throws what the file system throws. */
export type FileReader = (path: string) => string

/** Gives a file's bytes piece by piece, however long it is; throws what the file system throws. */
export type PieceReader = (path: string, take: (piece: Uint8Array) => void) => void

/** What is read of a file; a file that cannot be read ends the command. */
export function readable<T>(file: string, read: () => T): T {
  try {
    return read()
  } catch (cause) {
    const reason = cause instanceof Error ? cause.message : String(cause)
    throw new Ended({ out: '', err: `pine: cannot read ${file}: ${reason}\n`, exitCode: 3 })
  }
}

/** The set-up of a file; one that is not good ends the command with everything that is wrong. */
export function openSetup(file: string, json: boolean, readFile: FileReader): ReadSetup {
  const parsed = parseSetupText(readable(file, () => readFile(file)))
  if (!parsed.ok) throw new Ended(refused(file, parsed.problems, json))
  return parsed
}

function refused(path: string, problems: readonly ReportedProblem[], json: boolean): Outcome {
  if (json) return { out: asJson({ problems }), err: '', exitCode: 1 }
  const lines = problems.map(
    ({ place, message, expected, received, remedy }) =>
      `${place === '' ? path : place}: ${message}\n    expected ${expected}; got ${received}. ${remedy}\n`,
  )
  return { out: '', err: lines.join(''), exitCode: 1 }
}
