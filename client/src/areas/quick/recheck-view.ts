import { registerName } from '@pine/core/address'
import type { SetupEvent } from '@pine/core/facts'
import { formatLength, nanometresOf, type Nanometres, type WrittenLength } from '@pine/core/length'
import type { Register } from '@pine/core/registers'
import { isRechecked, recheckOf } from '@pine/core/running'
import { toolOfRegister } from '@pine/core/sheet'
import { describeRecheck, lengthWords, typographic } from '@pine/core/words'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '@/areas/run/frame/entry/write-length'

/** A tool that was measured again: first its row is read, then it is kept or corrected. */
export type RecheckView =
  | {
      readonly of: 'ask'
      readonly label: string
      readonly fact: (shown: WrittenLength) => FactDraft
    }
  | {
      readonly of: 'verdict'
      readonly text: string
      readonly look: string
      readonly isWrong: boolean
      /** What the row holds and what the touches say, each with its unit. */
      readonly holds: string
      readonly found: string
      /** The touch that is made once more. */
      readonly again: string | undefined
      /** Only where it holds: what is off is not left as it is by a press. */
      readonly keep?: readonly FactDraft[]
      readonly correct: readonly FactDraft[]
    }

type Rechecked = Extract<SetupEvent, { kind: 'tool-rechecked' }>

/** Whether the row of a length is still to be kept or corrected. */
export const asksRecheck = (setup: LoadedSetup, register: Register): boolean => {
  const tool = toolAt(setup, register)
  return tool !== undefined && !isRechecked(setup.document, tool)
}

const toolAt = (
  { document: { sheet } }: LoadedSetup,
  { kind, address }: Register,
): number | undefined =>
  sheet.quick === 'recheck' && kind === 'length' ? toolOfRegister(sheet, address) : undefined

/** @returns undefined where it is no recheck, or nothing of it is touched yet. */
export function recheckView(setup: LoadedSetup, register: Register): RecheckView | undefined {
  const { address } = register
  const { document, solution } = setup
  const tool = toolAt(setup, register)
  if (tool === undefined) return undefined
  const name = registerName(address)
  const touched = document.readings.findLast(
    (reading) => 'tool' in reading && reading.tool === tool,
  )
  const shown = document.readBacks.findLast(
    (one) => one.address === address && one.place > (touched?.place ?? Infinity),
  )
  if (shown === undefined)
    return {
      of: 'ask',
      label: `${name} on the control, all of it`,
      fact: (text) => ({ kind: 'read-back', body: { address, moment: 'before', shown: text } }),
    }
  const held = nanometresOf(shown.shown)
  const recheck = held === undefined ? undefined : recheckOf(document, solution, tool, held)
  if (recheck === undefined) return undefined
  const { unit, decimals } = solution
  const write = lengthWriter(solution)
  const withUnit = (nm: Nanometres) => `${write(nm)} ${unit}`
  const found = { text: formatLength(recheck.found, unit, decimals), unit }
  const recheckFact = (kept: boolean): FactDraft => ({
    kind: 'event',
    body: { kind: 'tool-rechecked', tool, holds: shown.shown, found, kept },
  })
  const rowFact = { kind: 'row-stands', address, holds: shown.shown } as const
  return {
    of: 'verdict',
    ...describeRecheck(recheck, withUnit),
    isWrong: recheck.verdict !== 'holds',
    holds: lengthWords(shown.shown),
    found: `${typographic(found.text)} ${unit}`,
    again: touchOf(setup, tool),
    ...(recheck.verdict === 'holds' && {
      keep: [
        { kind: 'event', body: rowFact },
        { kind: 'read-back', body: { address, moment: 'after', shown: shown.shown } },
        recheckFact(true),
      ] satisfies readonly FactDraft[],
    }),
    correct: [recheckFact(false)],
  }
}

const touchOf = ({ steps }: LoadedSetup, tool: number): string | undefined =>
  steps.find(
    ({ step }) => step.does === 'read' && 'tool' in step.quantity && step.quantity.tool === tool,
  )?.step.key

/** What was kept and what was corrected, the last word on each tool. */
export function recheckLines({ document }: LoadedSetup): readonly {
  readonly tool: string
  readonly text: string
  readonly kept: boolean
}[] {
  const last = new Map<number, Rechecked>()
  for (const event of document.events)
    if (event.kind === 'tool-rechecked') last.set(event.tool, event)
  return [...last.values()].map(({ tool, holds, found, kept }) => ({
    tool: `T${tool}`,
    kept,
    text: kept ? `${lengthWords(holds)} holds` : `${lengthWords(holds)} → ${lengthWords(found)}`,
  }))
}
