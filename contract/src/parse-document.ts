import { checkDocument, type SetupDocument } from '@pine/core'
import { reportIssues, reportProblem, type ReportedProblem } from './report'
import { setupDocumentSchema } from './setup-schema'

export type ParsedDocument =
  | { readonly ok: true; readonly document: SetupDocument }
  | { readonly ok: false; readonly problems: readonly ReportedProblem[] }

/** Reads a set-up file: its shape first, then every number and name in it, all problems in one pass. */
export function parseSetupDocument(input: unknown): ParsedDocument {
  const parsed = setupDocumentSchema.safeParse(input)
  if (!parsed.success) return { ok: false, problems: reportIssues(parsed.error, input) }
  const problems = checkDocument(parsed.data)
  return problems.length === 0
    ? { ok: true, document: parsed.data }
    : { ok: false, problems: problems.map(reportProblem) }
}

/** The same for the text of a file. */
export function parseSetupText(text: string): ParsedDocument {
  try {
    return parseSetupDocument(JSON.parse(text))
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
