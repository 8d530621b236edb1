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
  const document = withOrder(parsed.data)
  const problems = checkDocument(document)
  return problems.length === 0
    ? { ok: true, document }
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

/**
 * Files from before read-backs said after how many readings they were made. All facts of such a file have their times
 * from one server's clock, so here, once, the times tell; from then on the order does.
 */
function withOrder(document: SetupDocument): SetupDocument {
  if (document.readBacks.every(({ afterReadings }) => afterReadings !== undefined)) return document
  const readAt = document.readings.map(({ at }) => Date.parse(at))
  return {
    ...document,
    readBacks: document.readBacks.map((readBack) => ({
      afterReadings: readAt.filter((at) => at <= Date.parse(readBack.at)).length,
      ...readBack,
    })),
  }
}
