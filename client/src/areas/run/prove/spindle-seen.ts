import { spindleElse } from '@pine/core/proof'
import { keepsLengths } from '@pine/core/sheet'
import { describeSpindleElse } from '@pine/core/words'
import type { FactDraft } from '@/data/outbox/fact-draft'
import type { LoadedSetup } from '@/data/setup/standing'
import { lengthWriter } from '../frame/entry/write-length'

type ProofEntry = Extract<FactDraft, { kind: 'proof' }>

/** What was looked at before a proof moves, as tool numbers; `none` is the bare nose, or no length. */
export interface SpindleSeen {
  readonly holds?: string
  readonly controlSays?: string
}

/** What is in the spindle and what the control says, once both are said. */
export function spindleSeen(
  { document: { sheet } }: LoadedSetup,
  { holds, controlSays }: SpindleSeen,
): NonNullable<ProofEntry['body']['spindle']> | undefined {
  const numberOf = (choice: string) => (choice === 'none' ? null : Number(choice))
  const asksActive = keepsLengths(sheet.machine.control)
  if (holds === undefined || (asksActive && controlSays === undefined)) return undefined
  return {
    holds: numberOf(holds),
    controlSays: asksActive ? numberOf(controlSays ?? 'none') : null,
  }
}

/** What is still asked before a gap says anything. */
export const stillToSay = (
  setup: LoadedSetup,
  { overZero, ...seen }: SpindleSeen & { readonly overZero?: 'yes' | 'no' },
): string | undefined =>
  overZero === undefined
    ? 'Say whether the tip stands over X0 Y0 as the drawing has it.'
    : spindleSeen(setup, seen) === undefined
      ? 'Say which tool is in the spindle, and which the control says.'
      : undefined

/** What a move would do with what was said, before it is made; undefined where both are as they should be. */
export function spindleElseWords(
  setup: LoadedSetup,
  tool: number,
  seen: SpindleSeen,
): string | undefined {
  const spindle = spindleSeen(setup, { holds: String(tool), controlSays: String(tool), ...seen })
  const found = spindle && spindleElse(setup.document, setup.solution, tool, spindle)
  const write = lengthWriter(setup.solution)
  return found && describeSpindleElse(found, (nm) => `${write(nm)} ${setup.solution.unit}`)
}

/** What is pressed where the tool that is to move is in the spindle, and active. */
export const bothSay = (tool: number, asksActive: boolean): string =>
  asksActive ? `T${tool} in the spindle, and the control says T${tool}` : `T${tool} in the spindle`
