import { rebaseOf } from '@pine/core/facts'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { consequencesView, type ConsequencesView } from '../frame/banners/change-view'

/** One tool was touched again on a plane that had moved: what that carries the other lengths over by, before it is said. */
export interface RebaseView {
  readonly sentence: string
  readonly lines: ConsequencesView['changed']
  readonly caution: string
  readonly text: string
  readonly facts: readonly FactDraft[]
  /** The event that it answers: who rather touches all is not asked again for the same one. */
  readonly answers: string
}

/** Undefined where no plane has moved, no tool was touched before and after, or nothing would hold by it. */
export function rebaseView(setup: LoadedSetup): RebaseView | undefined {
  const { document } = setup
  const moved = document.events.findLast(({ kind }) => kind === 'plane-moved')
  const isAnswered = document.events.some(
    ({ kind, place }) => kind === 'rebased' && moved !== undefined && place > moved.place,
  )
  if (moved === undefined || isAnswered) return undefined
  const stale = new Set(
    setup.solution.registers.flatMap(({ address, state }) => (state === 'stale' ? [address] : [])),
  )
  const [most] = document.sheet.tools
    .filter(({ number }) => rebaseOf(document, { tool: number, place: document.length }))
    .map(({ number: tool }) => {
      const { changed } = consequencesView(setup, { kind: 'rebased', tool })
      const lines = changed.filter(({ address, state }) => stale.has(address) && state !== 'stale')
      return { tool, lines }
    })
    .toSorted((one, other) => other.lines.length - one.lines.length)
  if (most === undefined || most.lines.length === 0) return undefined
  const { tool, lines } = most
  return {
    sentence: `T${tool} was touched before and after the plane moved: the others shift with it.`,
    lines,
    caution: `True if the plane moved as a whole, and T${tool} is as long as it was. If it was swapped or re-gripped meanwhile, all others are wrong by that.`,
    text: `Re-base ${lines.length === 1 ? 'one number' : `${lines.length} numbers`} on T${tool}`,
    facts: [{ kind: 'event', body: { kind: 'rebased', tool } }],
    answers: moved.id,
  }
}
