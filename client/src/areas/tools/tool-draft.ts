import {
  PROPERTY_NAMES,
  type Seat,
  TOOL_PROPERTIES,
  type ToolAssembly,
  type ToolProperty,
} from '@pine/core/shop'
import { textIn, type LengthUnit } from '@pine/core/length'
import type { FormOutcome } from '@/data/device/use-kept-form'
import { lengthProblem } from '../shop/length-problem'

/** A tool while it is declared: numbers as they are typed, in one unit. */
export interface ToolDraft extends Record<ToolProperty, string> {
  readonly name: string
  readonly holder: string
  readonly seat: Seat | 'unsaid'
  readonly stickOut: string
  readonly unit: LengthUnit
  /** Why it is declared anew; nobody asks it of a new one. */
  readonly reason: string
}

const BLANK = Object.fromEntries(PROPERTY_NAMES.map((symbol) => [symbol, ''])) as Record<
  ToolProperty,
  string
>

export const newTool: ToolDraft = {
  ...BLANK,
  name: '',
  holder: '',
  seat: 'unsaid',
  stickOut: '',
  unit: 'mm',
  reason: '',
}

/** A tool that is declared, to be put right. */
export function toolDraft({ name, holder, stickOut, properties = {} }: ToolAssembly): ToolDraft {
  const unit = properties.DC?.unit ?? properties.LF?.unit ?? stickOut?.unit ?? 'mm'
  const written = Object.fromEntries(
    PROPERTY_NAMES.map((symbol) => {
      const value = properties[symbol]
      return [symbol, typeof value === 'number' ? String(value) : textIn(value, unit)]
    }),
  ) as Record<ToolProperty, string>
  return {
    ...written,
    name,
    holder: holder?.name ?? '',
    seat: holder?.seat ?? 'unsaid',
    stickOut: textIn(stickOut, unit),
    unit,
    reason: '',
  }
}

/** The tool that is declared, or what is wrong with it. Where it sits is not asked here: a set-up says that. */
export function toolOf(draft: ToolDraft): FormOutcome<ToolDraft, ToolAssembly> {
  const { unit } = draft
  const problems: Partial<Record<keyof ToolDraft, string>> = {}
  const name = draft.name.trim()
  if (name === '') problems.name = 'Say what it is: 10 mm end mill.'
  const length = (field: ToolProperty | 'stickOut') => {
    const text = draft[field].trim()
    if (text === '') return undefined
    const problem = lengthProblem({ text, unit }, { sign: 'positive' })
    if (problem !== undefined) problems[field] = problem
    return { text, unit }
  }
  const number = (field: ToolProperty, most: number, whole: boolean) => {
    const text = draft[field].trim()
    if (text === '') return undefined
    const value = Number(text)
    if (!(value >= 1 && value <= most) || (whole && !Number.isInteger(value)))
      problems[field] = `Type a ${whole ? 'whole ' : ''}number from 1 to ${most}, or nothing.`
    return value
  }
  const properties = Object.fromEntries(
    PROPERTY_NAMES.flatMap((symbol) => {
      const { is } = TOOL_PROPERTIES[symbol]
      const value =
        is === 'length'
          ? length(symbol)
          : is === 'count'
            ? number(symbol, 40, true)
            : number(symbol, 180, false)
      return value === undefined ? [] : [[symbol, value]]
    }),
  ) as NonNullable<ToolAssembly['properties']>
  const stickOut = length('stickOut')
  const holder = draft.holder.trim()
  if (Object.keys(problems).length > 0) return { problems }
  return {
    made: {
      name,
      ...(holder !== '' && {
        holder: { name: holder, ...(draft.seat !== 'unsaid' && { seat: draft.seat }) },
      }),
      ...(stickOut && { stickOut }),
      ...(Object.keys(properties).length > 0 && { properties }),
    },
  }
}

/** A tool that was corrected, and why; it stays where it is. */
export function correctedTool(
  before: ToolAssembly,
  draft: ToolDraft,
): FormOutcome<ToolDraft, { readonly tool: ToolAssembly; readonly reason: string }> {
  const outcome = toolOf(draft)
  const reason = draft.reason.trim()
  if (!('made' in outcome)) return outcome
  if (reason === '')
    return { problems: { reason: 'Say why: it stays with the change, under your name.' } }
  return {
    made: { tool: { ...outcome.made, ...(before.place && { place: before.place }) }, reason },
  }
}
