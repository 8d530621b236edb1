import { checkDocument, foldSetup, type SetupDocument, type SetupFile } from '@pine/core/facts'
import type { ReportedProblem } from './error-body'
import { reportIssues, reportProblem } from './report'
import { setupFileSchema } from './setup-facts'
import { carryOver, version1Schema } from './earlier-files/version-1'

export type ParsedSetup =
  | { readonly ok: true; readonly file: SetupFile; readonly document: SetupDocument }
  | { readonly ok: false; readonly problems: readonly ReportedProblem[] }

/**
 * Reads a set-up file: its shape first, then every number and name in it, all problems in one pass. A file of version 1
 * is carried over, and its problems are told where they stand in it.
 */
export function parseSetupFile(input: unknown): ParsedSetup {
  if (!isVersion1(input)) return parseVersion2(input)
  const old = version1Schema.safeParse(input)
  if (!old.success) return { ok: false, problems: reportIssues(old.error, input) }
  const { file, places } = carryOver(old.data)
  const parsed = parseVersion2(file)
  if (parsed.ok) return parsed
  return {
    ok: false,
    problems: parsed.problems.map((problem) => ({
      ...problem,
      place: problem.place.replace(/^facts\.(\d+)\.body/, (all, place) => places[place] ?? all),
    })),
  }
}

const isVersion1 = (input: unknown): boolean =>
  typeof input === 'object' && input !== null && 'version' in input && input.version === 1

function parseVersion2(input: unknown): ParsedSetup {
  const parsed = setupFileSchema.safeParse(input)
  if (!parsed.success) return { ok: false, problems: reportIssues(parsed.error, input) }
  const document = foldSetup(parsed.data)
  const problems = checkDocument(document)
  return problems.length === 0
    ? { ok: true, file: parsed.data, document }
    : {
        ok: false,
        problems: problems.map((problem) =>
          reportProblem({
            ...problem,
            place: problem.place.replace(/^sheet/, sheetOf(parsed.data)),
          }),
        ),
      }
}

/** Where the sheet that is in force stands in the file. */
const sheetOf = ({ facts }: SetupFile): string =>
  `facts.${facts.findLastIndex(({ kind }) => kind === 'sheet')}.body`

/** The same for the text of a file. */
export function parseSetupText(text: string): ParsedSetup {
  try {
    return parseSetupFile(JSON.parse(text))
  } catch (cause) {
    const detail = cause instanceof Error ? cause.message : String(cause)
    return {
      ok: false,
      problems: [
        {
          code: 'not-json',
          place: '',
          message: `This is not JSON: ${detail}.`,
          expected: 'a set-up file in JSON, as docs/setup-file.md describes',
          received: text.trim() === '' ? 'nothing' : text.trim().slice(0, 60),
          remedy: 'Check that the whole file was copied.',
        },
      ],
    }
  }
}
