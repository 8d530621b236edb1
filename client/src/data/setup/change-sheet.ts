import { reportProblem } from '@pine/contract'
import { checkDocument, type SetupDocument } from '@pine/core/facts'
import type { SetupSheet } from '@pine/core/sheet'
import { ApiRefusal, sendable } from '../server/api'
import { withPreview } from './preview'
import type { Enter } from '../outbox/fact-draft'

/**
 * Another version of the sheet: the earlier one is kept, what was read stays. What the server would refuse is told here, without a
 * network as well: a gauge that was used and is left out, say.
 *
 * @throws ApiRefusal with what is wrong with it.
 */
export async function changeSheet(
  document: SetupDocument,
  enter: Enter,
  sheet: SetupSheet,
): Promise<void> {
  const draft = { kind: 'sheet', body: sendable(sheet) } as const
  const problems = checkDocument(withPreview(document, draft)).map(reportProblem)
  const [first] = problems
  if (first !== undefined) throw new ApiRefusal(422, first, problems)
  await enter(draft)
}
