import { addDays } from 'date-fns/addDays'
import { isValid } from 'date-fns/isValid'
import { parse } from 'date-fns/parse'
import type { LogPage, LogQuery } from '@pine/contract'
import { dayWords } from '@/kit/when'

export type ShopLogLine = LogPage['lines'][number]

/** What is looked for in the log of the shop, as it is typed and chosen. */
export interface LogChoice {
  readonly person: string
  readonly machine: string
  readonly register: string
  /** `2026-11-30`, or empty. */
  readonly day: string
}

export const NOBODY_IN_PARTICULAR = 'all'

/**
 * The question for the server; undefined where the day that is typed is none yet.
 *
 * @param of the tool or the gauge whose log it is, where it is that of one.
 */
export function logQueryOf(
  { person, machine, register, day }: LogChoice,
  of: Pick<LogQuery, 'tool' | 'gauge'>,
): Omit<LogQuery, 'before'> | undefined {
  const begins = parse(day.trim(), 'yyyy-MM-dd', new Date())
  if (day.trim() !== '' && !isValid(begins)) return undefined
  return {
    ...of,
    ...(person !== NOBODY_IN_PARTICULAR && { person }),
    ...(machine !== NOBODY_IN_PARTICULAR && { machine }),
    ...(register.trim() !== '' && { register: registerAddress(register) }),
    // A day where the person is, as two moments.
    ...(isValid(begins) && { from: begins.toISOString(), to: addDays(begins, 1).toISOString() }),
  }
}

/** A register as people type it, `g54 z`, as the facts name it: `G54.Z`. */
const registerAddress = (typed: string): string =>
  typed
    .trim()
    .toUpperCase()
    .replace(/\s*[.\s]\s*(?=[XYZ]$)/, '.')

/** The lines of a day. */
export interface ShopLogDay {
  readonly day: string
  readonly lines: readonly ShopLogLine[]
}

/** Lines as days, in the order in which they come. */
export function logDays(lines: readonly ShopLogLine[], now = new Date()): readonly ShopLogDay[] {
  const days: { day: string; lines: ShopLogLine[] }[] = []
  for (const line of lines) {
    const day = dayWords(line.at, now)
    const last = days.at(-1)
    if (last?.day === day) last.lines.push(line)
    else days.push({ day, lines: [line] })
  }
  return days
}

/** Where a line leads: to what it is of. */
export function pathOf({ kind, id }: ShopLogLine['stream']) {
  switch (kind) {
    case 'setup':
      return { pathname: '/setups/[id]', params: { id } } as const
    case 'machine':
      return { pathname: '/machines/[id]', params: { id } } as const
    case 'gauge':
      return { pathname: '/gauges/[id]', params: { id } } as const
    case 'tool':
      return { pathname: '/tools/[id]', params: { id } } as const
  }
}
