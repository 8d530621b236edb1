import { registerName, type Address } from '@pine/core/address'
import { readLength } from '@pine/core/length'
import { drawingOf } from '@pine/core/sources'
import { describeProblem } from '@pine/core/words'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'

/** Rows that may stand as the control shows them: those that nobody has touched or keyed here. */
export const rowsThatMayStand = ({
  solution,
}: Pick<LoadedSetup, 'solution'>): readonly {
  readonly address: Address
  readonly name: string
}[] =>
  solution.registers
    .filter(({ state, kind }) => state === 'not-read' && kind !== 'diameter')
    .map(({ address }) => ({ address, name: registerName(address) }))

/** What was typed of the rows, and who set them. */
export interface RowsStandAnswers {
  readonly texts: Readonly<Partial<Record<Address, string>>>
  readonly whose: string
}

/** What is entered: that each row stands, and what it showed; or what is wrong, each at its row. */
export function rowsStandFacts(
  setup: LoadedSetup,
  { texts, whose }: RowsStandAnswers,
): { readonly facts: readonly FactDraft[]; readonly problems: Readonly<Record<string, string>> } {
  const { sheet } = setup.document
  const { unit } = sheet
  const problems: Record<string, string> = {}
  const facts = rowsThatMayStand(setup).flatMap(({ address }): readonly FactDraft[] => {
    const text = (texts[address] ?? '').trim()
    if (text === '') return []
    const shown = { text, unit }
    const drawing = drawingOf(sheet, address)
    const read = readLength(shown)
    if (!read.ok) {
      const { message, remedy } = describeProblem(read.problem)
      problems[address] = `${message} ${remedy}`
      return []
    }
    return [
      {
        kind: 'event',
        body: {
          kind: 'row-stands',
          address,
          holds: shown,
          ...(drawing && { drawing }),
          ...(whose.trim() !== '' && { whose: whose.trim() }),
        },
      },
      { kind: 'read-back', body: { address, moment: 'after', shown } },
    ]
  })
  return { facts, problems }
}
