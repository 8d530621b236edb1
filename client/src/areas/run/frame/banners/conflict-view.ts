import type { Address } from '@pine/core/address'
import { describeOrderQuestion, describeWarning, typographic } from '@pine/core/words'
import { registerName } from '@pine/core/address'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'

/** Two devices did not know of each other: what a person who sees both is told or asked, at whatever step. */
export interface ConflictView {
  /** The same for as long as it is the same conflict: who has seen it is not told again. */
  readonly key: string
  readonly title: string
  readonly lines: readonly string[]
  readonly answers: readonly {
    readonly label: string
    /** What pressing it enters, or the register that it leads to. */
    readonly draft?: FactDraft
    readonly leadsTo?: Address
  }[]
  /** How it is put away on this device; a question stays until it is answered. */
  readonly putAway?: string
}

/** All that is open between devices, what asks for an answer first. */
export function conflictViews({ document, solution }: LoadedSetup): readonly ConflictView[] {
  const views = new Map<string, ConflictView>()
  for (const { stale, accepted } of solution.registers) {
    if (stale?.by !== 'order' || accepted !== undefined) continue
    const key = `order ${stale.reading} ${stale.event.id}`
    const words = describeOrderQuestion(document, stale)
    if (words === undefined || views.has(key)) continue
    const orderFact = (first: 'reading' | 'event'): FactDraft => ({
      kind: 'event',
      body: { kind: 'order-told', reading: stale.reading, event: stale.event.id, first },
    })
    views.set(key, {
      key,
      title: words.question,
      lines: [
        `${words.reading}.`,
        `${words.event.charAt(0).toUpperCase()}${words.event.slice(1)}.`,
      ].map(typographic),
      answers: [
        { label: words.readingFirst, draft: orderFact('reading') },
        { label: words.eventFirst, draft: orderFact('event') },
      ],
    })
  }
  const crossed = solution.warnings
    .filter(({ code }) => code === 'keyed-by-two')
    .map((warning): ConflictView => {
      const address = warning.place as Address
      return {
        key: `crossed ${address} ${describeWarning(warning, String)}`,
        title: `${registerName(address)} was keyed on two devices`,
        lines: [describeWarning(warning, String)],
        answers: [{ label: `Check ${registerName(address)}`, leadsTo: address }],
        putAway: 'Seen',
      }
    })
  return [...views.values(), ...crossed]
}
